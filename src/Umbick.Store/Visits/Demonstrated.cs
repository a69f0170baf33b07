namespace Umbick.Store;

/// <summary>Which demonstrations were shown to whom.</summary>
public static class Demonstrated
{
    /// <summary>Those that were shown to a child, the latest first.</summary>
    public static async Task<IReadOnlyList<DemonstrationShown>> To(SchoolConnection connection, ChildId child) =>
    [
        .. await connection.QueryAsync<DemonstrationShown>(
            $"select id, pattern, demonstration, (shown_at at time zone {Schools.TimeZone})::date as day from demonstration_shown where "
                + $"child = @child order by shown_at desc, id",
            new { child }),
    ];

    /// <summary>Takes back that one was shown to a child.</summary>
    public static Task<int> TakeBack(SchoolConnection connection, ChildId child, ShowingId id) =>
        connection.ExecuteAsync("delete from demonstration_shown where id = @id and child = @child", new { id, child });

    /// <summary>Keeps that one was shown; to keep it again under the same id changes nothing.</summary>
    public static Task Keep(SchoolConnection connection, ShowingId id, ChildId child, string pattern, string demonstration, PersonId by,
        DateTime now) => connection.ExecuteAsync(
        """
        insert into demonstration_shown (school, id, child, pattern, demonstration, shown_by, shown_at)
        values (@school, @id, @child, @pattern, @demonstration, @by, @now) on conflict do nothing
        """,
        new { school = connection.School, id, child, pattern, demonstration, by, now });
}
