using Umbick.Core.Items;

namespace Umbick.Store;

/// <summary>The times of a school's own day.</summary>
public static class SchoolDays
{
    /// <summary>The school's day, in order; the usual one where it has named none.</summary>
    public static async Task<IReadOnlyList<SchoolMoment>> Load(SchoolConnection connection)
    {
        var rows = (await connection.QueryAsync<(string Words, TimeOnly At)>("select words, at from day_moment order by place")).ToList();
        return rows.Count == SchoolMoment.Count ? [.. rows.Select(row => new SchoolMoment(row.Words, row.At))] : SchoolMoment.Usual;
    }

    /// <summary>Keeps the school's day.</summary>
    public static async Task Keep(SchoolConnection connection, IReadOnlyList<SchoolMoment> day) => await connection.ExecuteAsync(
        """
        insert into day_moment (school, place, words, at)
        select @school, place, words, at from unnest(@places, @words, @times) as moment(place, words, at)
        on conflict (school, place) do update set words = excluded.words, at = excluded.at
        """,
        new
        {
            school = connection.School,
            places = Enumerable.Range(1, day.Count).ToArray(),
            words = day.Select(moment => moment.Words).ToArray(),
            times = day.Select(moment => moment.At).ToArray()
        });
}
