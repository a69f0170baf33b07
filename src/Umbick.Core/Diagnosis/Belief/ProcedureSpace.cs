using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Every procedure a child may follow: one choice at each step, at most <see cref="ModelParameters.MostDepartures"/> of them other than
/// correct. A procedure has an index; so has its part in each sub-space, the space of only those steps that an item touches. Procedure 0
/// takes every step rightly.
/// </summary>
public sealed class ProcedureSpace
{
    private readonly StepState[][] _choices;
    private readonly int[][] _siblings;
    private readonly double[] _priors;
    private readonly SubSpace _whole;
    private readonly Dictionary<int, SubSpace> _subSpaces = [];
    private readonly Lock _lock = new();

    /// <summary>Makes the space of these patterns; those whose step is no part of a reading are left aside.</summary>
    public ProcedureSpace(IReadOnlyList<Pattern> patterns)
    {
        _choices = [.. Steps.Select(step => ChoicesOf(step, patterns))];
        _whole = new SubSpace(_choices, [.. Steps]);
        _siblings = [.. Steps.Select(SiblingsAt)];
        _priors = new double[_whole.Size];
        for (var procedure = 0; procedure < Size; procedure++)
            _priors[procedure] = Steps.Aggregate(1.0, (share, step) => share * At(step)[ChoiceOf(procedure, step)].Prior);
        var total = _priors.Sum();
        for (var procedure = 0; procedure < Size; procedure++) _priors[procedure] /= total;
    }

    /// <summary>The steps, in order.</summary>
    public IReadOnlyList<Step> Steps { get; } = Items.Steps.Joint;

    /// <summary>How many procedures there are.</summary>
    public int Size => _whole.Size;

    /// <summary>The choices at a step. The first is the correct one.</summary>
    public IReadOnlyList<StepState> At(Step step) => _choices[(int)step];

    /// <summary>Which choice (its place in <see cref="At"/>) a procedure takes at a step.</summary>
    public int ChoiceOf(int procedure, Step step) => _whole.ChoiceOf(procedure, step);

    /// <summary>The place in <see cref="At"/> of a way in which setting goes together with reading.</summary>
    public static int ChoiceOf(SetAs way) => (int)way;

    /// <summary>The choices of all procedures at a step.</summary>
    internal byte[] StatesAt(Step step) => _whole.StatesAt(step);

    /// <summary>The same procedure with another choice at a step; -1 where that would be one departure too many.</summary>
    public int With(int procedure, Step step, int choice) => _whole.With(procedure, step, choice);

    /// <summary>
    /// Procedures that differ at a step alone, in the order of its choices, one such family after the other. Those with four departures at
    /// other steps have only the correct choice here, and so no siblings; nor have those that setting alone cannot hold.
    /// </summary>
    internal int[] Siblings(Step step) => _siblings[(int)step];

    /// <summary>The same procedure without a pattern that it holds.</summary>
    public int Without(int procedure, Pattern pattern)
    {
        var left = At(pattern.Step)[ChoiceOf(procedure, pattern.Step)].Patterns.Where(other => !pattern.Covers(other)).ToList();
        return With(procedure, pattern.Step, left.Count == 0 ? 0 : StateWith(left[0]));
    }

    /// <summary>The procedure that holds these patterns and nothing else.</summary>
    /// <param name="patterns">At most one a step, and at most four.</param>
    public int PlaceOf(IEnumerable<Pattern> patterns) =>
        patterns.Aggregate(0, (procedure, pattern) => With(procedure, pattern.Step, StateWith(pattern)));

    /// <summary>The first choice at its step that holds a pattern, or one that it may be, and no other.</summary>
    /// <exception cref="InvalidOperationException">The pattern is not in this space.</exception>
    public int StateWith(Pattern pattern)
    {
        var choices = _choices[(int)pattern.Step];
        return Enumerable.Range(0, choices.Length).First(i => choices[i].Patterns is [var only] && pattern.Covers(only));
    }

    /// <summary>A procedure's share before anything is asked.</summary>
    public double Prior(int procedure) => _priors[procedure];

    /// <summary>The sub-space of some steps.</summary>
    public SubSpace SpaceOf(IEnumerable<Step> steps)
    {
        var touched = steps.Order().ToArray();
        var key = touched.Sum(step => 1 << (int)step);
        lock (_lock)
        {
            if (!_subSpaces.TryGetValue(key, out var subSpace)) _subSpaces[key] = subSpace = new SubSpace(_choices, touched, _whole);
            return subSpace;
        }
    }

    private int[] SiblingsAt(Step step)
    {
        var siblings = new List<int>();
        for (var procedure = 0; procedure < Size; procedure++)
        {
            if (ChoiceOf(procedure, step) != 0 || At(step).Count == 1 || With(procedure, step, At(step).Count - 1) < 0) continue;
            for (var choice = 0; choice < At(step).Count; choice++) siblings.Add(With(procedure, step, choice));
        }
        return [.. siblings];
    }

    private static StepState[] ChoicesOf(Step step, IReadOnlyList<Pattern> patterns)
    {
        var choices = new List<StepState>();
        foreach (var pattern in patterns.Where(pattern => pattern.Step == step))
        {
            List<StepRule> rules = [pattern.Rule,
                .. pattern is { BenchmarksMayBeRight: true, Rule: MinutesRule minutes } ? [minutes.WithBenchmarks()]
                    : Array.Empty<StepRule>(), .. pattern.Variants];
            choices.AddRange(rules.Select(rule => new StepState(rule, [pattern], pattern.Weight / rules.Count)));
        }
        foreach (var (first, second, both) in Catalogue.Linked)
        {
            var pair = patterns.Where(pattern => pattern.Step == step && (pattern.Id == first || pattern.Id == second)).ToList();
            if (pair.Count == 2) choices.Add(new StepState(new CombinedRules(pair[0].Rule, pair[1].Rule), pair, both));
        }
        if (step == Step.Setting)
        {
            choices.Add(new StepState(new SettingRule(SetAs.Rightly), [], ModelParameters.SetsRightlyPrior));
            choices.Add(new StepState(new SettingRule(SetAs.Alone), [], ModelParameters.SetsAlonePrior));
        }
        if (Catalogue.OtherWeight(step) is > 0 and var other) choices.Add(new StepState(new UnlistedRule(step), [], other));
        choices.Insert(0, new StepState(StepRule.Correct(step), [], 1 - choices.Sum(choice => choice.Prior)));
        return [.. choices];
    }
}
