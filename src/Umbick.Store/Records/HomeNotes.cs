namespace Umbick.Store;

/// <summary>What families told of pages for home.</summary>
public static class HomeNotes
{
    /// <summary>What was told of a child, the latest first, a page's days in order.</summary>
    public static async Task<IReadOnlyList<(DateOnly ToldOn, int Day, string How)>> OfChild(SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<(DateOnly ToldOn, int Day, string How)>(
            "select told_on, day::int, how from home_note where child = @child order by told_on desc, day", new { child })];

    /// <summary>Notes what was told of one of a page's days; told again it is changed, and null takes it back.</summary>
    public static Task Note(
        SchoolConnection connection, ChildId child, DateOnly toldOn, int day, string? how, PersonId by, DateTime now) =>
        connection.ExecuteAsync(
        how is null ? "delete from home_note where child = @child and told_on = @toldOn and day = @day"
            : """
              insert into home_note (school, child, told_on, day, how, noted_by, noted_at)
              values (@school, @child, @toldOn, @day, @how, @by, @now)
              on conflict (school, child, told_on, day) do update set how = @how, noted_by = @by, noted_at = @now
              """,
        new { school = connection.School, child, toldOn, day, how, by, now });
}
