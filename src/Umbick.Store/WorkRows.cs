using Umbick.Core.Timetabling;

namespace Umbick.Store;

/// <summary>What the work with some children is followed by, beside their sittings, asked for together.</summary>
/// <param name="Year">The school's year.</param>
/// <param name="Decisions">The decisions, in the order in which they were taken.</param>
/// <param name="Cycles">The cycles, the earliest first.</param>
public sealed record WorkRows(SchoolYear Year, ILookup<ChildId, DecisionRow> Decisions, ILookup<ChildId, CycleRow> Cycles)
{
    /// <summary>Loads it.</summary>
    public static Task<WorkRows> Of(SchoolConnection connection, IEnumerable<ChildId> children) => connection.QueryTogetherAsync(
        $"{Timetables.SelectHolidays}; {Store.Decisions.OfChildren}; {Store.Cycles.OfChildren}",
        new { children = children.ToArray() },
        async read => new WorkRows(
            await Timetables.Year(read),
            (await read.ReadAsync<DecisionRow>()).ToLookup(row => row.Child),
            (await read.ReadAsync<CycleRow>()).ToLookup(row => row.Child)));
}
