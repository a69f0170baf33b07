namespace Umbick.Core.Timetabling;

/// <summary>A place in the week that is fixed for the term. Its children come then; what they do is decided from day to day.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Weekday">The day of the week.</param>
/// <param name="From">When it begins, by the school's clock.</param>
/// <param name="Minutes">How long it is, 5 to 60.</param>
/// <param name="Children">Who it is for, four at most; nobody: it is kept free for whatever is due.</param>
public sealed record Slot(SlotId Id, DayOfWeek Weekday, TimeOnly From, int Minutes, IReadOnlyList<ChildId> Children)
{
    /// <summary>Who sees its children; null where that is not said.</summary>
    public PersonId? Teacher { get; init; }

    /// <summary>Whether somebody filled it, or keeps it free: then no plan changes it.</summary>
    public bool IsByHand { get; init; }

    /// <summary>The most children that one is for.</summary>
    public const int MostChildren = 4;

    /// <summary>The shortest and the longest that one may be.</summary>
    public const int Shortest = 5, Longest = 60;

    /// <summary>How long one usually is.</summary>
    public const int Usual = 12;

    /// <summary>Why it cannot stand in a timetable; null where it can.</summary>
    /// <param name="others">The other slots.</param>
    /// <param name="nameOf">What a child is called.</param>
    public string? Fault(IEnumerable<Slot> others, Func<ChildId, string> nameOf)
    {
        if (Weekday is DayOfWeek.Saturday or DayOfWeek.Sunday) return "Choose a day from Monday to Friday.";
        if (Minutes is < Shortest or > Longest) return $"A slot has {Shortest} to {Longest} minutes.";
        if (EndMinute > 24 * 60) return "The slot has to end on the same day.";
        if (Children.Count > MostChildren) return $"{MostChildren} children at most can be seen together.";
        if (Teacher is not null && others.FirstOrDefault(other => other.Id != Id && Overlaps(other)
            && other.Teacher == Teacher) is { } busy)
        {
            return $"Its teacher has another slot at that time, at "
                + $"{busy.From.ToString("H:mm", System.Globalization.CultureInfo.InvariantCulture)}.";
        }
        return others.FirstOrDefault(other => other.Id != Id && Overlaps(other) && other.Children.Intersect(Children).Any()) is { } clash
            ? $"{nameOf(clash.Children.Intersect(Children).First())} is in another slot at that time, at "
            + $"{clash.From.ToString("H:mm", System.Globalization.CultureInfo.InvariantCulture)}."
            : null;
    }

    /// <summary>When it is over, in minutes since midnight.</summary>
    public int EndMinute => StartMinute + Minutes;

    /// <summary>Whether it is over at a time of its day.</summary>
    public bool IsOverAt(TimeOnly time) => EndMinute <= (time.Hour * 60) + time.Minute;

    /// <summary>When it begins, in minutes since midnight.</summary>
    public int StartMinute => (From.Hour * 60) + From.Minute;

    /// <summary>Whether it is kept free for whatever is due.</summary>
    public bool IsFree => Children.Count == 0;

    /// <summary>Whether another is held at the same time; one that begins when another ends is not.</summary>
    public bool Overlaps(Slot other) => Weekday == other.Weekday && StartMinute < other.EndMinute && other.StartMinute < EndMinute;
}

/// <summary>A time at which a class's children may not be fetched.</summary>
/// <param name="Class">The class.</param>
/// <param name="Weekday">The day of the week.</param>
/// <param name="From">When it begins.</param>
/// <param name="To">When it ends, later than it begins.</param>
/// <param name="What">What the class does then.</param>
public sealed record BarredTime(string Class, DayOfWeek Weekday, TimeOnly From, TimeOnly To, string What)
{
    /// <summary>The most signs that a class's name has, and what it does.</summary>
    public const int LongestText = 60;

    /// <summary>Why it cannot stand in a timetable; null where it can.</summary>
    public string? Fault =>
        Class.Length is 0 or > LongestText ? "Say which class."
        : To <= From ? "It has to end after it begins."
        : Weekday is DayOfWeek.Saturday or DayOfWeek.Sunday ? "Choose a day from Monday to Friday."
        : What.Length > LongestText ? $"Say in at most {LongestText} characters what the class does then."
        : null;

    /// <summary>Whether it takes any of a slot's time from a child of the class.</summary>
    public bool Bars(Slot slot, string childsClass) =>
        string.Equals(Class, childsClass, StringComparison.OrdinalIgnoreCase) && Weekday == slot.Weekday
        && (From.Hour * 60) + From.Minute < slot.EndMinute && slot.StartMinute < (To.Hour * 60) + To.Minute;
}

/// <summary>A child who cannot come on a day.</summary>
/// <param name="Child">The child.</param>
/// <param name="Day">The day.</param>
/// <param name="IsAbsent">Whether the child is not there at all; else the class did not let them go.</param>
public sealed record Absence(ChildId Child, DateOnly Day, bool IsAbsent = true);

/// <summary>A child who comes on one day in another's place.</summary>
/// <param name="Slot">The slot.</param>
/// <param name="Day">The day.</param>
/// <param name="Child">The child.</param>
public sealed record StandIn(SlotId Slot, DateOnly Day, ChildId Child);
