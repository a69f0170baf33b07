namespace Umbick.Web.Pages;

/// <summary>A count with what is counted.</summary>
public static class Counted
{
    /// <summary>“1 answer”, “2 answers”.</summary>
    public static string InWords(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";
}
