using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>A pattern, and how much it spoils.</summary>
/// <param name="Finding">What is known of the pattern.</param>
/// <param name="ShareWrong">The share of the stage's items that the pattern alone gets wrong, 0 to 1.</param>
/// <param name="Consistency">How often the child follows their way, 0 to 1.</param>
public sealed record PracticeWorth(Finding Finding, double ShareWrong, double Consistency = 1)
{
    /// <summary>
    /// The share of the stage's items, 0 to 1, that this child is believed to get wrong by it: not all of what the pattern spoils, for
    /// nobody is sure, and no child holds to a way always.
    /// </summary>
    public double ShareBelievedWrong => Worth * Consistency;

    /// <summary>What practising it is worth: belief times what it spoils.</summary>
    public double Worth => Finding.Belief * ShareWrong;
}

/// <summary>Which pattern to practise first: the one that spoils most; where that is close, the one at the earlier step.</summary>
public static class WhichFirst
{
    private const double Close = 0.1;

    /// <summary>The patterns called likely or possible, the one to practise first at the front.</summary>
    public static IReadOnlyList<PracticeWorth> Order(ReadingModel model, Conclusion conclusion, Stage stage)
    {
        var impacts = conclusion.Findings
            .Where(finding => finding.Label is Label.Likely or Label.Possible && finding.Pattern.Step != Step.Answering)
            .Select(finding => new PracticeWorth(finding, ShareWrong(model, finding.Pattern, stage), conclusion.Consistency))
            .OrderByDescending(impact => impact.Finding.Label == Label.Likely)
            .ThenByDescending(impact => Math.Floor(impact.Worth / Close))
            .ThenBy(impact => impact.Finding.Pattern.Step);
        return [.. impacts];
    }

    private static double ShareWrong(ReadingModel model, Pattern pattern, Stage stage)
    {
        var items = ItemBank.Upto(stage, [PracticeTasks.For(pattern)]);
        return items.Count == 0 ? 0 : items.Count(HeldPattern.Plain(model, pattern).IsTelling) / (double)items.Count;
    }
}
