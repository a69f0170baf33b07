using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Every procedure a child may follow: one choice at each step. A procedure has an index; so has its part in each
/// sub-space, the space of only those steps that an item touches.
/// </summary>
public sealed class ProcedureSpace
{
    private readonly Choice[][] _choices;
    private readonly int[] _strides;
    private readonly Dictionary<int, SubSpace> _subSpaces = [];
    private readonly Lock _lock = new();

    /// <summary>Makes the space of these patterns.</summary>
    public ProcedureSpace(IReadOnlyList<Pattern> patterns)
    {
        Steps = Enum.GetValues<Step>();
        _choices = [.. Steps.Select(step => ChoicesOf(step, patterns))];
        _strides = new int[Steps.Count];
        Size = 1;
        for (var step = Steps.Count - 1; step >= 0; step--)
        {
            _strides[step] = Size;
            Size *= _choices[step].Length;
        }
    }

    /// <summary>The steps, in order.</summary>
    public IReadOnlyList<Step> Steps { get; }

    /// <summary>How many procedures there are.</summary>
    public int Size { get; }

    /// <summary>The choices at a step. The first is the correct one.</summary>
    public IReadOnlyList<Choice> At(Step step) => _choices[(int)step];

    /// <summary>Which choice (its place in <see cref="At"/>) a procedure takes at a step.</summary>
    public int ChoiceOf(int procedure, Step step) => procedure / _strides[(int)step] % _choices[(int)step].Length;

    /// <summary>The same procedure with another choice at a step.</summary>
    public int With(int procedure, Step step, int choice) =>
        procedure + ((choice - ChoiceOf(procedure, step)) * _strides[(int)step]);

    /// <summary>The patterns in a procedure.</summary>
    public IEnumerable<Pattern> PatternsIn(int procedure) =>
        Steps.Select(step => At(step)[ChoiceOf(procedure, step)].Pattern).OfType<Pattern>();

    /// <summary>A procedure's share before anything is asked.</summary>
    public double Prior(int procedure) => Steps.Aggregate(1.0, (share, step) => share * At(step)[ChoiceOf(procedure, step)].Prior);

    /// <summary>The sub-space of some steps.</summary>
    public SubSpace Of(IEnumerable<Step> steps)
    {
        var touched = steps.Order().ToArray();
        var key = touched.Sum(step => 1 << (int)step);
        lock (_lock)
        {
            if (!_subSpaces.TryGetValue(key, out var subSpace)) _subSpaces[key] = subSpace = new SubSpace(this, touched);
            return subSpace;
        }
    }

    private static Choice[] ChoicesOf(Step step, IReadOnlyList<Pattern> patterns)
    {
        var choices = new List<Choice>();
        foreach (var pattern in patterns.Where(pattern => pattern.Step == step))
        {
            if (pattern.BenchmarksMayBeRight && pattern.Way is MinutesWay minutes)
            {
                choices.Add(new Choice(pattern.Way, pattern, pattern.Weight / 2));
                choices.Add(new Choice(minutes.WithBenchmarks(), pattern, pattern.Weight / 2));
            }
            else
            {
                choices.Add(new Choice(pattern.Way, pattern, pattern.Weight));
            }
        }
        if (Catalogue.OtherWeight(step) is > 0 and var other) choices.Add(new Choice(new OtherWay(step), null, other));
        choices.Insert(0, new Choice(Way.Correct(step), null, 1 - choices.Sum(choice => choice.Prior)));
        return [.. choices];
    }
}
