using Umbick.Core.Diagnosis;

namespace Umbick.Core.Progress;

/// <summary>Where a pattern stands after practice.</summary>
/// <param name="MasteredOn">The day on which it was mastered; null where it is not.</param>
/// <param name="NextRecheck">The day of the next recheck; null where there is none to come.</param>
/// <param name="BackToPractice">Whether two misses since it was mastered send it back to practice.</param>
public sealed record Rechecks(DateOnly? MasteredOn, DateOnly? NextRecheck, bool BackToPractice)
{
    /// <summary>Days after mastering at which a pattern is checked again, four telling items each.</summary>
    public static IReadOnlyList<int> Days { get; } = [3, 7, 21, 56];

    /// <summary>How many telling items a recheck has.</summary>
    public const int Items = 4;

    private const int Last = 10;
    private const int RightNeeded = 9;
    private const int DaysNeeded = 2;
    private const int Misses = 2;

    /// <summary>Reads off the telling answers where a pattern stands.</summary>
    /// <param name="telling">The telling answers in order, each with its day. One with help counts for nothing here.</param>
    public static Rechecks Of(IReadOnlyList<(DateOnly Day, TellingAnswer Answer)> telling)
    {
        var alone = telling.Where(one => !one.Answer.Given.Helped).ToList();
        for (var count = Last; count <= alone.Count; count++)
        {
            var last = alone.Skip(count - Last).Take(Last).ToList();
            if (last.Count(one => one.Answer.Outcome == TellingOutcome.Right) < RightNeeded || last.Select(one => one.Day).Distinct().Count() < DaysNeeded) continue;
            if (last.TakeLast(2).Any(one => one.Answer.Outcome != TellingOutcome.Right)) continue;
            return Since(last[^1].Day, [.. alone.Skip(count)]);
        }
        return new Rechecks(null, null, false);
    }

    private static Rechecks Since(DateOnly mastered, List<(DateOnly Day, TellingAnswer Answer)> later)
    {
        var back = later.Count(one => one.Answer.Outcome != TellingOutcome.Right) >= Misses;
        var latest = later.Count == 0 ? mastered : later[^1].Day;
        DateOnly? next = back ? null : Days.Select(days => mastered.AddDays(days)).Where(day => day > latest).Cast<DateOnly?>().FirstOrDefault();
        return new Rechecks(mastered, next, back);
    }
}
