namespace Umbick.Core.Timetabling;

/// <summary>The years in which anything of a school can lie. The database holds every day to the same.</summary>
public static class SchoolYears
{
    /// <summary>The first day, and the last.</summary>
    public static readonly DateOnly First = new(2000, 1, 1), Last = new(2100, 12, 31);

    /// <summary>What is told of a day outside them.</summary>
    public static string Told { get; } = $"A day lies in the years {First.Year} to {Last.Year}.";

    /// <summary>Whether a day lies in them.</summary>
    public static bool Hold(DateOnly day) => day >= First && day <= Last;

    /// <summary>Whether a moment lies in them, in UTC.</summary>
    public static bool Hold(DateTime moment) => Hold(DateOnly.FromDateTime(moment));
}
