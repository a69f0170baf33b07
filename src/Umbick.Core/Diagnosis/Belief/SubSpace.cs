using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// The part of the procedure space that some steps span. Its parts are every composition of choices at these steps with at most
/// <see cref="ModelParameters.MostDepartures"/> departures; part 0 takes all of them rightly.
/// </summary>
public sealed class SubSpace
{
    private readonly int[] _counts;
    private readonly int[] _strides;
    private readonly int[] _partOfKey;
    private readonly int[] _keys;
    private readonly byte[][] _choices;

    internal SubSpace(StepState[][] choices, Step[] steps, SubSpace? whole = null)
    {
        Steps = steps;
        _counts = [.. steps.Select(step => choices[(int)step].Length)];
        _strides = new int[steps.Length];
        var all = 1;
        for (var i = steps.Length - 1; i >= 0; i--)
        {
            _strides[i] = all;
            all *= _counts[i];
        }
        var departures = new int[all];
        var setting = Array.IndexOf(steps, Step.Setting);
        for (var key = 0; key < all; key++)
        {
            for (var i = 0; i < steps.Length; i++)
            {
                if (steps[i] != Step.Setting && key / _strides[i] % _counts[i] != 0) departures[key]++;
            }
        }
        // Parts with few departures stand first: they carry nearly all belief, and near each other they are computed with faster.
        _keys = [.. Enumerable.Range(0, all).Where(key => departures[key] <= MostAt(key))
            .OrderBy(key => departures[key])];
        Size = _keys.Length;
        _partOfKey = new int[all];
        Array.Fill(_partOfKey, -1);
        for (var part = 0; part < Size; part++) _partOfKey[_keys[part]] = part;
        _choices = [.. steps.Select((_, i) => _keys.Select(key => (byte)(key / _strides[i] % _counts[i])).ToArray())];
        Parts = whole is null ? [] : [.. Enumerable.Range(0, whole.Size).Select(PartIn)];

        int MostAt(int key) => setting >= 0 && key / _strides[setting] % _counts[setting] == ProcedureSpace.ChoiceOf(SetAs.Alone)
            ? ModelParameters.MostDeparturesAlone : ModelParameters.MostDepartures;

        // Whoever goes wrong in setting alone reads as one who reads rightly.
        int PartIn(int procedure)
        {
            var alone = setting < 0 && whole.ChoiceOf(procedure, Step.Setting) == ProcedureSpace.ChoiceOf(SetAs.Alone);
            return _partOfKey[steps.Select((step, i) =>
                alone && SettingRule.Covers(step) ? 0 : whole.ChoiceOf(procedure, step) * _strides[i]).Sum()];
        }
    }

    /// <summary>The steps, in order.</summary>
    public IReadOnlyList<Step> Steps { get; }

    /// <summary>How many parts there are.</summary>
    public int Size { get; }

    /// <summary>
    /// The part that each procedure of the whole space has here: where the steps do not hold setting, as a clock is read.
    /// </summary>
    internal int[] Parts { get; }

    /// <summary>The part that a procedure of the whole space has here.</summary>
    public int PartOf(int procedure) => Parts[procedure];

    /// <summary>Which choice a part takes at a step of this sub-space.</summary>
    public int ChoiceOf(int part, Step step) => _choices[IndexOf(step)][part];

    /// <summary>The choices of all parts at a step.</summary>
    internal byte[] StatesAt(Step step) => _choices[IndexOf(step)];

    /// <summary>The same part with another choice at a step; -1 where that would be one departure too many.</summary>
    public int With(int part, Step step, int choice)
    {
        var i = IndexOf(step);
        return _partOfKey[_keys[part] + ((choice - _choices[i][part]) * _strides[i])];
    }

    private int IndexOf(Step step)
    {
        for (var i = 0; i < Steps.Count; i++)
        {
            if (Steps[i] == step) return i;
        }
        throw new ArgumentOutOfRangeException(nameof(step), step, "This sub-space does not hold the step.");
    }
}
