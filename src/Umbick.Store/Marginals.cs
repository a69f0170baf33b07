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

    /// <summary>Keeps what is believed after a sitting, and what of it should be practised first.</summary>
    public static async Task Keep(DbConnection connection, Guid school, Guid sitting, ChildRecord record)
    {
        var first = record.First.Select((impact, place) => (impact.Finding.Pattern, place)).ToDictionary(one => one.Pattern, one => one.place);
        await connection.ExecuteAsync("delete from marginal where sitting = @sitting", new { sitting });
        await connection.ExecuteAsync(
            "insert into marginal (school, sitting, pattern, belief, label, engine, practise_place) values (@school, @sitting, @pattern, @belief, @label, @engine, @place)",
            record.Now.Findings.Select(finding => new
            {
                school,
                sitting,
                pattern = finding.Pattern.Id,
                belief = (float)finding.Belief,
                label = finding.Label.ToString(),
                engine = ReadingModel.Version,
                place = first.TryGetValue(finding.Pattern, out var place) ? place : default(int?),
            }));
    }

    /// <summary>The labels after some sittings: first what should be practised first, then the firmest belief.</summary>
    public static async Task<ILookup<Guid, (Pattern Pattern, Label Label)>> After(DbConnection connection, IEnumerable<Guid> sittings)
    {
        var rows = await connection.QueryAsync<Row>(
            "select sitting, pattern, label from marginal where sitting = any(@sittings) order by sitting, practise_place, belief desc", new { sittings = sittings.ToArray() });
        return rows
            .Select(row => (row.Sitting, Pattern: Catalogue.Find(row.Pattern), Label: Enum.Parse<Label>(row.Label)))
            .Where(row => row.Pattern is not null)
            .ToLookup(row => row.Sitting, row => (row.Pattern!, row.Label));
    }
}
