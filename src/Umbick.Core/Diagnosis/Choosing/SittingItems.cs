using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>What a sitting may ask.</summary>
/// <param name="Bank">The items of what has been taught.</param>
/// <param name="Length">How many items it is meant to have.</param>
public sealed record SittingItems(IReadOnlyList<Item> Bank, int Length = SittingItems.UsualLength)
{
    /// <summary>How many items a sitting usually has.</summary>
    public const int UsualLength = 12;

    /// <summary>How far the times of the bank are taught.</summary>
    public Stage Stage { get; } =
        Bank.Select(item => Stages.FirstWith(item.Time.Minute)).DefaultIfEmpty(Stage.EveryMinute).Max();

    /// <summary>Items of the next stage, which is not taught yet; none where nothing comes after.</summary>
    public IReadOnlyList<Item> Beyond { get; init; } = [];
}
