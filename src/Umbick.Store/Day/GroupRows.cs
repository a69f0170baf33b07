using Umbick.Core.Items;

namespace Umbick.Store;

/// <summary>What a plan of groups rests on beside the cases: who is kept apart, minutes that were chosen, help, and copying.</summary>
public static class GroupRows
{
    private sealed record HelpRow(ChildId Child, string Support);

    /// <summary>Notes that two children are to be kept apart, or takes that back.</summary>
    public static Task KeepApart(
        SchoolConnection connection, ChildId one, ChildId other, bool apart, PersonId by, DateTime now) => connection.ExecuteAsync(
        apart
            ? """
              insert into keep_apart (school, child, other, noted_by, noted_at)
              values (@school, @one, @other, @by, @now), (@school, @other, @one, @by, @now) on conflict do nothing
              """
            : "delete from keep_apart where (child, other) in ((@one, @other), (@other, @one))",
        new { school = connection.School, one, other, by, now });

    /// <summary>The minutes a week that were chosen for children.</summary>
    public static async Task<IReadOnlyDictionary<ChildId, int>> Minutes(SchoolConnection connection) =>
        (await connection.QueryAsync<(ChildId Child, int Minutes)>(
            "select id, minutes_a_week::int from child where minutes_a_week is not null"))
        .ToDictionary(row => row.Child, row => row.Minutes);

    /// <summary>Keeps how long a child is to be seen in a week; null: as what they need asks for.</summary>
    public static Task ChooseMinutes(SchoolConnection connection, ChildId child, int? minutes) =>
        connection.ExecuteAsync("update child set minutes_a_week = @minutes where id = @child", new { child, minutes });

    /// <summary>The help that each child's latest set began with.</summary>
    public static async Task<IReadOnlyDictionary<ChildId, Support>> Help(SchoolConnection connection) =>
        (await connection.QueryAsync<HelpRow>(
            "select distinct on (child) child, start_support as support from practice_set order by child, assigned_at desc"))
        .ToDictionary(row => row.Child, row => Enum.TryParse<Support>(row.Support, ignoreCase: true, out var help) ? help : Support.Bare);

    /// <summary>Children of whom an answer was noted as another's since a day.</summary>
    public static async Task<IReadOnlySet<ChildId>> HaveCopied(SchoolConnection connection, DateOnly since) =>
        (await connection.QueryAsync<ChildId>(
            """
            select distinct sitting.child from answer join sitting on sitting.school = answer.school and sitting.id = answer.sitting
            where answer.how = @how and sitting.started_at >= @since
            """,
            new { how = HowDone.Copied.Id, since })).ToHashSet();

    /// <summary>When groups were kept last; null where they never were.</summary>
    public static Task<DateOnly?> LastKept(SchoolConnection connection) => connection.QuerySingleAsync<DateOnly?>(
        $"select (max(kept_at) at time zone {Schools.TimeZone})::date from groups_kept");

    /// <summary>Notes that groups were kept.</summary>
    public static Task NoteKept(SchoolConnection connection, PersonId by, DateTime now) => connection.ExecuteAsync(
        "insert into groups_kept (school, kept_at, kept_by) values (@school, @now, @by) on conflict do nothing",
        new { school = connection.School, now, by });
}
