using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>One sitting's answers, in the order in which they were given.</summary>
/// <param name="Day">The day of the sitting.</param>
/// <param name="Answers">The answers that stand: one put right later stands in its corrected form.</param>
/// <param name="Practised">The steps that this sitting practised; none where it only asked.</param>
public sealed record SittingAnswers(DateOnly Day, IReadOnlyList<GivenAnswer> Answers, IReadOnlyCollection<Step> Practised)
{
    /// <summary>What the teacher said of patterns in or after this sitting, and has not taken back.</summary>
    public IReadOnlyList<TeacherWord> Words { get; init; } = [];
}

/// <summary>The teacher's own word on a pattern: evidence too, shown as hers.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Holds">Whether she confirms it; otherwise she rules it out.</param>
/// <param name="Reason">Her reason.</param>
public sealed record TeacherWord(Pattern Pattern, bool Holds, string Reason);

/// <summary>What was believed after a sitting.</summary>
/// <param name="Day">The day of the sitting.</param>
/// <param name="Conclusion">What all answers up to then said.</param>
public sealed record AfterSitting(DateOnly Day, Conclusion Conclusion);

/// <summary>
/// Belief is always replayed from the answers, so that one entered late or put right changes all that came after it.
/// </summary>
public sealed class Replay
{
    private const int RightNeeded = 4;
    private const int SittingsNeeded = 2;

    private Replay(Belief belief, IReadOnlyList<AfterSitting> sittings, IReadOnlyList<(int Sitting, GivenAnswer Given)> answers, IReadOnlyList<Observed> observed)
    {
        Belief = belief;
        Sittings = sittings;
        Answers = answers;
        Observed = observed;
    }

    /// <summary>What is believed after the last sitting.</summary>
    public Belief Belief { get; }

    /// <summary>What was believed after each sitting that was asked for, in order.</summary>
    public IReadOnlyList<AfterSitting> Sittings { get; }

    /// <summary>Every answer with the place of its sitting, in order: <see cref="TellingAnswer.Index"/> points here.</summary>
    public IReadOnlyList<(int Sitting, GivenAnswer Given)> Answers { get; }

    /// <summary>The same answers held against the model.</summary>
    public IReadOnlyList<Observed> Observed { get; }

    /// <summary>The place in <see cref="Answers"/> at which the latest sitting begins.</summary>
    public int LatestFrom => Answers.Count(answer => answer.Sitting < Answers[^1].Sitting);

    /// <summary>What all answers say now.</summary>
    public Conclusion Now => Sittings[^1].Conclusion;

    /// <summary>Replays a child's sittings.</summary>
    /// <param name="model">The model.</param>
    /// <param name="sittings">The sittings, the earliest first.</param>
    public static Replay Of(ReadingModel model, IReadOnlyList<SittingAnswers> sittings)
    {
        var belief = new Belief(model);
        var (answers, observed) = (new List<(int Sitting, GivenAnswer Given)>(), new List<Observed>());
        var after = new List<AfterSitting>();
        var lastLikely = new Dictionary<Pattern, int>();
        for (var i = 0; i < sittings.Count; i++)
        {
            if (i > 0) belief.Loosen(sittings[i].Day.DayNumber - sittings[i - 1].Day.DayNumber, sittings[i - 1].Practised);
            foreach (var given in sittings[i].Answers)
            {
                answers.Add((i, given));
                observed.Add(new Observed(given, model.Observe(given)));
                foreach (var observation in observed[^1].Observations) belief.Observe(observation);
            }
            foreach (var word in sittings[i].Words) belief.Hear(word.Pattern, word.Holds);
            var conclusion = Conclusion.Of(model, belief, observed, after.Count == 0 ? null : after[^1].Conclusion);
            conclusion = WithCleared(conclusion, model, belief, answers, observed, lastLikely);
            foreach (var finding in conclusion.Likely) lastLikely[finding.Pattern] = i;
            after.Add(new AfterSitting(sittings[i].Day, conclusion));
        }
        if (after.Count == 0) after.Add(new AfterSitting(default, Conclusion.Of(model, belief, [])));
        return new Replay(belief, after, answers, observed);
    }

    private static Conclusion WithCleared(
        Conclusion conclusion, ReadingModel model, Belief belief, List<(int Sitting, GivenAnswer Given)> answers, List<Observed> observed, Dictionary<Pattern, int> lastLikely)
    {
        if (lastLikely.Count == 0) return conclusion;
        var findings = conclusion.Findings.ToList();
        foreach (var (pattern, sitting) in lastLikely)
        {
            var share = belief.In(pattern);
            if (share >= Conclusion.ClearedBelow) continue;
            var evidence = Evidence.For(pattern, model, belief, observed);
            var right = evidence.Answers
                .Where(answer => answer.Outcome == TellingOutcome.Right && answers[answer.Index].Sitting > sitting && !answer.Given.Helped)
                .Select(answer => answers[answer.Index].Sitting)
                .ToList();
            if (right.Count < RightNeeded || right.Distinct().Count() < SittingsNeeded) continue;
            findings.RemoveAll(finding => finding.Pattern == pattern);
            findings.Add(new Finding(pattern, share, Label.Cleared, evidence));
        }
        return conclusion with { Findings = findings };
    }
}
