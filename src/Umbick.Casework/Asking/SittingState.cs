using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Where a sitting stands, as it is known after something was kept in it: nothing has to be loaded again to show it.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Preferences">How clocks are taught, said and drawn for its child.</param>
/// <param name="Rows">What was asked, and what was answered.</param>
/// <param name="UnderWay">What was looked at to choose the next item; null where nothing was chosen.</param>
public sealed record SittingState(Sitting Sitting, TeachingPreferences Preferences, SittingRows Rows, SittingUnderWay? UnderWay = null)
{
    /// <summary>The child, as they are taught: what waits for them is not looked up. Null where it has to be loaded.</summary>
    public CaseloadRow? Child { get; init; }

    /// <summary>The item that is asked; null where the sitting is over.</summary>
    public AskedItem? Asked => Sitting.EndedAt is null ? Rows.Asked.FirstOrDefault(asked => asked.Place == Sitting.CurrentPlace) : null;

    /// <summary>The item at a place, also one that was taken back; null where none was asked there.</summary>
    public Item? ItemAt(int place) => Rows.Asked.Concat(Rows.Withdrawn).FirstOrDefault(asked => asked.Place == place)?.Item;

    /// <summary>Loads where a sitting stands; null where the school has no such sitting.</summary>
    public static async Task<SittingState?> Load(SchoolConnection connection, SittingId id) =>
        await Sittings.Whole(connection, id) is { } whole ? From(whole) : null;

    /// <summary>
    /// Loads where a sitting stands, kept from other writers until the transaction ends; null where the school has no such sitting.
    /// </summary>
    public static async Task<SittingState?> Lock(SchoolConnection connection, SittingId id) =>
        await Sittings.LockWhole(connection, id) is { } whole ? From(whole) : null;

    private static SittingState From(WholeSitting whole) => new(whole.Sitting, whole.Child.Preferences, whole.Rows) { Child = whole.Child };

    /// <summary>The same, moved on to an item that is asked now.</summary>
    internal SittingState AskedNext(AskedItem item, SittingUnderWay? underWay) => this with
    {
        Sitting = Sitting with { CurrentPlace = item.Place, Version = Sitting.Version + 1 },
        Rows = Rows.WithAsked(item),
        UnderWay = underWay,
    };

    /// <summary>The same, moved on to another place.</summary>
    internal SittingState MovedTo(int place) =>
        this with { Sitting = Sitting with { CurrentPlace = place, Version = Sitting.Version + 1 } };
}

/// <summary>The outcome of an answer.</summary>
/// <param name="Outcome">The outcome.</param>
/// <param name="State">Where the sitting stands then; null where that has to be loaded, as after its end.</param>
public sealed record AnswerTaken(AnswerOutcome Outcome, SittingState? State);

/// <summary>The outcome of an answer typed by an adult.</summary>
/// <param name="Outcome">The outcome; null where the answer was not taken, for the reason told.</param>
/// <param name="Message">Why it was not kept; null where it was.</param>
/// <param name="State">Where the sitting stands then; null where that has to be loaded, or there is none.</param>
public sealed record TypedAnswerTaken(AnswerOutcome? Outcome, string? Message, SittingState? State)
{
    /// <summary>Whether it is only to be asked about: sent once more, it is kept as it is.</summary>
    public bool CanBeConfirmed { get; init; }
}
