using System.Data.Common;
using Dapper;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Store;

/// <summary>A sitting: one asking, or one go at a practice set.</summary>
public sealed class Sitting
{
    public Guid Id { get; init; }

    public Guid Child { get; init; }

    public string Kind { get; init; } = "";

    public Guid? PracticeSet { get; init; }

    public Stage Stage { get; init; }

    /// <summary>How many items it is meant to have.</summary>
    public int Length { get; init; }

    /// <summary>The place of the item that is being asked.</summary>
    public int CurrentPlace { get; init; }

    public int Version { get; init; }

    public DateTime StartedAt { get; init; }

    public DateTime? EndedAt { get; init; }

    public bool IsPractice => Kind == Practice;

    public const string Asking = "asking";

    public const string Practice = "practice";
}

/// <summary>An item as it was asked.</summary>
public sealed record Asked(int Place, Item Item, Support Support, string Why);

/// <summary>An answer as it was given.</summary>
public sealed class GivenRow
{
    public Guid Sitting { get; init; }

    public Guid Id { get; init; }

    public int Place { get; init; }

    public int Try { get; init; }

    public string Raw { get; init; } = "";

    public string Mode { get; init; } = "";

    public float? Seconds { get; init; }

    public AnswerMode AnswerMode => Enum.Parse<AnswerMode>(Mode, ignoreCase: true);
}

/// <summary>Sittings, what was asked in them and what was answered.</summary>
public static class Sittings
{
    private const string Columns =
        "id, child, kind, practice_set, stage, length::int as length, current_place::int as current_place, version, started_at, ended_at";

    private sealed record AskedRow(Guid Sitting, int Place, string Task, string ClockTime, string? Claim, string Support, string Why);

    public static Task<Sitting?> Find(DbConnection connection, Guid id) =>
        connection.QuerySingleOrDefaultAsync<Sitting>($"select {Columns} from sitting where id = @id", new { id });

    /// <summary>The sitting, kept from other writers until the transaction ends.</summary>
    public static Task<Sitting?> Lock(DbConnection connection, Guid id) =>
        connection.QuerySingleOrDefaultAsync<Sitting>($"select {Columns} from sitting where id = @id for update", new { id });

    /// <summary>A child's sittings, the earliest first.</summary>
    public static async Task<IReadOnlyList<Sitting>> OfChild(DbConnection connection, Guid child) =>
        [.. await connection.QueryAsync<Sitting>($"select {Columns} from sitting where child = @child order by started_at, id", new { child })];

    public static Task Start(DbConnection connection, Guid school, Sitting sitting) => connection.ExecuteAsync(
        """
        insert into sitting (school, id, child, kind, practice_set, stage, length, started_at)
        values (@school, @Id, @Child, @Kind, @PracticeSet, @stage, @Length, @StartedAt)
        """,
        new { school, sitting.Id, sitting.Child, sitting.Kind, sitting.PracticeSet, stage = (int)sitting.Stage, sitting.Length, sitting.StartedAt });

    /// <summary>Moves a sitting on to another place.</summary>
    public static Task MoveTo(DbConnection connection, Guid id, int place) =>
        connection.ExecuteAsync("update sitting set current_place = @place, version = version + 1 where id = @id", new { id, place });

    public static Task End(DbConnection connection, Guid id, DateTime now) =>
        connection.ExecuteAsync("update sitting set ended_at = @now, version = version + 1 where id = @id and ended_at is null", new { id, now });

    public static Task Ask(DbConnection connection, Guid school, Guid sitting, IEnumerable<Asked> items, DateTime now) => connection.ExecuteAsync(
        """
        insert into asked (school, sitting, place, task, clock_time, claim, support, why, asked_at)
        values (@school, @sitting, @Place, @task, @time, @claim, @support, @Why, @now)
        """,
        items.Select(item => new
        {
            school,
            sitting,
            item.Place,
            task = item.Item.Task.Id,
            time = item.Item.Time.ToString(),
            claim = ItemText.Claim(item.Item),
            support = ItemText.Support(item.Support),
            item.Why,
            now,
        }));

    /// <summary>Takes an item back that was asked and not answered.</summary>
    public static Task Withdraw(DbConnection connection, Guid sitting, int place) =>
        connection.ExecuteAsync("update asked set withdrawn = true where sitting = @sitting and place = @place", new { sitting, place });

    /// <summary>The highest place that was ever asked, also one that was taken back.</summary>
    public static Task<int> LastPlace(DbConnection connection, Guid sitting) =>
        connection.ExecuteScalarAsync<int>("select coalesce(max(place), 0) from asked where sitting = @sitting", new { sitting });

    /// <summary>The items of some sittings that stand, in order.</summary>
    public static async Task<ILookup<Guid, Asked>> AskedIn(DbConnection connection, IEnumerable<Guid> sittings)
    {
        var rows = await connection.QueryAsync<AskedRow>(
            """
            select sitting, place::int as place, task, clock_time, claim, support, why from asked
            where sitting = any(@sittings) and not withdrawn order by sitting, place
            """,
            new { sittings = sittings.ToArray() });
        return rows.ToLookup(row => row.Sitting, row => new Asked(row.Place, ItemText.Read(row.Task, row.ClockTime, row.Claim), ItemText.Support(row.Support), row.Why));
    }

    /// <summary>The answers of some sittings that stand: the latest to each place and try.</summary>
    public static async Task<ILookup<Guid, GivenRow>> AnswersIn(DbConnection connection, IEnumerable<Guid> sittings)
    {
        var rows = await connection.QueryAsync<GivenRow>(
            """
            select distinct on (sitting, place, try) sitting, id, place::int as place, try::int as try, raw, mode, seconds from answer
            where sitting = any(@sittings) order by sitting, place, try, seq desc
            """,
            new { sittings = sittings.ToArray() });
        return rows.ToLookup(row => row.Sitting);
    }

    /// <summary>An answer by its own id, whether it still stands or not.</summary>
    public static Task<GivenRow?> Answer(DbConnection connection, Guid sitting, Guid id) => connection.QuerySingleOrDefaultAsync<GivenRow>(
        "select sitting, id, place::int as place, try::int as try, raw, mode, seconds from answer where sitting = @sitting and id = @id", new { sitting, id });

    public static Task Add(DbConnection connection, Guid school, GivenRow answer, Guid? by, DateTime now) => connection.ExecuteAsync(
        """
        insert into answer (school, sitting, id, place, try, raw, mode, seconds, given_at, given_by)
        values (@school, @Sitting, @Id, @Place, @Try, @Raw, @Mode, @Seconds, @now, @by)
        """,
        new { school, answer.Sitting, answer.Id, answer.Place, answer.Try, answer.Raw, answer.Mode, answer.Seconds, by, now });
}
