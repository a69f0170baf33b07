using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Lists as sheets: what stands on them, and their codes.</summary>
public sealed class SheetsPrinted(ClassScreening screen, TimeProvider clock)
{
    private static readonly TimeSpan Lately = TimeSpan.FromDays(42);

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>
    /// A list with its code; null where there is none, its questions follow from the answers, or it is asked in a visit.
    /// </summary>
    public async Task<(ListOnPaper List, SheetCode Code)?> One(SchoolConnection connection, SittingId id)
    {
        if (await ListOnPaper.Load(connection, id) is not { } list) return null;
        return (list, (await Codes(connection, [id]))[id]);
    }

    /// <summary>The lists that wait for some children, each with its code, in the order of the children.</summary>
    public async Task<IReadOnlyList<(ListOnPaper List, SheetCode Code)>> WaitingFor(
        SchoolConnection connection, IReadOnlyList<ChildId> children)
    {
        var waiting = new List<(ListOnPaper List, SheetCode Code)>();
        foreach (var sitting in await Sittings.WaitingOf(connection, children))
        {
            if (await One(connection, sitting) is { } list) waiting.Add(list);
        }
        return waiting;
    }

    /// <summary>The form of a class with each child's code, in the order of the list; null where there is no such class.</summary>
    public async Task<(ScreenedClass Class, IReadOnlyDictionary<SittingId, SheetCode> Codes)?> OfClass(
        SchoolConnection connection, ScreeningId id)
    {
        if (await screen.Load(connection, id) is not { } found) return null;
        return (found, await Codes(connection, [.. found.Children.Select(child => child.Sitting.Sitting.Id)]));
    }

    /// <summary>The sheets of the last six weeks that have not come back whole, each with its code, the latest first.</summary>
    public async Task<IReadOnlyList<(SheetOut Sheet, SheetCode Code)>> Out(SchoolConnection connection)
    {
        var mark = await Sheets.Mark(connection);
        return [.. (await Sheets.Out(connection, Now - Lately)).Select(sheet => (sheet, new SheetCode(mark, sheet.Letters)))];
    }

    private async Task<IReadOnlyDictionary<SittingId, SheetCode>> Codes(SchoolConnection connection, IReadOnlyList<SittingId> sittings)
    {
        var mark = await Sheets.Mark(connection);
        return (await Sheets.For(connection, sittings, Now))
            .ToDictionary(sheet => sheet.Key, sheet => new SheetCode(mark, sheet.Value.Letters));
    }
}
