
namespace Umbick.Store;

/// <summary>What teachers decided of patterns.</summary>
public static class Decisions
{
    private const string Select =
        $"""
        select id, child, pattern as pattern_id, kind as kind_id, taken, reason, after_sitting, (decided_at at time zone
          {Schools.TimeZone})::date as day, engine, shown::text as shown_text,
          taken_back_at is not null as taken_back
        from decision
        """;

    /// <summary>Those of some children, in the order in which they were taken; also those that were taken back.</summary>
    internal const string OfChildren = $"{Select} where child = any(@children) order by seq";

    /// <summary>Keeps a decision; the same again under its id changes nothing.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="decision">The decision.</param>
    /// <param name="by">Who took it.</param>
    /// <param name="now">When.</param>
    public static Task Keep(SchoolConnection connection, DecisionRow decision, PersonId by, DateTime now) => connection.ExecuteAsync(
        """
        insert into decision (school, id, child, pattern, kind, taken, reason, after_sitting, decided_by, decided_at, engine, shown)
        values (@school, @Id, @Child, @PatternId, @KindId, @Taken, @Reason, @AfterSitting, @by, @now, @Engine, @ShownText::jsonb)
          on conflict do nothing
        """,
        new
        {
            school = connection.School,
            decision.Id,
            decision.Child,
            decision.PatternId,
            decision.KindId,
            decision.Taken,
            decision.Reason,
            decision.AfterSitting,
            by,
            now,
            decision.Engine,
            decision.ShownText
        });

    /// <summary>Who took each decision of a child.</summary>
    public static async Task<IReadOnlyDictionary<DecisionId, PersonId>> DeciderOf(SchoolConnection connection, ChildId child) =>
        (await connection.QueryAsync<(DecisionId Id, PersonId By)>("select id, decided_by from decision where child = @child",
            new { child })).ToDictionary(row => row.Id, row => row.By);

    /// <summary>Takes a decision back. That it was taken stays on record.</summary>
    /// <returns>Whether it stood until now.</returns>
    public static async Task<bool> TakeBack(SchoolConnection connection, ChildId child, DecisionId id, PersonId by, DateTime now) =>
        await connection.ExecuteAsync(
        "update decision set taken_back_by = @by, taken_back_at = @now where id = @id and child = @child and taken_back_at is null",
        new { id, child, by, now }) > 0;
}
