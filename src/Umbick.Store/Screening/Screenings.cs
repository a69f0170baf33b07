using Umbick.Core.Items;

namespace Umbick.Store;

/// <summary>Screenings of a school.</summary>
public static class Screenings
{
    private const string Columns =
        $"id, title, stage, length::int as length, form, seed, started_at, paper_day, (started_at at time zone {Schools.TimeZone})::date "
            + $"as day";

    private sealed record ItemRow(string Task, string ClockTime, string? Claim, string? Detail);

    public static Task<Screening?> Find(SchoolConnection connection, ScreeningId id) =>
        connection.QuerySingleOrDefaultAsync<Screening>($"select {Columns} from screening where id = @id", new { id });

    /// <summary>The latest screenings of a school, the latest first.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="most">How many at most; null for all.</param>
    public static Task<IEnumerable<Screening>> Latest(SchoolConnection connection, int? most) =>
        connection.QueryAsync<Screening>($"select {Columns} from screening order by started_at desc limit @most", new { most });

    /// <summary>How many screenings the school has made.</summary>
    public static Task<int> Count(SchoolConnection connection) => connection.ExecuteScalarAsync<int>("select count(*)::int from screening");

    /// <summary>How often a class of this name was screened at a stage.</summary>
    public static Task<int> CountOf(SchoolConnection connection, string title, Stage stage) => connection.ExecuteScalarAsync<int>(
        "select count(*)::int from screening where lower(title) = lower(@title) and stage = @stage", new { title, stage = (int)stage });

    /// <summary>Adds a class with its form, unless it was added before.</summary>
    /// <returns>Whether it was added.</returns>
    public static async Task<bool> Add(SchoolConnection connection, Screening screening, IReadOnlyList<Item> form)
    {
        var added = await connection.ExecuteAsync(
            """
            insert into screening (school, id, title, stage, length, form, seed, started_at)
            values (@school, @Id, @Title, @stage, @Length, @Form, @Seed, @StartedAt) on conflict do nothing
            """,
            new
            {
                school = connection.School,
                screening.Id,
                screening.Title,
                stage = (int)screening.Stage,
                screening.Length,
                screening.Form,
                screening.Seed,
                screening.StartedAt
            });
        if (added == 0) return false;
        await connection.ExecuteAsync(
            """
            insert into screening_item (school, screening, place, task, clock_time, claim, detail)
            select @school, @screening, place, task, clock_time, claim, detail::jsonb
            from unnest(@tasks, @times, @claims, @details) with ordinality as item (task, clock_time, claim, detail, place)
            """,
            new
            {
                school = connection.School,
                screening = screening.Id,
                tasks = form.Select(item => item.Task.Id).ToArray(),
                times = form.Select(item => item.Time.ToString()).ToArray(),
                claims = form.Select(ItemText.Claim).ToArray(),
                details = form.Select(ItemText.Detail).ToArray(),
            });
        return true;
    }

    /// <summary>The items of a class's form, in order. What becomes of any child's sitting changes nothing in them.</summary>
    public static async Task<IReadOnlyList<Item>> Form(SchoolConnection connection, ScreeningId screening)
    {
        var rows = await connection.QueryAsync<ItemRow>(
            "select task, clock_time, claim, detail::text as detail from screening_item where screening = @screening order by place",
            new { screening });
        return [.. rows.Select(row => ItemText.Read(row.Task, row.ClockTime, row.Claim, row.Detail))];
    }

    /// <summary>Keeps the day on which the sheets were done.</summary>
    public static Task<int> TellDay(SchoolConnection connection, ScreeningId id, DateOnly day) =>
        connection.ExecuteAsync("update screening set paper_day = @day where id = @id", new { id, day });
}
