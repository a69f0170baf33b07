using Umbick.Core.Diagnosis;

namespace Umbick.Core.Progress;

/// <summary>When a pattern is mastered.</summary>
public static class Mastery
{
    /// <summary>Of so many telling answers, the last ones, so many have to be right.</summary>
    public const int Last = 8, RightNeeded = 7;

    /// <summary>Over so many days no answer may have gone the pattern's way.</summary>
    public const int DaysWithout = 7;

    /// <summary>
    /// Whether cold starts show mastery at their end: seven of the last eight telling answers right; none the pattern's way over cold
    /// starts that span a week or more; and, where they asked to set a clock, one right by setting among those.
    /// </summary>
    /// <param name="colds">The cold starts, the earliest first.</param>
    public static bool IsShownBy(IReadOnlyList<ColdResult> colds)
    {
        var answers = colds.SelectMany(cold => cold.Telling).ToList();
        if (answers.Count < Last || answers.TakeLast(Last).Count(answer => answer.Outcome == TellingOutcome.Right) < RightNeeded)
            return false;
        var without = colds.Reverse().TakeWhile(cold => cold.ItsWay == 0).ToList();
        if (without.Count == 0 || without[0].Day.DayNumber - without[^1].Day.DayNumber < DaysWithout) return false;
        var setting = without.SelectMany(cold => cold.Telling).Where(answer => answer.BySetting).ToList();
        return setting.Count == 0 || setting.Exists(answer => answer.Outcome == TellingOutcome.Right);
    }
}
