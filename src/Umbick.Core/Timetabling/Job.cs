namespace Umbick.Core.Timetabling;

/// <summary>How a job comes into the week.</summary>
public enum JobNeed
{
    /// <summary>It is due on a day: it is given a time, or it is told why not.</summary>
    Due,

    /// <summary>It is the child's work in their own slot.</summary>
    Regular,

    /// <summary>It can be done whenever there is room.</summary>
    Whenever,
}

/// <summary>Something to do with a child.</summary>
/// <param name="Id">What it is, the same from day to day.</param>
/// <param name="Child">The child.</param>
/// <param name="Need">How it comes into the week.</param>
/// <param name="Due">From which day on it is to be done.</param>
/// <param name="Minutes">How long it takes.</param>
public sealed record Job(string Id, ChildId Child, JobNeed Need, DateOnly Due, int Minutes);

/// <summary>A child as the timetable sees them.</summary>
/// <param name="Child">The child.</param>
/// <param name="Class">Their class; empty where it is not known.</param>
/// <param name="Jobs">What there is to do, the most pressing first.</param>
public sealed record Attendee(ChildId Child, string Class, IReadOnlyList<Job> Jobs)
{
    /// <summary>What they practise first: those who share it can come in each other's place; null where it is nothing.</summary>
    public string? Need { get; init; }

    /// <summary>How far they have been taught: the nearer, the better they go together.</summary>
    public int Level { get; init; }
}
