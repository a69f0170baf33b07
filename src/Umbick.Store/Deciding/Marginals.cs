using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;

namespace Umbick.Store;

/// <summary>What was believed after each sitting, by pattern.</summary>
public static class Marginals
{
    private sealed record Row(SittingId Sitting, string Pattern, string Label);

    private sealed record BeliefRow(SittingId Sitting, string Pattern, double Belief, string Engine);

    /// <summary>Keeps what is believed after a sitting, in place of what was kept before.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="sitting">The sitting.</param>
    /// <param name="marginals">What is believed.</param>
    /// <param name="engine">The version of the model.</param>
    public static async Task Keep(SchoolConnection connection, SittingId sitting, IEnumerable<Marginal> marginals, string engine)
    {
        var all = marginals.ToList();
        await connection.ExecuteAsync(
            """
            -- Two views at once keep one after the other: the second sees what the first has kept.
            select from sitting where id = @sitting for no key update;
            delete from marginal where sitting = @sitting and pattern <> all(@patterns);
            insert into marginal (school, sitting, pattern, belief, label, engine, practice_order)
            select @school, @sitting, pattern, belief, label, @engine, practice_order
            from unnest(@patterns, @beliefs, @labels, @orders) as one (pattern, belief, label, practice_order) order by pattern
            on conflict (school, sitting, pattern) do update set belief = excluded.belief, label = excluded.label,
              engine = excluded.engine, practice_order = excluded.practice_order
            where (marginal.belief, marginal.label, marginal.engine, marginal.practice_order)
              is distinct from (excluded.belief, excluded.label, excluded.engine, excluded.practice_order)
            """,
            new
            {
                school = connection.School,
                sitting,
                engine,
                patterns = all.Select(marginal => marginal.Pattern.Id).ToArray(),
                beliefs = all.Select(marginal => marginal.Belief).ToArray(),
                labels = all.Select(marginal => marginal.Label.ToString()).ToArray(),
                orders = all.Select(marginal => marginal.PracticeOrder).ToArray(),
            });
    }

    /// <summary>Notes what the marginals of a child's last sitting follow from, and what stands out beside them.</summary>
    public static Task NoteSource(SchoolConnection connection, SittingId lastSitting, string concludedFrom, BesidePatterns unnamed) =>
        connection.ExecuteAsync(
        "update sitting set concluded_from = @concludedFrom, unnamed = @unnamed where id = @lastSitting",
        new { lastSitting, concludedFrom, unnamed = unnamed == BesidePatterns.None ? null : unnamed.ToString() });

    /// <summary>What was believed after some sittings, with the engine that computed it.</summary>
    public static async Task<ILookup<SittingId, (Pattern Pattern, double Belief, string Engine)>> Beliefs(
        SchoolConnection connection, IEnumerable<SittingId> sittings)
    {
        var rows = await connection.QueryAsync<BeliefRow>(
            "select sitting, pattern, belief, engine from marginal where sitting = any(@sittings)", new { sittings = sittings.ToArray() });
        return (from row in rows
                let pattern = Catalogue.Find(row.Pattern)
                where pattern is not null
                select (row.Sitting, Pattern: pattern, row.Belief, row.Engine)).ToLookup(row => row.Sitting,
                    row => (row.Pattern, row.Belief, row.Engine));
    }

    /// <summary>The labels after some sittings: first what should be practised first, then the firmest belief.</summary>
    public static async Task<ILookup<SittingId, (Pattern Pattern, Label Label)>> After(
        SchoolConnection connection, IEnumerable<SittingId> sittings)
    {
        var rows = await connection.QueryAsync<Row>(
            "select sitting, pattern, label from marginal where sitting = any(@sittings) order by sitting, practice_order, belief desc",
            new { sittings = sittings.ToArray() });
        return (from row in rows
                let pattern = Catalogue.Find(row.Pattern)
                where pattern is not null && Enum.TryParse<Label>(row.Label, out _)
                select (row.Sitting, Pattern: pattern, Label: Enum.Parse<Label>(row.Label)))
            .ToLookup(row => row.Sitting, row => (row.Pattern, row.Label));
    }
}
