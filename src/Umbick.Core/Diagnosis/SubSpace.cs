using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>The part of the procedure space that some steps span.</summary>
public sealed class SubSpace
{
    private readonly ProcedureSpace _space;
    private readonly int[] _strides;

    internal SubSpace(ProcedureSpace space, Step[] steps)
    {
        _space = space;
        Steps = steps;
        _strides = new int[steps.Length];
        Size = 1;
        for (var i = steps.Length - 1; i >= 0; i--)
        {
            _strides[i] = Size;
            Size *= space.At(steps[i]).Count;
        }
        Parts = new int[space.Size];
        for (var procedure = 0; procedure < space.Size; procedure++)
        {
            for (var i = 0; i < steps.Length; i++)
                Parts[procedure] += space.ChoiceOf(procedure, steps[i]) * _strides[i];
        }
    }

    /// <summary>The steps, in order.</summary>
    public IReadOnlyList<Step> Steps { get; }

    /// <summary>How many parts there are.</summary>
    public int Size { get; }

    /// <summary>The part that each procedure of the whole space has here.</summary>
    internal int[] Parts { get; }

    /// <summary>The part that a procedure of the whole space has here.</summary>
    public int PartOf(int procedure) => Parts[procedure];

    /// <summary>Which choice a part takes at a step of this sub-space.</summary>
    public int ChoiceOf(int part, Step step)
    {
        var i = IndexOf(step);
        return part / _strides[i] % _space.At(step).Count;
    }

    /// <summary>How far the part's index moves for each place of the choice at a step.</summary>
    internal int Stride(Step step) => _strides[IndexOf(step)];

    private int IndexOf(Step step)
    {
        for (var i = 0; i < Steps.Count; i++)
        {
            if (Steps[i] == step) return i;
        }
        throw new ArgumentOutOfRangeException(nameof(step), step, "This sub-space does not hold the step.");
    }
}
