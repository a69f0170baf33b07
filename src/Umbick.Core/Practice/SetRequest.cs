using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>What a set is asked for.</summary>
/// <param name="Held">The pattern, as the child has it.</param>
/// <param name="Stage">What the child has been taught. Where the pattern does not show there at all it is raised to the first at which it
/// does.</param>
/// <param name="Start">The help on the first faces.</param>
/// <param name="Seed">The same order with the same seed makes the same set.</param>
public sealed record SetRequest(HeldPattern Held, Stage Stage, Support Start, int Seed)
{
    /// <summary>The usual number of items: a secure start, two pairs, a claim, a transfer and a bare one.</summary>
    public const int UsualLength = 8;

    /// <summary>The fewest items a set can have: a pair, a transfer and a bare one.</summary>
    public const int Shortest = 4;

    /// <summary>The most items a set can have.</summary>
    public const int Longest = 16;

    /// <summary>How many items, 4 to 16.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The length is outside its range.</exception>
    public int Length
    {
        get;
        init
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(value, Shortest);
            ArgumentOutOfRangeException.ThrowIfGreaterThan(value, Longest);
            field = value;
        }
    } = UsualLength;

    /// <summary>How many items a set on paper has: a page.</summary>
    public const int LengthOnPaper = 9;

    /// <summary>
    /// Whether it is done with a pencil: two easy ones, a pair, a claim, a pair, and two faces to draw in, all without help.
    /// </summary>
    public bool OnPaper { get; init; }

    /// <summary>Tasks that the idea has been carried over to before: another comes first.</summary>
    public IReadOnlyCollection<ClockTask> CarriedTo { get; init; } = [];

    /// <summary>Times that other children's variants of the set have: they are taken last.</summary>
    public IReadOnlyCollection<ClockTime> Taken { get; init; } = [];

    /// <summary>The child's earlier sets: what they asked lately is not asked again while there is anything else.</summary>
    public EarlierSets Before { get; init; } = EarlierSets.None;

    /// <summary>Places, from 0, whose item is changed for another, in the order in which they were asked for.</summary>
    public IReadOnlyList<int> Swaps { get; init; } = [];
}
