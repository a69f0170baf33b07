namespace Umbick.Store;

/// <summary>What was asked after of children, by whom and when.</summary>
public static class AskedAfter
{
    /// <summary>What was asked after of a child, the latest first, with the name of whoever asked; empty where they have left.</summary>
    public static async Task<IReadOnlyList<(string About, DateOnly Day, string By)>> OfChild(SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<(string About, DateOnly Day, string By)>(
            """
            select about, asked_on, coalesce(person.display_name, '') from asked_after
              left join person on person.school = asked_after.school and person.id = asked_after.asked_by
            where child = @child order by asked_on desc, about
            """,
            new { child })];

    /// <summary>Notes that somebody asked on a day, or takes that back; the same twice is one.</summary>
    public static Task Note(
        SchoolConnection connection, ChildId child, string about, DateOnly day, bool holds, PersonId by, DateTime now) =>
        connection.ExecuteAsync(
        holds
            ? "insert into asked_after (school, child, about, asked_on, asked_by, noted_at) values (@school, @child, @about, @day, @by, "
                + "@now) on conflict do nothing"
            : "delete from asked_after where child = @child and about = @about and asked_on = @day",
        new { school = connection.School, child, about, day, by, now });
}
