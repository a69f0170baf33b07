using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Casework;

/// <summary>What a teacher chooses of a set.</summary>
public sealed record SetChoices
{
    /// <summary>Which of the sets that could be given now, from 0: the same one is the same set until it is given.</summary>
    public int Variant { get; init; }

    /// <summary>How many items.</summary>
    public int Length { get; init; } = SetRequest.UsualLength;

    /// <summary>The help to start with; null for what follows from the last set.</summary>
    public Support? Start { get; init; }

    /// <summary>Whether it is done on paper, as a page of its own plan.</summary>
    public bool OnPaper { get; init; }

    /// <summary>Places, from 0, whose item was changed for another, in order.</summary>
    public IReadOnlyList<int> Swaps { get; init; } = [];

    /// <summary>Times that are in other children's variants.</summary>
    public IReadOnlyCollection<ClockTime> Taken { get; init; } = [];
}
