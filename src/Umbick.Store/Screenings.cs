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
}

/// <summary>Screenings of a school.</summary>
public static class Screenings
{
    private const string Columns = "id, title, stage, length::int as length, form, seed, started_at";

    public static Task<Screening?> Find(DbConnection connection, Guid id) =>
        connection.QuerySingleOrDefaultAsync<Screening>($"select {Columns} from screening where id = @id", new { id });

    /// <summary>The screenings of a school, the latest first.</summary>
    public static Task<IEnumerable<Screening>> All(DbConnection connection) =>
        connection.QueryAsync<Screening>($"select {Columns} from screening order by started_at desc");

    public static Task Add(DbConnection connection, Guid school, Screening screening) => connection.ExecuteAsync(
        """
        insert into screening (school, id, title, stage, length, form, seed, started_at)
        values (@school, @Id, @Title, @stage, @Length, @Form, @Seed, @StartedAt)
        """,
        new { school, screening.Id, screening.Title, stage = (int)screening.Stage, screening.Length, screening.Form, screening.Seed, screening.StartedAt });
}
