
namespace Umbick.Core.Practice;

/// <summary>A part of a visit as it is planned.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Faces">How many clocks it has; 0 where it has none.</param>
/// <param name="Seconds">How long it takes, in seconds.</param>
public sealed record PlannedPart(string Name, int Faces, int Seconds);

/// <summary>How long faces take with so many children, in seconds: what was written down first, or what visits here really took.</summary>
/// <param name="Cold">A clock in the cold start.</param>
/// <param name="Practise">A clock that is practised, with what is said of it.</param>
public sealed record VisitPace(double Cold, double Practise)
{
    /// <summary>What a clock takes with one child, and each child more: it is shown, said or written, and typed.</summary>
    private const double ColdAlone = 14;
    private const double ColdEachMore = 5;
    private const double PractiseAlone = 24;
    private const double PractiseEachMore = 13;

    /// <summary>What was written down first.</summary>
    /// <param name="children">How many children, 1 to 4.</param>
    public static VisitPace Written(int children) =>
        new(ColdAlone + (ColdEachMore * (children - 1)), PractiseAlone + (PractiseEachMore * (children - 1)));
}

/// <summary>What a visit has, so that it fits into a slot of twelve minutes, of which nine are for work.</summary>
/// <param name="Parts">Its parts, in order.</param>
public sealed record VisitPlan(IReadOnlyList<PlannedPart> Parts)
{
    /// <summary>The working minutes of a slot; fetching, settling and notes take the rest.</summary>
    public const int WorkingMinutes = 9;

    /// <summary>So many children come to a cold start or a recheck, and to nothing else.</summary>
    public const int OnlyCold = 4;

    private const int WallClock = 25;
    private const int WallClockEach = 10;
    private const int ShowFirst = 150;
    private const int ShowAgain = 60;
    private const int CloseAlone = 15;
    private const int CloseEachMore = 5;

    /// <summary>How many clocks are practised with so many children: none where four come, for their practice takes too long.</summary>
    /// <param name="children">How many children, 1 to 4.</param>
    public static int Practised(int children) => children switch
    {
        1 => 6,
        < OnlyCold => 4,
        _ => 0,
    };

    /// <summary>Whether each reads the wall clock: one child always, two or three once a week, four never.</summary>
    /// <param name="children">How many children, 1 to 4.</param>
    /// <param name="readThisWeek">Whether it was read in a visit of this week.</param>
    public static bool HasWallClock(int children, bool readThisWeek) => children == 1 || (children < OnlyCold && !readThisWeek);

    /// <summary>Plans a visit.</summary>
    /// <param name="children">How many children, 1 to 4.</param>
    /// <param name="hasWallClock">Whether the wall clock is read.</param>
    /// <param name="isReminder">Whether all have seen the demonstration before.</param>
    /// <param name="pace">How long clocks take here; null: what was written down first.</param>
    public static VisitPlan For(int children, bool hasWallClock, bool isReminder, VisitPace? pace = null)
    {
        var takes = pace ?? VisitPace.Written(children);
        var (cold, practised) = (ColdStart.Telling + 1, Practised(children));
        var parts = new List<PlannedPart>();
        if (hasWallClock) parts.Add(new("the wall clock", 0, WallClock + (WallClockEach * (children - 1))));
        parts.Add(new("cold", cold, (int)Math.Round(cold * takes.Cold)));
        if (practised > 0)
        {
            parts.Add(new("show", 0, isReminder ? ShowAgain : ShowFirst));
            parts.Add(new("practise", practised, (int)Math.Round(practised * takes.Practise)));
            parts.Add(new("close", 1, CloseAlone + (CloseEachMore * (children - 1))));
        }
        return new VisitPlan(parts);
    }

    /// <summary>The whole, in seconds.</summary>
    public int Seconds => Parts.Sum(part => part.Seconds);

    /// <summary>Whether it fits into the working minutes of a slot.</summary>
    public bool Fits => Seconds <= WorkingMinutes * 60;

    /// <summary>It in a line: each part with its minutes, to the half.</summary>
    public string InWords => string.Join(" · ", Parts.Select(part => $"{part.Name} {Minutes(part.Seconds)}"));

    /// <summary>Seconds as minutes to the half, at least a half: <c>2½</c>.</summary>
    public static string Minutes(int seconds)
    {
        var halves = Math.Max(1, (int)Math.Round(seconds / 30.0, MidpointRounding.AwayFromZero));
        return $"{(halves > 1 ? $"{halves / 2}" : "")}{(halves % 2 == 1 ? "½" : "")}";
    }
}
