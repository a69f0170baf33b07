using Umbick.Core.Patterns;
using Umbick.Core.Reports;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Tests;

/// <summary>The service's term: what is told, and what is not.</summary>
public sealed class ServiceTermTests
{
    private static IEnumerable<TermPractice> Of(string pattern, int children, int finished = 0, int from = 0) =>
        Enumerable.Range(from, children).Select(child =>
            new TermPractice(new Guid(child + 1, 0, 0, new byte[8]), Catalogue.Find(pattern)!, child - from < finished ? child - from + 3
                : null));

    private static string Told(ServiceTerm term) => string.Join(" | ", term.Rows.Select(row =>
        $"{string.Join('+', row.Patterns.Select(pattern => pattern.Id))} "
        + $"{row.Practised?.ToString() ?? "?"} {row.Finished?.ToString() ?? "?"} "
        + $"{row.Visits?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "-"}"));

    [Fact]
    public void Few_children_are_told_together_or_not_at_all()
    {
        Assert.Equal("next-hour 12 6 5.5", Told(ServiceTerm.From(12, 40, [.. Of("next-hour", 12, 6)])));
        // Who finished is withheld where the four who did not could be picked out.
        Assert.Equal("next-hour 10 ? -", Told(ServiceTerm.From(10, 40, [.. Of("next-hour", 10, 6)])));
        Assert.Equal("next-hour 8 0 - | hands-swapped+to-as-past 6 0 -",
            Told(ServiceTerm.From(14, 40, [.. Of("next-hour", 8), .. Of("hands-swapped", 3, from: 20), .. Of("to-as-past", 3, from: 40)])));
        // Three alone could be had from all by taking away the eight: the next larger one goes with them.
        Assert.Equal("next-hour 8 0 - | hands-swapped+to-as-past 9 0 -",
            Told(ServiceTerm.From(17, 40, [.. Of("next-hour", 8), .. Of("to-as-past", 6, from: 20), .. Of("hands-swapped", 3, from: 40)])));
        // The same three children with two patterns are three.
        Assert.Equal("hands-swapped+to-as-past ? ? -",
            Told(ServiceTerm.From(3, 9, [.. Of("hands-swapped", 3), .. Of("to-as-past", 3)])));
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(4, null)]
    [InlineData(5, 5)]
    public void How_many_were_seen_is_told_from_five_on(int seen, int? told) => Assert.Equal(told, ServiceTerm.From(seen, 2 * seen,
        []).Seen);

    [Fact]
    public void Terms_follow_each_other_and_share_no_day()
    {
        var terms = SchoolTerm.Until(new DateOnly(2026, 12, 1), 6);
        Assert.Equal(["Autumn 2026", "Summer 2026", "Spring 2026", "Autumn 2025", "Summer 2025", "Spring 2025"], terms.Select(term =>
            term.Name));
        Assert.All(terms.Zip(terms.Skip(1)), pair => Assert.Equal(pair.First.First.AddDays(-1), pair.Second.Last));
        Assert.All(Enumerable.Range(0, 700).Select(new DateOnly(2025, 1, 1).AddDays), day =>
            Assert.True(SchoolTerm.Of(day) is var term && term.First <= day && day <= term.Last));
    }
}
