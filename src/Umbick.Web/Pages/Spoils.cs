namespace Umbick.Web.Pages;

/// <summary>How many of a stage's times a pattern spoils, in words.</summary>
internal static class Spoils
{
    /// <param name="share">The share, 0 to 1.</param>
    public static string Told(double share) => share switch
    {
        >= 0.95 => "all",
        >= 0.7 => "three quarters",
        >= 0.6 => "two thirds",
        >= 0.4 => "half",
        >= 0.29 => "a third",
        >= 0.2 => "a quarter",
        _ => "one in ten",
    };
}
