using System.Globalization;

namespace Umbick.Web.Pages;

/// <summary>What files are called that go out: by the child and the day, so that two of them are told apart.</summary>
public static class FileNames
{
    /// <summary>Of a child: <c>heron-2026-03-02-record.json</c>.</summary>
    public static string Of(string alias, DateOnly day, string what, string ending) => $"{Plain(alias)}-{On(day, what, ending)}";

    /// <summary>Of nobody: <c>2026-03-02-morning.pdf</c>.</summary>
    public static string On(DateOnly day, string what, string ending) =>
        string.Create(CultureInfo.InvariantCulture, $"{day:yyyy-MM-dd}-{what}.{ending}");

    /// <summary>Letters and figures stay; whatever a disk may refuse is a hyphen.</summary>
    private static string Plain(string alias) =>
        string.Join('-', new string([.. alias.Select(sign => char.IsLetterOrDigit(sign) ? char.ToLowerInvariant(sign) : ' ')])
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)) is { Length: > 0 } plain ? plain : "child";
}
