using Umbick.Core.Clocks;
using Umbick.Core.Teaching;

namespace Umbick.Hosting;

/// <summary>
/// How clocks are taught, said and drawn in this request: as the school does, or for a child where the page is a child's. Read once.
/// </summary>
public sealed class RequestPreferences
{
    public TeachingPreferences OfSchool { get; set; } = TeachingPreferences.Usual;

    /// <summary>Those of the child whose page it is; null before they are read, and where it is nobody's.</summary>
    public TeachingPreferences? OfChild { get; set; }

    public TeachingPreferences Teaching => OfChild ?? OfSchool;

    public Wording Wording => Teaching.Wording;

    /// <summary>The name of the school's time zone.</summary>
    public string TimeZone { get; set; } = "Europe/London";

    /// <summary>A moment as clocks at the school show it.</summary>
    public DateTime AtSchool(DateTime moment) => TimeZoneInfo.TryFindSystemTimeZoneById(TimeZone, out var zone)
        ? TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(moment, DateTimeKind.Utc), zone)
        : moment;

    /// <summary>The day that it is, where the school is.</summary>
    public DateOnly Today { get; set; } = DateOnly.FromDateTime(DateTime.UtcNow);

    /// <summary>The time that it is there.</summary>
    public TimeOnly Now { get; set; }
}
