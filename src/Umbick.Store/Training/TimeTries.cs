using Umbick.Core.Teaching;

namespace Umbick.Store;

/// <summary>What children guessed of time, and what it was.</summary>
public static class TimeTries
{
    /// <summary>A child's, the earliest first; of cards that are known.</summary>
    public static async Task<IReadOnlyList<(TimeTryId Id, TimeTry Try)>> OfChild(SchoolConnection connection, ChildId child) =>
        [.. (await connection.QueryAsync<(TimeTryId Id, string Card, DateOnly Day, double Given, double Real, double? GivenAgain,
            double? RealAgain)>(
            $"""
            select id, card, (tried_at at time zone {Schools.TimeZone})::date, given, real_value, given_again, real_again from time_try
            where child = @child order by tried_at, id
            """, new { child }))
            .Where(row => TimeCard.Find(row.Card) is not null)
            .Select(row => (row.Id, new TimeTry(TimeCard.Find(row.Card)!, row.Day, new(row.Given, row.Real),
            row is { GivenAgain: { } again, RealAgain: { } real } ? new(again, real) : null)))];

    /// <summary>Keeps two tries; the same again under their id changes nothing.</summary>
    public static Task Keep(
        SchoolConnection connection, TimeTryId id, ChildId child, string card, GuessAndReal first, GuessAndReal? second, PersonId by,
        DateTime now) => connection.ExecuteAsync(
        """
        insert into time_try (school, id, child, card, given, real_value, given_again, real_again, noted_by, tried_at)
        values (@school, @id, @child, @card, @Given, @Real, @again, @realAgain, @by, @now) on conflict do nothing
        """,
        new
        {
            school = connection.School,
            id,
            child,
            card,
            first.Given,
            first.Real,
            again = second?.Given,
            realAgain = second?.Real,
            by,
            now
        });

    /// <summary>Takes one back.</summary>
    public static Task TakeBack(SchoolConnection connection, ChildId child, TimeTryId id) =>
        connection.ExecuteAsync("delete from time_try where child = @child and id = @id", new { child, id });
}
