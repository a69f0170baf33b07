using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Store;

/// <summary>Practice sets.</summary>
public static class Sets
{
    private const string Select = $"select {Columns} {From}";

    /// <summary>With where the child is in it, and whether it is on a device of the child's own.</summary>
    private const string SelectUnderWay =
        $"""
        select {Columns},
          exists (select from session where session.school = sitting.school and session.sitting = sitting.id and session.ended_at is null
            and session.ends_at > now()) as is_on_device,
          (select count(*) from set_item where set_item.school = practice_set.school and set_item.practice_set = practice_set.id)::int
            as items,
          (select count(*) from answer where answer.school = sitting.school and answer.sitting = sitting.id and answer.try = 1
            and answer.corrects is null)::int as done
        {From}
        """;

    private const string Columns =
        $"""
        practice_set.id, practice_set.child, child.alias, practice_set.pattern as pattern_id, practice_set.start_support,
          practice_set.line_seconds,
          (practice_set.assigned_at at time zone {Schools.TimeZone})::date as assigned_day,
          sitting.id as sitting, sitting.ended_at as done_at, {Sittings.Day} as day
        """;

    private const string From =
        """
        from practice_set
        join child on child.school = practice_set.school and child.id = practice_set.child
        left join sitting on sitting.school = practice_set.school and sitting.practice_set = practice_set.id
        """;

    private sealed record ItemRow(string Task, string ClockTime, string? Claim, string Part, string Support, string Why);

    public static Task<AssignedSet?> Find(SchoolConnection connection, SetId id) =>
        connection.QuerySingleOrDefaultAsync<AssignedSet>($"{SelectUnderWay} where practice_set.id = @id", new { id });

    /// <summary>Every set of a school that waits for a child, the latest first; one that is practised in a visit does not.</summary>
    public static Task<IEnumerable<AssignedSet>> Waiting(SchoolConnection connection) =>
        connection.QueryAsync<AssignedSet>(
            $"{SelectUnderWay} where sitting.ended_at is null and sitting.visit is null order by practice_set.assigned_at desc");

    /// <summary>The sets of a school that were done last, the latest first.</summary>
    public static Task<IEnumerable<AssignedSet>> Done(SchoolConnection connection, int most) =>
        connection.QueryAsync<AssignedSet>(
            $"{Select} where sitting.ended_at is not null and sitting.first_answer_at is not null order by sitting.ended_at desc limit "
                + $"@most", new { most });

    /// <summary>A child's sets, the latest first.</summary>
    public static async Task<IReadOnlyList<AssignedSet>> OfChild(SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<AssignedSet>($"{Select} where practice_set.child = @child order by practice_set.assigned_at desc",
            new { child })];

    public static async Task<IReadOnlyList<SetItem>> Items(SchoolConnection connection, SetId set)
    {
        var rows = await connection.QueryAsync<ItemRow>(
            "select task, clock_time, claim, part, support, why from set_item where practice_set = @set order by place", new { set });
        return [.. rows.Select(row => new SetItem(
            ItemText.Read(row.Task, row.ClockTime, row.Claim), Enum.TryParse<SetPart>(row.Part, out var part) ? part : SetPart.Bare,
            ItemText.Support(row.Support), row.Why))];
    }

    /// <summary>The places of a set, from 1, whose answers tell whether its pattern is still there.</summary>
    public static async Task<IReadOnlySet<int>> TellingPlaces(SchoolConnection connection, SetId set) =>
        (await Items(connection, set)).Index().Where(item => item.Item.Part.IsTelling()).Select(item => item.Index + 1).ToHashSet();

    /// <summary>Keeps a set that is assigned, with what was shown when it was; unless it was kept before.</summary>
    /// <returns>Whether it was kept now.</returns>
    public static async Task<bool> Assign(
        SchoolConnection connection, SetId id, ChildId child, PracticeSet set, int seed, Support start, double? line, string engine,
        string shown, PersonId by, DateTime now)
    {
        var added = await connection.ExecuteAsync(
            """
            insert into practice_set (school, id, child, pattern, seed, start_support, line_seconds, assigned_at, assigned_by, engine,
              shown)
            values (@school, @id, @child, @pattern, @seed, @support, @line, @now, @by, @engine, @shown::jsonb) on conflict do nothing
            """,
            new
            {
                school = connection.School,
                id,
                child,
                pattern = set.Pattern?.Id,
                seed,
                support = ItemText.Support(start),
                line,
                now,
                by,
                engine,
                shown
            });
        if (added == 0) return false;
        await connection.ExecuteAsync(
            """
            insert into set_item (school, practice_set, place, task, clock_time, claim, part, support, why)
            select @school, @id, place, task, clock_time, claim, part, support, why
            from unnest(@tasks, @times, @claims, @parts, @supports, @whys) with ordinality as item (task, clock_time, claim, part, support,
              why, place)
            """,
            new
            {
                school = connection.School,
                id,
                tasks = set.Items.Select(item => item.Item.Task.Id).ToArray(),
                times = set.Items.Select(item => item.Item.Time.ToString()).ToArray(),
                claims = set.Items.Select(item => ItemText.Claim(item.Item)).ToArray(),
                parts = set.Items.Select(item => item.Part.ToString()).ToArray(),
                supports = set.Items.Select(item => ItemText.Support(item.Support)).ToArray(),
                whys = set.Items.Select(item => item.Why).ToArray(),
            });
        return true;
    }
}
