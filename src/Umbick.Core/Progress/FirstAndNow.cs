using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Timetabling;

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
    /// <summary>After so many school weeks an answer says nothing of now.</summary>
    private const int NowForWeeks = 3;

    /// <summary>Whether the latest telling answer is recent enough to say how it is now.</summary>
    /// <param name="today">The day that it is.</param>
    /// <param name="year">The school's year.</param>
    public bool IsNowOn(DateOnly today, SchoolYear year) => year.WeeksAfter(NowDay, NowForWeeks) >= today;

    /// <summary>The counts of the first sitting and of the latest, as a sentence.</summary>
    public string InWords
    {
        get
        {
            var (first, last) = (Sittings[0], Sittings[^1]);
            var start = $"At first {first.Right} of {first.Telling} telling {(first.Telling == 1 ? "answer" : "answers")} right";
            return Sittings.Count == 1 ? $"{start}. Ask again after practice."
                : $"{start}; on {last.Day.ToString("d MMMM", CultureInfo.InvariantCulture)} {last.Right} of {last.Telling}.";
        }
    }

    /// <summary>Compares the first sitting in which a pattern showed with the latest; null where it never showed.</summary>
    public static FirstAndNow? From(Replay replay, ReadingModel model, Pattern pattern)
    {
        var evidence = Evidence.For(pattern, model, replay.Belief, replay.Observed);
        var telling = evidence.Shown.Where(answer => !answer.Given.Helped).ToList();
        var first = telling.Find(answer => answer.Outcome == TellingOutcome.ItsWay);
        if (first is null) return null;
        var now = Typical([.. telling.Where(answer => SittingOf(answer) == SittingOf(telling[^1]))]);
        var sittings = telling
            .GroupBy(SittingOf)
            .Select(group => new TellingCount(
                replay.DayOf(group.Key), group.Count(), group.Count(answer => answer.Outcome == TellingOutcome.Right)))
            .ToList();
        var since = SittingOf(now) > SittingOf(first);
        return new FirstAndNow(pattern, first, since ? now : null, Day(first), Day(now), sittings);

        int SittingOf(TellingAnswer answer) => replay.Answers[answer.Index].Sitting;

        DateOnly Day(TellingAnswer answer) => replay.DayOf(SittingOf(answer));
    }

    /// <summary>The latest of the answers that came out as most of them did: one slip must not stand for a sitting.</summary>
    private static TellingAnswer Typical(List<TellingAnswer> answers)
    {
        var usual = answers.GroupBy(answer => answer.Outcome).MaxBy(outcome => outcome.Count())!.Key;
        return answers.FindLast(answer => answer.Outcome == usual)!;
    }
}
