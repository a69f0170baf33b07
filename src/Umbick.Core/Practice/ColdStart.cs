using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>
/// The measure of practice: a few bare clocks before a word of help. Four show whether the pattern is still there, one of them by setting
/// where it shows there; the last comes right either way.
/// </summary>
public static class ColdStart
{
    /// <summary>How many of its items tell.</summary>
    public const int Telling = 4;

    /// <summary>
    /// Whether the item at a place tells: all do but the last. It goes by the place, for what tells of a child is the pattern as it was
    /// held that day, and the record must say the same for ever.
    /// </summary>
    /// <param name="place">The place, from 1.</param>
    /// <param name="length">How many items there are.</param>
    public static bool IsTelling(int place, int length) => place <= Math.Min(Telling, length - 1);

    /// <summary>The items, in order.</summary>
    /// <param name="held">The pattern, as the child has it.</param>
    /// <param name="stage">What is taught.</param>
    /// <param name="inUse">Which tasks the child has met.</param>
    /// <param name="seed">The same seed makes the same items; two cold starts have different ones.</param>
    public static IReadOnlyList<Item> Make(HeldPattern held, Stage stage, Func<ClockTask, bool> inUse, int seed)
    {
        var pools = new SetPools(held, SetMaker.StageFor(new SetRequest(held, stage, Support.Bare, seed)), inUse);
        var picker = new ItemPicker(seed);
        var items = new List<Item>();
        if (pools.Bare(picker) is { } first) items.Add(first);
        if (pools.ToSet(picker) is { } setting) items.Add(setting);
        while (items.Count < Telling && pools.Again(picker) is { } more) items.Add(more);
        items.Add(pools.Secure(picker));
        return items;
    }
}
