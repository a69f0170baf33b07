using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Progress;

/// <summary>How the telling items of one sitting came out.</summary>
/// <param name="Day">The day of the sitting.</param>
/// <param name="Telling">How many telling items were answered without help.</param>
/// <param name="Right">How many of them were right.</param>
public sealed record TellingCount(DateOnly Day, int Telling, int Right);

/// <summary>What a pattern did first and what it does now.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="First">An answer from the first sitting in which it showed.</param>
/// <param name="Now">A telling answer without help that is typical of the latest sitting; null where there is none since the first.</param>
/// <param name="FirstDay">The day of the first sitting in which it showed.</param>
/// <param name="NowDay">The day of the latest answer.</param>
/// <param name="Sittings">Every sitting with a telling item, in order.</param>
public sealed record FirstAndNow(
    Pattern Pattern, TellingAnswer First, TellingAnswer? Now, DateOnly FirstDay, DateOnly NowDay, IReadOnlyList<TellingCount> Sittings)
{
    /// <summary>Compares the first sitting in which a pattern showed with the latest; null where it never showed.</summary>
    public static FirstAndNow? Of(Replay replay, ReadingModel model, Pattern pattern)
    {
        var evidence = Evidence.For(pattern, model, replay.Belief, replay.Observed);
        var telling = evidence.Answers.Where(answer => !answer.Given.Helped).ToList();
        var first = telling.Find(answer => answer.Outcome == TellingOutcome.ItsWay && !IsRight(answer));
        if (first is null) return null;
        var now = Typical([.. telling.Where(answer => SittingOf(answer) == SittingOf(telling[^1]))]);
        var sittings = telling
            .GroupBy(SittingOf)
            .Select(group => new TellingCount(
                replay.Sittings[group.Key].Day, group.Count(), group.Count(answer => answer.Outcome == TellingOutcome.Right)))
            .ToList();
        var since = SittingOf(now) > SittingOf(first);
        return new FirstAndNow(pattern, first, since ? now : null, Day(first), Day(now), sittings);

        int SittingOf(TellingAnswer answer) => replay.Answers[answer.Index].Sitting;

        DateOnly Day(TellingAnswer answer) => replay.Sittings[SittingOf(answer)].Day;
    }

    /// <summary>
    /// The latest of the answers that came out as most of them did: one slip must not stand for a sitting.
    /// Two patterns together can come right by accident, which is no picture of either.
    /// </summary>
    private static TellingAnswer Typical(List<TellingAnswer> answers)
    {
        var usual = answers.GroupBy(answer => answer.Outcome).MaxBy(outcome => outcome.Count())!.Key;
        var like = answers.FindAll(answer => answer.Outcome == usual);
        return like.FindLast(answer => IsRight(answer) == (usual == TellingOutcome.Right)) ?? like[^1];
    }

    private static bool IsRight(TellingAnswer answer) =>
        Scoring.IsRight(answer.Given.Item, answer.Given.Answer, answer.Given.Mode, Stage.EveryMinute);
}
