using System.Data.Common;
using Dapper;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Store.Casework;

namespace Umbick.Store;

/// <summary>What was believed after each sitting, by pattern.</summary>
public static class Marginals
{
    private sealed record Row(Guid Sitting, string Pattern, string Label);

    /// <summary>Keeps what is believed after a sitting that has ended, and after each later one, and what of it should be practised first.</summary>
    public static async Task Keep(DbConnection connection, Guid school, ChildRecord record, Guid from)
    {
        var first = record.Sittings.ToList().FindIndex(sitting => sitting.Sitting.Id == from);
        if (first < 0) return;
        for (var place = first; place < record.Sittings.Count; place++)
        {
            var sitting = record.Sittings[place].Sitting;
            if (sitting.EndedAt is null) continue;
            await Keep(connection, school, sitting.Id, record.After(place), record.FirstAfter(place));
        }
        await connection.ExecuteAsync(
            "update sitting set concluded_from = @reckoned where id = @last", new { reckoned = ReckonedFrom(record.Child), last = record.Sittings[^1].Sitting.Id });
    }

    /// <summary>What everything that is believed of a child follows from: while it is the same, so is what is believed.</summary>
    public static string ReckonedFrom(CaseloadRow child) => $"{ReadingModel.Version} {(int)child.Stage} {child.LatestAnswer}";

    /// <summary>The labels after some sittings: first what should be practised first, then the firmest belief.</summary>
    public static async Task<ILookup<Guid, (Pattern Pattern, Label Label)>> After(DbConnection connection, IEnumerable<Guid> sittings)
    {
        var rows = await connection.QueryAsync<Row>(
            "select sitting, pattern, label from marginal where sitting = any(@sittings) order by sitting, practise_place, belief desc", new { sittings = sittings.ToArray() });
        return (from row in rows
                let pattern = Catalogue.Find(row.Pattern)
                where pattern is not null && Enum.TryParse<Label>(row.Label, out _)
                select (row.Sitting, Pattern: pattern, Label: Enum.Parse<Label>(row.Label)))
            .ToLookup(row => row.Sitting, row => (row.Pattern, row.Label));
    }

    private static async Task Keep(DbConnection connection, Guid school, Guid sitting, Conclusion conclusion, IReadOnlyList<Pattern> first)
    {
        await connection.ExecuteAsync("delete from marginal where sitting = @sitting", new { sitting });
        await connection.ExecuteAsync(
            "insert into marginal (school, sitting, pattern, belief, label, engine, practise_place) values (@school, @sitting, @pattern, @belief, @label, @engine, @place)",
            conclusion.Findings.Select(finding => new
            {
                school,
                sitting,
                pattern = finding.Pattern.Id,
                belief = (float)finding.Belief,
                label = finding.Label.ToString(),
                engine = ReadingModel.Version,
                place = first.ToList().IndexOf(finding.Pattern) is >= 0 and var place ? place : default(int?),
            }));
    }
}
