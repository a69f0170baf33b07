using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;

namespace Umbick.Store;

/// <summary>What the work with some children is followed by, beside their sittings, asked for together.</summary>
/// <param name="Year">The school's year.</param>
/// <param name="Decisions">The decisions, in the order in which they were taken.</param>
/// <param name="Cycles">The cycles, the earliest first.</param>
/// <param name="Given">The sets that each was given, by pattern.</param>
/// <param name="Shown">The patterns of which each was shown a demonstration.</param>
public sealed record WorkRows(
    SchoolYear Year, ILookup<ChildId, DecisionRow> Decisions, ILookup<ChildId, CycleRow> Cycles, ILookup<ChildId, SetsGiven> Given,
    ILookup<ChildId, Pattern> Shown)
{
    private sealed class GivenRow
    {
        public ChildId Child { get; init; }

        public string Pattern { get; init; } = "";

        public DateTime LastGiven { get; init; }

        public DateOnly? FirstDay { get; init; }

        public DateOnly? LastDay { get; init; }
    }

    private const string SelectGiven =
        $"""
        select practice_set.child, practice_set.pattern, max(practice_set.assigned_at) as last_given, min({Sittings.Day}) as first_day,
          max({Sittings.Day}) as last_day
        from practice_set left join sitting on sitting.school = practice_set.school and sitting.practice_set = practice_set.id
        where practice_set.child = any(@children) and practice_set.pattern is not null
        group by practice_set.child, practice_set.pattern
        """;

    /// <summary>Loads it.</summary>
    public static Task<WorkRows> Load(SchoolConnection connection, IEnumerable<ChildId> children) => connection.QueryTogetherAsync(
        $"{Timetables.SelectHolidays}; {Store.Decisions.OfChildren}; {Store.Cycles.OfChildren}; {SelectGiven}; select distinct child, "
            + $"pattern from demonstration_shown where child = any(@children)",
        new { children = children.ToArray() },
        async read => new WorkRows(
            await Timetables.Year(read),
            (await read.ReadAsync<DecisionRow>()).ToLookup(row => row.Child),
            (await read.ReadAsync<CycleRow>()).ToLookup(row => row.Child),
            (from row in await read.ReadAsync<GivenRow>()
             let pattern = Catalogue.Find(row.Pattern)
             where pattern is not null
             select (row.Child, Sets: new SetsGiven(pattern, row.LastGiven, row.FirstDay, row.LastDay))).ToLookup(row => row.Child,
                 row => row.Sets),
            (from row in await read.ReadAsync<(ChildId Child, string Pattern)>()
             let pattern = Catalogue.Find(row.Pattern)
             where pattern is not null
             select (row.Child, Pattern: pattern)).ToLookup(row => row.Child, row => row.Pattern)));
}
