using System.Data.Common;
using Dapper;
using Umbick.Core.Items;

namespace Umbick.Store;

/// <summary>A class that is screened with a short form.</summary>
public sealed class Screening
{
    public Guid Id { get; init; }

    public string Title { get; init; } = "";

    public Stage Stage { get; init; }

    /// <summary>How many items the form has.</summary>
    public int Length { get; init; }

    public string Form { get; init; } = "";

    public int Seed { get; init; }

    public DateTime StartedAt { get; init; }

    /// <summary>The day on which it was made, where the school is.</summary>
    public DateOnly Day { get; init; }

    /// <summary>The day on which its sheets were done; null until it is told.</summary>
    public DateOnly? PaperDay { get; init; }
}

/// <summary>Screenings of a school.</summary>
public static class Screenings
{
    private const string Columns =
        "id, title, stage, length::int as length, form, seed, started_at, paper_day, (started_at at time zone (select time_zone from school where school.id = screening.school))::date as day";

    private sealed record ItemRow(string Task, string ClockTime, string? Claim, string? Detail);

    public static Task<Screening?> Find(DbConnection connection, Guid id) =>
        connection.QuerySingleOrDefaultAsync<Screening>($"select {Columns} from screening where id = @id", new { id });

    /// <summary>The screenings of a school, the latest first.</summary>
    public static Task<IEnumerable<Screening>> All(DbConnection connection) =>
        connection.QueryAsync<Screening>($"select {Columns} from screening order by started_at desc");

    /// <summary>Adds a class with its form, unless it was added before.</summary>
    /// <returns>Whether it was added.</returns>
    public static async Task<bool> Add(DbConnection connection, Guid school, Screening screening, IReadOnlyList<Item> form)
    {
        var added = await connection.ExecuteAsync(
            """
            insert into screening (school, id, title, stage, length, form, seed, started_at)
            values (@school, @Id, @Title, @stage, @Length, @Form, @Seed, @StartedAt) on conflict do nothing
            """,
            new { school, screening.Id, screening.Title, stage = (int)screening.Stage, screening.Length, screening.Form, screening.Seed, screening.StartedAt });
        if (added == 0) return false;
        await connection.ExecuteAsync(
            "insert into screening_item (school, screening, place, task, clock_time, claim, detail) values (@school, @screening, @place, @task, @time, @claim, @detail::jsonb)",
            form.Select((item, i) => new { school, screening = screening.Id, place = i + 1, task = item.Task.Id, time = item.Time.ToString(), claim = ItemText.Claim(item), detail = ItemText.Detail(item) }));
        return true;
    }

    /// <summary>The items of a class's form, in order. What becomes of any child's sitting changes nothing in them.</summary>
    public static async Task<IReadOnlyList<Item>> Form(DbConnection connection, Guid screening)
    {
        var rows = await connection.QueryAsync<ItemRow>(
            "select task, clock_time, claim, detail::text as detail from screening_item where screening = @screening order by place", new { screening });
        return [.. rows.Select(row => ItemText.Read(row.Task, row.ClockTime, row.Claim, row.Detail))];
    }

    /// <summary>Keeps the day on which the sheets were done.</summary>
    public static Task<int> TellDay(DbConnection connection, Guid id, DateOnly day) =>
        connection.ExecuteAsync("update screening set paper_day = @day where id = @id", new { id, day });
}
