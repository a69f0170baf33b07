namespace Umbick.Web.Pages;

/// <summary>How many of a stage's times a pattern spoils, in words.</summary>
internal static class Spoils
{
    /// <param name="share">The share, 0 to 1.</param>
    public static string Told(double share) => share switch
    {
        >= 0.95 => "nearly all",
        >= 0.7 => "about three quarters",
        >= 0.6 => "about two thirds",
        >= 0.4 => "about half",
        >= 0.29 => "about a third",
        >= 0.2 => "about a quarter",
        _ => "about one in ten",
    };
}
