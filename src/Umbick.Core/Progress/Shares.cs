namespace Umbick.Core.Progress;

/// <summary>Shares in words: nobody needs them finer.</summary>
public static class Shares
{
    /// <summary>A share in words.</summary>
    /// <param name="share">The share, 0 to 1.</param>
    public static string InWords(double share) => share switch
    {
        >= 0.95 => "nearly all",
        >= 0.7 => "about three quarters",
        >= 0.6 => "about two thirds",
        >= 0.4 => "about half",
        >= 0.29 => "about a third",
        >= 0.2 => "about a quarter",
        >= 0.07 => "about one in ten",
        _ => "hardly any",
    };
}
