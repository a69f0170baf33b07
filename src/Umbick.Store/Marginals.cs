using System.Data.Common;
using Dapper;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;

namespace Umbick.Store;

/// <summary>What was believed after each sitting, by pattern.</summary>
public static class Marginals
{
    private sealed record Row(Guid Sitting, string Pattern, string Label);

    /// <summary>Keeps what is believed after a sitting.</summary>
    public static async Task Keep(DbConnection connection, Guid school, Guid sitting, Conclusion conclusion)
    {
        await connection.ExecuteAsync("delete from marginal where sitting = @sitting", new { sitting });
        await connection.ExecuteAsync(
            "insert into marginal (school, sitting, pattern, belief, label, engine) values (@school, @sitting, @pattern, @belief, @label, @engine)",
            conclusion.Findings.Select(finding => new
            {
                school,
                sitting,
                pattern = finding.Pattern.Id,
                belief = (float)finding.Belief,
                label = finding.Label.ToString(),
                engine = ReadingModel.Version,
            }));
    }

    /// <summary>The labels after some sittings, the firmest belief first.</summary>
    public static async Task<ILookup<Guid, (Pattern Pattern, Label Label)>> After(DbConnection connection, IEnumerable<Guid> sittings)
    {
        var rows = await connection.QueryAsync<Row>(
            "select sitting, pattern, label from marginal where sitting = any(@sittings) order by sitting, belief desc", new { sittings = sittings.ToArray() });
        return rows
            .Select(row => (row.Sitting, Pattern: Catalogue.Find(row.Pattern), Label: Enum.Parse<Label>(row.Label)))
            .Where(row => row.Pattern is not null)
            .ToLookup(row => row.Sitting, row => (row.Pattern!, row.Label));
    }
}
