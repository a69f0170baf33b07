using Umbick.Core.Timetabling;

namespace Umbick.Core.Progress;

/// <summary>When what is mastered is looked at again.</summary>
public enum RecheckTime
{
    /// <summary>At the next visit.</summary>
    NextVisit,

    /// <summary>In the next school week.</summary>
    NextWeek,

    /// <summary>Three school weeks later.</summary>
    ThreeWeeks,

    /// <summary>In the first week after a long holiday.</summary>
    AfterHoliday,
}

/// <summary>One recheck: a cold start of a pattern that was mastered.</summary>
/// <param name="Time">When.</param>
/// <param name="Due">The day from which on it is due; null where no holiday is known that it could come after.</param>
/// <param name="Held">How it came out; null where it is to come.</param>
public sealed record Recheck(RecheckTime Time, DateOnly? Due, ColdResult? Held);

/// <summary>The rechecks of a pattern, each computed in school time from when the one before was held.</summary>
/// <param name="All">All four, in the order in which they fall due.</param>
public sealed record Rechecks(IReadOnlyList<Recheck> All)
{
    /// <summary>So many answers the pattern's way in one recheck send a child back to practice.</summary>
    public const int MissesToGoBack = 2;

    /// <summary>The next that is to come; null where there is none with a day.</summary>
    public Recheck? Next => All.FirstOrDefault(recheck => recheck is { Held: null, Due: not null });

    /// <summary>Whether all that can be planned have been held.</summary>
    public bool AreOver => All.All(recheck => recheck.Held is not null || recheck.Due is null);

    /// <summary>Plans the rechecks of a pattern, and puts those that were held in their places.</summary>
    /// <param name="from">The day on which they begin: it is mastered, and its practice has ended.</param>
    /// <param name="later">The cold starts of the pattern since, the earliest first. One held before anything is due is none of
    /// them.</param>
    /// <param name="year">The school's year.</param>
    public static Rechecks Plan(DateOnly from, IEnumerable<ColdResult> later, SchoolYear year)
    {
        var spaced = new List<Recheck>();
        var (last, afterHoliday, heldAfterHoliday) = (from, year.AfterNextHoliday(from), default(ColdResult));
        foreach (var cold in later)
        {
            if (spaced.Count <= (int)RecheckTime.ThreeWeeks && Due((RecheckTime)spaced.Count, last, year) is var due && cold.Day >= due)
            {
                spaced.Add(new Recheck((RecheckTime)spaced.Count, due, cold));
                last = cold.Day;
            }
            // The first that is held after the holiday is the one after the holiday, whatever else it is.
            if (heldAfterHoliday is null && cold.Day >= afterHoliday) heldAfterHoliday = cold;
        }
        while (spaced.Count <= (int)RecheckTime.ThreeWeeks)
        {
            last = Due((RecheckTime)spaced.Count, last, year);
            spaced.Add(new Recheck((RecheckTime)spaced.Count, last, null));
        }
        return new Rechecks([.. spaced.Append(new Recheck(RecheckTime.AfterHoliday, afterHoliday, heldAfterHoliday))
            .OrderBy(recheck => recheck.Due ?? DateOnly.MaxValue)]);
    }

    private static DateOnly Due(RecheckTime time, DateOnly last, SchoolYear year) => time switch
    {
        RecheckTime.NextVisit => year.NextDay(last),
        RecheckTime.NextWeek => year.WeeksAfter(last, 1),
        _ => year.WeeksAfter(last, 3),
    };
}
