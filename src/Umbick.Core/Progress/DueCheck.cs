using Umbick.Core.Patterns;

namespace Umbick.Core.Progress;

/// <summary>Something that is to be looked at from a day on.</summary>
/// <param name="Day">The day.</param>
/// <param name="Pattern">The pattern, where it is a cold start of one whose practice has ended; else null.</param>
/// <param name="Form">The letter of the check form that it is; else null.</param>
/// <param name="IsRecheck">Whether the pattern is mastered.</param>
public sealed record DueCheck(DateOnly Day, Pattern? Pattern, string? Form, bool IsRecheck = false)
{
    /// <summary>How long a cold start, and how long a form takes, in minutes.</summary>
    public const int ColdMinutes = 4, FormMinutes = 12;

    /// <summary>How long it takes, in minutes.</summary>
    public int Minutes => Form is null ? ColdMinutes : FormMinutes;

    /// <summary>Whether it is due by a day.</summary>
    public bool IsDueOn(DateOnly today) => Day <= today;
}
