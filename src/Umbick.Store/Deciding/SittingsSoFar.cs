using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;

namespace Umbick.Store;

/// <summary>What the answers said in the middle of a sitting.</summary>
/// <param name="Child">The child.</param>
/// <param name="Clock">When that was concluded, by the school's clock.</param>
/// <param name="From">What it was concluded from.</param>
/// <param name="Labels">Patterns with their labels: first what should be practised first, then the firmest belief.</param>
/// <param name="Beside">What stands out beside them.</param>
public sealed record SaidSoFar(
    ChildId Child, string Clock, string From, IReadOnlyList<(Pattern Pattern, Label Label)> Labels, BesidePatterns Beside);

/// <summary>
/// What is said in the middle of sittings, apart from what stands at their ends: lists tell it, and files and progress do not.
/// </summary>
public static class SittingsSoFar
{
    private sealed class Row
    {
        public ChildId Child { get; init; }

        public string Clock { get; init; } = "";

        public string ConcludedFrom { get; init; } = "";

        public string[] Patterns { get; init; } = [];

        public string[] Labels { get; init; } = [];

        public string? Beside { get; init; }
    }

    /// <summary>That of some children's askings that go on.</summary>
    public static async Task<IReadOnlyDictionary<ChildId, SaidSoFar>> Of(
        SchoolConnection connection, IReadOnlyCollection<SittingId> sittings)
    {
        if (sittings.Count == 0) return new Dictionary<ChildId, SaidSoFar>();
        var rows = await connection.QueryAsync<Row>(
            $"""
            select child, to_char(concluded_at at time zone {Schools.TimeZone}, 'FMHH24:MI') as clock, so_far.concluded_from,
              patterns, labels, beside
            from sitting_so_far so_far join sitting on sitting.school = so_far.school and sitting.id = so_far.sitting
            where so_far.sitting = any(@sittings) and sitting.ended_at is null
            """,
            new { sittings = sittings.ToArray() });
        return rows.ToDictionary(row => row.Child, row => new SaidSoFar(
            row.Child, row.Clock, row.ConcludedFrom,
            [
                .. from each in row.Patterns.Zip(row.Labels)
                   let pattern = Catalogue.Find(each.First)
                   where pattern is not null && Enum.TryParse<Label>(each.Second, out _)
                   select (pattern, Enum.Parse<Label>(each.Second)),
            ],
            Enum.TryParse<BesidePatterns>(row.Beside, out var beside) ? beside : BesidePatterns.None));
    }

    /// <summary>Keeps what is said now in a sitting that goes on.</summary>
    public static Task Keep(SchoolConnection connection, SittingId sitting, SaidSoFar said, DateTime at) => connection.ExecuteAsync(
        """
        insert into sitting_so_far (school, sitting, concluded_from, concluded_at, patterns, labels, beside)
        select @school, @sitting, @From, @at, @patterns, @labels, @beside where exists (select from sitting where id = @sitting)
        on conflict (school, sitting) do update set concluded_from = excluded.concluded_from, concluded_at = excluded.concluded_at,
          patterns = excluded.patterns, labels = excluded.labels, beside = excluded.beside
        """,
        new
        {
            school = connection.School,
            sitting,
            said.From,
            at,
            patterns = said.Labels.Select(label => label.Pattern.Id).ToArray(),
            labels = said.Labels.Select(label => label.Label.ToString()).ToArray(),
            beside = said.Beside == BesidePatterns.None ? null : said.Beside.ToString(),
        });

    /// <summary>Forgets what was said in a sitting that is over.</summary>
    public static Task Forget(SchoolConnection connection, SittingId sitting) =>
        connection.ExecuteAsync("delete from sitting_so_far where sitting = @sitting", new { sitting });
}
