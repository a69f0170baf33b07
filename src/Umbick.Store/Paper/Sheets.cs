using System.Security.Cryptography;

namespace Umbick.Store;

/// <summary>Lists on paper, and their codes.</summary>
public static class Sheets
{
    private const int MostListed = 60;

    /// <summary>The school's mark, with which all its codes begin.</summary>
    public static Task<string> Mark(SchoolConnection connection) => connection.QuerySingleAsync<string>("select mark from school");

    /// <summary>The sheets of some lists; one that has none yet is given its code.</summary>
    public static async Task<IReadOnlyDictionary<SittingId, Sheet>> For(
        SchoolConnection connection, IReadOnlyList<SittingId> sittings, DateTime now)
    {
        while (true)
        {
            var known = (await connection.QueryAsync<Sheet>(
                "select letters, sitting, made_at from sheet where sitting = any(@sittings)",
                new { sittings = sittings.Select(sitting => sitting.Value).ToArray() })).ToDictionary(sheet => sheet.Sitting);
            var missing = sittings.Where(sitting => !known.ContainsKey(sitting)).Distinct().ToList();
            if (missing.Count == 0) return known;
            // Letters that are another sheet's already are drawn anew in the next round.
            await connection.ExecuteAsync(
                """
                insert into sheet (school, letters, sitting, made_at)
                select @school, letters, sitting, @now from unnest(@letters, @missing) as drawn (letters, sitting) on conflict do nothing
                """,
                new
                {
                    school = connection.School,
                    now,
                    letters = missing.Select(_ => RandomNumberGenerator.GetString(SheetCode.Alphabet, SheetCode.Drawn)).ToArray(),
                    missing = missing.Select(sitting => sitting.Value).ToArray()
                });
        }
    }

    /// <summary>The sheet with these letters; null where the school has none.</summary>
    public static Task<Sheet?> Find(SchoolConnection connection, string letters) => connection.QuerySingleOrDefaultAsync<Sheet>(
        "select letters, sitting, made_at from sheet where letters = @letters", new { letters });

    /// <summary>The sheets of the last weeks that have not come back whole, the latest first.</summary>
    public static async Task<IReadOnlyList<SheetOut>> Out(SchoolConnection connection, DateTime since) =>
        [.. await connection.QueryAsync<SheetOut>(
            $"""
            select letters, alias, (made_at at time zone {Schools.TimeZone})::date as day, items, answered from sheet
              join sitting on sitting.school = sheet.school and sitting.id = sheet.sitting
              join child on child.school = sitting.school and child.id = sitting.child
              cross join lateral (select count(*)::int as items, (count(*) filter (where exists (select from answer
                where answer.sitting = asked_item.sitting and answer.place = asked_item.place)))::int as answered
                from asked_item where asked_item.sitting = sheet.sitting and not withdrawn) as came
              where made_at > @since and ended_at is null and answered < items order by made_at desc, alias limit {MostListed}
            """,
            new { since })];
}
