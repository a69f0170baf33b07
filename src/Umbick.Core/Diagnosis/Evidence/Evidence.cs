using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>How a telling item came out.</summary>
public enum TellingOutcome
{
    /// <summary>As the pattern would answer.</summary>
    ItsWay,

    /// <summary>Right.</summary>
    Right,

    /// <summary>Neither.</summary>
    Otherwise,
}

/// <summary>An item at which a pattern and the same child without it would answer differently, and what was answered.</summary>
/// <param name="Index">The answer's place among all the answers that were looked at, from 0.</param>
/// <param name="Given">The answer.</param>
/// <param name="Expected">What the pattern would answer.</param>
/// <param name="Outcome">How it came out.</param>
public sealed record TellingAnswer(int Index, ItemAnswer Given, Answer Expected, TellingOutcome Outcome)
{
    /// <summary>Whether it came right by accident, as two patterns together can: that is no picture of either.</summary>
    public bool IsAccident => Outcome == TellingOutcome.ItsWay && Given.IsRight;
}

/// <summary>Evidence in figures.</summary>
/// <param name="Telling">How many telling answers were given without help.</param>
/// <param name="ItsWay">How many of them went the pattern's way.</param>
/// <param name="Right">How many of them came right.</param>
public sealed record EvidenceCount(int Telling, int ItsWay, int Right)
{
    /// <summary>Counts answers that are shown.</summary>
    public static EvidenceCount From(IEnumerable<TellingAnswer> shown)
    {
        var counted = shown.Where(answer => !answer.Given.Helped).ToList();
        return new(counted.Count, counted.Count(answer => answer.Outcome == TellingOutcome.ItsWay),
            counted.Count(answer => answer.Outcome == TellingOutcome.Right));
    }

    /// <summary>It as a sentence.</summary>
    public string InWords => Telling == 0
        ? "It has shown with help only."
        : $"Of {Telling} telling {(Telling == 1 ? "answer" : "answers")} {ItsWay} came out that way, {Right} right.";
}

/// <summary>What the answers say for and against one pattern.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Answers">The answers at telling items, in the order in which they were given.</param>
/// <param name="NotYetTold">Look-alikes that no answer has told it from yet.</param>
public sealed record Evidence(Pattern Pattern, IReadOnlyList<TellingAnswer> Answers, IReadOnlyList<Pattern> NotYetTold)
{
    /// <summary>
    /// Whether no other pattern by itself gives every answer that went its way, where those are the fewest that may be enough.
    /// </summary>
    public bool OnlyThis { get; init; } = true;

    /// <summary>Whether it shows at one place of the minute hand only, by its rule or in what is taught so far.</summary>
    public bool ShowsAtOnePlace { get; init; }

    /// <summary>The evidence as it is shown: what came right by accident is none, for or against.</summary>
    public IReadOnlyList<TellingAnswer> Shown => [.. Answers.Where(answer => !answer.IsAccident)];

    /// <summary>
    /// How many of what is shown was answered without help, how many of those went its way, and how many came right: the only count that is
    /// told.
    /// </summary>
    public EvidenceCount Count => EvidenceCount.From(Shown);

    /// <summary>Whether any answer went its way, with help or without.</summary>
    public bool IsSeen => Answers.Any(answer => answer.Outcome == TellingOutcome.ItsWay);

    /// <summary>How many telling items went the pattern's way without help; what came right by accident is none of them.</summary>
    public int ItsWay => GoneItsWay.Count();

    /// <summary>How many telling items went another way.</summary>
    public int Otherwise => Answers.Count(answer => answer.Outcome == TellingOutcome.Otherwise && !answer.Given.Helped);

    /// <summary>
    /// Whether it went its way at places of the minute hand that are far enough apart, or at several. Near one place many ways of reading
    /// come to the same: whoever rounds to quarters leaves out the minutes, too, when three have gone.
    /// </summary>
    public bool SeenApart =>
        Pattern.Step != Step.Minutes || ShowsAtOnePlace || MinutesSeen.Any(a => MinutesSeen.Any(b => AreApart(a, b)))
        || MinutesSeen.Distinct().Count() > ModelParameters.TellingNeeded;

    /// <summary>
    /// Whether enough has been seen to call it: enough its way and fewer some other way, not denied of late, apart, and told from its
    /// look-alikes. The least that is enough is enough only where nothing else gives those answers and no more answers speak against it
    /// than for it.
    /// </summary>
    public bool Suffices => ItsWay >= ModelParameters.TellingNeeded && SeenApart && NotYetTold.Count == 0
        && !IsDenied && (ItsWay > ModelParameters.TellingNeeded ? Otherwise < ItsWay && HoldsAllRound
        : OnlyThis && Otherwise < ItsWay && Right + Otherwise <= ItsWay);

    /// <summary>Whether the latest telling answers deny it: of so many hardly one went its way.</summary>
    public bool IsDenied
    {
        get
        {
            var latest = Answers.Where(answer => !answer.Given.Helped).TakeLast(ModelParameters.LatestTelling).ToList();
            return latest.Count == ModelParameters.LatestTelling
                && latest.Count(answer => answer.Outcome == TellingOutcome.ItsWay) < ModelParameters.TellingNeeded;
        }
    }

    /// <summary>
    /// Whether it holds on both sides of the face, as far as it was asked there. Counted minutes that come right again and again on one
    /// side and go its way on the other only are another way of counting, though it looks alike: whoever leaves out the 6 does not begin at
    /// the 1. Of hands and hours there is no such other way: to take the hour before from half past on is that pattern, late in the hour.
    /// </summary>
    public bool HoldsAllRound => Pattern.Step != Step.Minutes || (!IsSilentOn(late: true) && !IsSilentOn(late: false));

    /// <summary>The minutes at which it went its way without help.</summary>
    public IEnumerable<int> MinutesSeen => GoneItsWay.Select(answer => answer.Given.Item.Time.Minute);

    private IEnumerable<TellingAnswer> GoneItsWay =>
        Shown.Where(answer => answer.Outcome == TellingOutcome.ItsWay && !answer.Given.Helped);

    private bool IsSilentOn(bool late)
    {
        var there = Answers.Where(answer => answer.Given.Item.Time.Minute % 30 != 0 && answer.Given.Item.Time.Minute > 30 == late).ToList();
        return there.Count(answer => answer.Outcome == TellingOutcome.Right && !answer.Given.Helped) >= ModelParameters.TellingNeeded
            && !there.Exists(answer => answer.Outcome == TellingOutcome.ItsWay);
    }

    /// <summary>Whether two places of the minute hand are far enough apart to be two.</summary>
    public static bool AreApart(int a, int b) => HandPositions.MinutesApart(a, b) > ModelParameters.NearMinutes;

    /// <summary>How many telling items came right without help.</summary>
    public int Right => Answers.Count(answer => answer.Outcome == TellingOutcome.Right && !answer.Given.Helped);

    /// <summary>Gathers the evidence for a pattern, in the light of the best-supported procedure that holds it.</summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="model">The model.</param>
    /// <param name="belief">What is believed after these answers.</param>
    /// <param name="answers">Every answer up to now.</param>
    /// <param name="latest">The place in them at which the latest sitting begins: an answer is given again within one sitting.</param>
    /// <param name="reach">What the times taught so far can show; null for those that were asked.</param>
    public static Evidence For(
        Pattern pattern, ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, int latest = 0, Reach? reach = null)
    {
        if (pattern.Step == Step.Answering) return OfRepeating(pattern, answers, latest);
        var space = model.Space;
        var with = AsShown(belief.Best(pattern), pattern, model, answers);
        var without = space.Without(with, pattern);
        var alike = pattern.Alike
            .Select(id => model.Patterns.FirstOrDefault(other => other.Id == id))
            .OfType<Pattern>()
            .Where(other => !pattern.Covers(other))
            .Select(other => (Pattern: other, Procedure: space.With(without, other.Step, space.StateWith(other))))
            .Where(other => other.Procedure >= 0)
            .ToList();
        var (told, hints) = (new bool[alike.Count], new int[alike.Count]);
        var telling = new List<TellingAnswer>();
        var its = new List<Observation>();
        for (var index = 0; index < answers.Count; index++)
        {
            foreach (var seen in answers[index].Observations)
            {
                var fitsWith = seen.ChanceOf(with) > ModelParameters.FittingFrom;
                // A look-alike is told apart wherever this pattern fits the answer and the look-alike does not, telling or not.
                for (var other = 0; fitsWith && other < alike.Count; other++)
                {
                    // Said in words that are not its own, it may be the look-alike's once, and not again and again.
                    var chance = seen.ChanceOf(alike[other].Procedure);
                    if (chance <= ModelParameters.OtherWordsFit * seen.ChanceOf(with)) hints[other]++;
                    if (chance < ModelParameters.FittingFrom || hints[other] >= ModelParameters.TellingNeeded) told[other] = true;
                }
                var itsAnswer = seen.LikeliestOf(with);
                if (itsAnswer == seen.LikeliestOf(without)) continue;
                // A pattern may have several answers to one item; any of them goes its way unless the same child without it gives it too.
                var itsWay = fitsWith && seen.ChanceOf(without) < ModelParameters.FittingFrom;
                var outcome = itsWay ? TellingOutcome.ItsWay : seen.IsRight ? TellingOutcome.Right : TellingOutcome.Otherwise;
                if (itsWay && !seen.Helped) its.Add(seen);
                telling.Add(new TellingAnswer(index, answers[index].Given, seen.Prediction.Answers[itsAnswer], outcome));
            }
        }
        return new Evidence(pattern, telling, [.. alike.Where((_, other) => !told[other]).Select(other => other.Pattern)])
        {
            ShowsAtOnePlace = pattern.ShowsAtOnePlace
                || (pattern.Step == Step.Minutes && !(reach ?? Reach.Of(model, answers)).ShowsApart(pattern)),
            OnlyThis = its.Count != ModelParameters.TellingNeeded
                || !model.Patterns.Any(other =>
                !pattern.Covers(other) && !pattern.Alike.Contains(other.Id) && GivesAll(model, without, other, its)),
        };
    }

    /// <summary>
    /// What was ever read a pattern's way is looked at as read, however much is set alone by now: else it could not be unlearned.
    /// </summary>
    private static int AsShown(int procedure, Pattern pattern, ReadingModel model, IReadOnlyList<ObservedAnswer> answers)
    {
        var space = model.Space;
        if (space.ChoiceOf(procedure, Step.Setting) != ProcedureSpace.ChoiceOf(SetAs.Alone)) return procedure;
        var read = space.With(procedure, Step.Setting, ProcedureSpace.ChoiceOf(SetAs.Read));
        var without = space.Without(read, pattern);
        return answers.SelectMany(answer => answer.Observations).Any(seen => !seen.Prediction.SubSpace.Steps.Contains(Step.Setting)
            && seen.ChanceOf(read) > ModelParameters.FittingFrom && seen.ChanceOf(without) < ModelParameters.FittingFrom)
            ? read : procedure;
    }

    private static bool GivesAll(ReadingModel model, int without, Pattern other, List<Observation> its) =>
        Enumerable.Range(0, model.Space.At(other.Step).Count).Where(state => model.Space.At(other.Step)[state].Holds(other))
            .Select(state => model.Space.With(without, other.Step, state))
            .Any(procedure => procedure >= 0 && its.TrueForAll(seen => seen.ChanceOf(procedure) > ModelParameters.OtherWordsFit));

    /// <summary>What speaks for one answer given again and again: an item tells where the answers before would be wrong.</summary>
    private static Evidence OfRepeating(Pattern pattern, IReadOnlyList<ObservedAnswer> answers, int latest)
    {
        var given = new List<Answer>();
        var telling = new List<TellingAnswer>();
        for (var index = latest; index < answers.Count; index++)
        {
            if (answers[index].Observations is not [var seen, ..] || answers[index].Given.Telling.Meaning is null) continue;
            var answer = answers[index].Given.Telling;
            if (given.Count > 0 && given[^1].Meaning != seen.Prediction.Item.Time)
            {
                var outcome = seen.IsRight ? TellingOutcome.Right
                    : given.Exists(before => before.Meaning == answer.Meaning) ? TellingOutcome.ItsWay : TellingOutcome.Otherwise;
                telling.Add(new TellingAnswer(index, answers[index].Given, given[^1], outcome));
            }
            given.Add(answer);
        }
        return new Evidence(pattern, telling, []);
    }
}

/// <summary>An answer with the readings of a clock that lie in it.</summary>
/// <param name="Given">The answer.</param>
/// <param name="Observations">Its readings, held against the model; none where it says nothing.</param>
public sealed record ObservedAnswer(ItemAnswer Given, IReadOnlyList<Observation> Observations)
{
    /// <summary>Holds answers against the model.</summary>
    public static IReadOnlyList<ObservedAnswer> All(ReadingModel model, IEnumerable<ItemAnswer> answers) =>
        [.. answers.Select(given => new ObservedAnswer(given, model.Observe(given)))];
}
