using Umbick.Core.Clocks;
using Umbick.Core.Teaching;

namespace Umbick.Web;

/// <summary>How clocks are taught, said and drawn in this request: the school's manner, or a child's where the page is a child's.</summary>
public sealed class RequestPreferences
{
    public TeachingPreferences Teaching { get; set; } = TeachingPreferences.Usual;

    public Wording Wording => Teaching.Wording;

    /// <summary>The name of the school's time zone.</summary>
    public string TimeZone { get; set; } = "Europe/London";

    /// <summary>The day that it is, where the school is.</summary>
    public DateOnly Today { get; set; } = DateOnly.FromDateTime(DateTime.UtcNow);
}
