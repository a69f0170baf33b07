using System.Globalization;

namespace Umbick.Web.Pages;

/// <summary>A time of day, as it stands in a timetable.</summary>
public static class TimeOfDay
{
    /// <summary>In figures: <c>9:40</c>.</summary>
    public static string InFigures(TimeOnly time) => time.ToString("H:mm", CultureInfo.InvariantCulture);
}
