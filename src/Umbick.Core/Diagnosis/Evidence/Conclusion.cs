using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>What a pattern is called.</summary>
public enum Label
{
    /// <summary>Believed less than two times in five, or less than as often as not and never seen.</summary>
    Unlikely,

    /// <summary>Believed two times in five or more, with an answer its way; or as often as not.</summary>
    Possible,

    /// <summary>Believed four times in five or more, with two telling answers its way and its look-alikes told apart.</summary>
    Likely,

    /// <summary>Once likely; since then believed less than once in five, with four telling answers right over two sittings.</summary>
    Cleared,
}

/// <summary>A pattern, what it is called, and why.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Belief">The belief in it, 0 to 1.</param>
/// <param name="Label">What it is called.</param>
/// <param name="Evidence">What the answers say for and against it.</param>
public sealed record Finding(Pattern Pattern, double Belief, Label Label, Evidence Evidence)
{
    /// <summary>Where it shows.</summary>
    public ShownWhere Shows { get; init; }

    /// <summary>Whether the child reads a clock rightly, and sets one this way.</summary>
    public bool IsInSettingAlone => Shows == ShownWhere.Setting && SettingRule.Covers(Pattern.Step);
}

/// <summary>What was concluded before the latest answers, as far as what is concluded after them goes on from it.</summary>
/// <param name="Answers">How many answers there were by then.</param>
/// <param name="NotExplained">Places (from 0) of wrong answers that nothing explained.</param>
public sealed record ConcludedBefore(int Answers, IReadOnlyList<int> NotExplained);

/// <summary>What some answers say of how a child reads.</summary>
/// <param name="Findings">Patterns believed at 0.05 or more, the firmest first.</param>
/// <param name="Guessing">The belief that the child guesses, 0 to 1.</param>
/// <param name="OtherWays">Steps that may be taken in a way nobody has listed, believed at 0.05 or more, the firmest first.</param>
/// <param name="NotExplainedThen">Places (from 0) of wrong answers that nothing explained of what was believed when they were
/// given.</param>
/// <param name="Answers">How many answers were looked at.</param>
public sealed record Conclusion(
    IReadOnlyList<Finding> Findings, double Guessing, IReadOnlyList<OtherWay> OtherWays, IReadOnlyList<int> NotExplainedThen, int Answers)
{
    /// <summary>
    /// Places (from 0) of wrong answers that nothing explains: what went the way of a pattern that is called likely or possible by now is
    /// none of them, nor what shows a step taken some other way.
    /// </summary>
    public IReadOnlyList<int> Unexplained
    {
        get
        {
            var explained = Findings.Where(finding => finding.Label is Label.Likely or Label.Possible)
                .SelectMany(finding => finding.Evidence.Answers)
                .Where(answer => answer.Outcome == TellingOutcome.ItsWay).Select(answer => answer.Index)
                .Concat(OtherAt.SelectMany(other => other.Answers)).ToHashSet();
            return [.. NotExplainedThen.Where(index => !explained.Contains(index))];
        }
    }

    /// <summary>The patterns called likely, the firmest first.</summary>
    public IEnumerable<Finding> Likely => Findings.Where(finding => finding.Label == Label.Likely);

    /// <summary>The steps that are probably taken in a way nobody has listed, the firmest first.</summary>
    public IReadOnlyList<OtherWay> OtherAt => [.. OtherWays.Where(other => other.Label is Label.Likely or Label.Possible)];

    /// <summary>Whether the answers are probably guessed.</summary>
    public bool IsGuessing => Guessing >= ModelParameters.GuessingFrom;

    /// <summary>What stands out beside the patterns of reading.</summary>
    public BesidePatterns Beside =>
        IsGuessing ? BesidePatterns.Guessing
        : Findings.Any(finding => finding.Pattern.Step == Step.Answering && finding.Label is Label.Likely or Label.Possible)
        ? BesidePatterns.SameAnswer
        : OtherAt.Count > 0 ? BesidePatterns.OtherWay
        : MostlyWrong && !Findings.Any(finding => finding.Label is Label.Likely or Label.Possible) ? BesidePatterns.MuchWrong
        : BesidePatterns.None;

    /// <summary>How often the child follows their way, by what is believed, 0 to 1.</summary>
    public double Consistency { get; init; } = 1;

    /// <summary>Whether more of the latest answers came out wrong than right.</summary>
    public bool MostlyWrong { get; init; }

    /// <summary>The belief, 0 to 1, that a quarter is 25 or a half is 50: who thinks so is more likely to count in hundreds.</summary>
    public double Hundreds =>
        Math.Min(1, Findings.Where(finding =>
            Catalogue.Linked.Any(link => link.First == finding.Pattern.Id || link.Second == finding.Pattern.Id))
                .Sum(finding => finding.Belief));

    /// <summary>Whether another says the same: the same patterns are likely or possible, and the same stands out beside them.</summary>
    public bool SaysTheSameAs(Conclusion other) => Beside == other.Beside && LabelsGiven().SetEquals(other.LabelsGiven());

    private HashSet<(Pattern Pattern, Label Label)> LabelsGiven() =>
        [.. Findings.Where(finding => finding.Label is Label.Likely or Label.Possible).Select(finding => (finding.Pattern, finding.Label))];

    /// <summary>Reads off what a belief, reached by these answers, says.</summary>
    /// <param name="model">The model.</param>
    /// <param name="belief">The belief.</param>
    /// <param name="answers">Every answer up to now.</param>
    /// <param name="before">What was concluded before the latest answers; what was unexplained then stays so, by what was believed
    /// then.</param>
    /// <param name="reach">What the times taught so far can show; null for those that were asked.</param>
    public static Conclusion From(
        ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, ConcludedBefore? before = null, Reach? reach = null)
    {
        reach ??= Reach.Of(model, answers);
        var pairs = Catalogue.Pairs.Where(pair => NotParted.Holds(pair, model, belief, answers, reach)).ToList();
        var findings = model.Patterns.Where(pattern => !pairs.Exists(pair => pair.Covers(pattern))).Concat(pairs)
            .Append(Catalogue.Find(Catalogue.SameAnswer)!)
            .Select(pattern => (Pattern: pattern, Belief: belief.ProbabilityOf(pattern)))
            .Where(pattern => pattern.Belief >= ModelParameters.WorthNaming)
            .OrderByDescending(pattern => pattern.Belief)
            .Select(pattern =>
            {
                var evidence = Evidence.For(pattern.Pattern, model, belief, answers, before?.Answers ?? 0, reach);
                return new Finding(pattern.Pattern, pattern.Belief, LabelOf(pattern.Belief, evidence.IsSeen, evidence.Suffices), evidence)
                { Shows = belief.WhereShown(pattern.Pattern) };
            })
            .ToList();
        var repeated = findings.Where(finding => finding.Pattern.Step == Step.Answering && finding.Label != Label.Unlikely)
            .SelectMany(finding => finding.Evidence.Answers).Where(answer => answer.Outcome == TellingOutcome.ItsWay)
            .Select(answer => answer.Index).ToHashSet();
        return new Conclusion(findings, belief.Guessing, OtherWay.All(model, belief, answers),
            [.. before?.NotExplained ?? [],
                .. UnexplainedAmong(belief, answers, before?.Answers ?? 0).Where(index => !repeated.Contains(index))], answers.Count)
        {
            Consistency = belief.Consistency,
            MostlyWrong = IsMostlyWrong([.. answers.Skip(before?.Answers ?? 0)]),
        };
    }

    private static bool IsMostlyWrong(IReadOnlyCollection<ObservedAnswer> latest) =>
        latest.Count(answer => answer.Given.Answer.IsScored) is var scored && scored >= ModelParameters.FewestToJudge
            && 2 * latest.Count(answer =>
            Scoring.IsRight(answer.Given.Item, answer.Given.Answer, answer.Given.Mode, Stage.EveryMinute)) < scored;

    /// <summary>What a pattern is called that was never called likely before: the one place where it is decided.</summary>
    /// <param name="belief">The belief in it, 0 to 1.</param>
    /// <param name="isSeen">Whether any answer went its way.</param>
    /// <param name="suffices">Whether enough of its telling answers went its way.</param>
    public static Label LabelOf(double belief, bool isSeen, bool suffices) => belief switch
    {
        >= ModelParameters.LikelyFrom when suffices => Label.Likely,
        >= ModelParameters.PossibleFrom when isSeen => Label.Possible,
        >= ModelParameters.NeverPassedOverFrom => Label.Possible,
        _ => Label.Unlikely,
    };

    private static IEnumerable<int> UnexplainedAmong(Belief belief, IReadOnlyList<ObservedAnswer> answers, int from)
    {
        for (var index = from; index < answers.Count; index++)
        {
            var given = answers[index].Given;
            if (Scoring.IsRight(given.Item, given.Answer, given.Mode, Stage.EveryMinute)) continue;
            if (given.Answer is Clocks.Unread or Clocks.Estimate) yield return index;
            foreach (var seen in answers[index].Observations.Where(seen => !seen.IsRight).Take(1))
            {
                if (belief.ListedProbabilityOf(seen) < ModelParameters.ExplainedFrom) yield return index;
            }
        }
    }
}
