namespace Umbick.Core.Timetabling;

/// <summary>A third of a school year. Terms never overlap, so that no figure of one can be taken from another's.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="First">Its first day.</param>
/// <param name="Last">Its last day.</param>
public sealed record SchoolTerm(string Name, DateOnly First, DateOnly Last)
{
    private const int January = 1, April = 4, September = 9;

    /// <summary>The term that a day lies in.</summary>
    public static SchoolTerm Of(DateOnly day) => day.Month switch
    {
        < April => new($"Spring {day.Year}", new DateOnly(day.Year, January, 1), new DateOnly(day.Year, 3, 31)),
        < September => new($"Summer {day.Year}", new DateOnly(day.Year, April, 1), new DateOnly(day.Year, 8, 31)),
        _ => new($"Autumn {day.Year}", new DateOnly(day.Year, September, 1), new DateOnly(day.Year, 12, 31)),
    };

    /// <summary>The term of a day and some before it, the latest first.</summary>
    public static IReadOnlyList<SchoolTerm> Until(DateOnly day, int terms)
    {
        List<SchoolTerm> all = [Of(day)];
        while (all.Count < terms) all.Add(Of(all[^1].First.AddDays(-1)));
        return all;
    }
}
