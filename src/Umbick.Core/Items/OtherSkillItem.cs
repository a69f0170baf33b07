using System.Globalization;
using System.Text.RegularExpressions;
using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>What a question that is no reading of a clock asks for.</summary>
public enum QuestionKind
{
    /// <summary>The time some minutes after a time.</summary>
    After,

    /// <summary>The time some minutes before a time.</summary>
    Before,

    /// <summary>The minutes from a time until a later one.</summary>
    Until,

    /// <summary>The time half an hour after a time.</summary>
    HalfHourAfter,

    /// <summary>The time a quarter of an hour after a time.</summary>
    QuarterHourAfter,

    /// <summary>How many minutes an hour, a half or a quarter has.</summary>
    MinutesIn,

    /// <summary>Whether something is a.m. or p.m.</summary>
    HalfOfDay,

    /// <summary>A time of day on a 24-hour clock.</summary>
    DayTime,

    /// <summary>Something that is known or not: a prerequisite skill, a part of the clock, a unit.</summary>
    Skill,

    /// <summary>Stopping when so many seconds are over: the error counts, and there is no right or wrong.</summary>
    Feel,

    /// <summary>A question that is kept and cannot be understood: it is shown as such, and says nothing.</summary>
    Unreadable,
}

/// <summary>
/// A question that is no reading of a clock: counting on, the halves of the day, facts, prerequisite skills, a sense of time.
/// </summary>
/// <param name="Task">The task.</param>
/// <param name="Given">What is given, as it stands in files; with the task it names the question.</param>
/// <param name="Text">The question as it is read to the child.</param>
/// <param name="Right">The right answer, as it would be typed.</param>
/// <param name="Kind">What it asks for.</param>
public sealed partial record OtherSkillItem(ClockTask Task, string Given, string Text, string Right, QuestionKind Kind)
{
    /// <summary>The first stage at which it is asked; the task's own unless it is said.</summary>
    public Stage From { get; init; } = Task.From;

    /// <summary>
    /// Whether it tests what it says only when it is asked aloud: to key a number that stands there is copying, not reading.
    /// </summary>
    public bool OnlyAloud { get; init; }

    /// <summary>The answers to choose from; none where the answer is free.</summary>
    public IReadOnlyList<string> Choices { get; init; } = [];

    /// <summary>The time it is about, where it is about one.</summary>
    public ClockTime Time { get; init; } = new(12, 0);

    /// <summary>The minutes it is about, where it is about some.</summary>
    public int Minutes { get; init; }

    /// <summary>The hour of the day it is about, 0 to 23.</summary>
    public int HourOfDay { get; init; }

    /// <summary>What is known by whoever answers it rightly; null where it shows only whether they count on rightly.</summary>
    public string? Skill { get; init; }

    /// <summary>Whether two answers to such a question, as they might be typed, are the same.</summary>
    public static bool Same(string given, string other) => Tidied(given) == Tidied(other);

    /// <summary>Whether an answer is right.</summary>
    public bool IsRight(string given) => Kind is not (QuestionKind.Feel or QuestionKind.Unreadable) && Same(given, Right);

    /// <summary>
    /// How many seconds too early (below 0) or too late somebody stopped; null where the question or the answer is no matter of seconds.
    /// </summary>
    /// <param name="given">The seconds that were given, such as <c>27.4</c>.</param>
    public double? SecondsOff(string given) =>
        Kind == QuestionKind.Feel
            && double.TryParse(GivenText.Plain(given), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var seconds)
            && double.IsFinite(seconds)
            ? seconds - double.Parse(Right, CultureInfo.InvariantCulture)
            : null;

    private static string Tidied(string text)
    {
        var tidy = GivenText.Plain(text);
        if (TimeForm().Match(tidy) is { Success: true } time)
            return $"{int.Parse(time.Groups["hour"].Value)}:{time.Groups["minutes"].Value}";
        tidy = Clutter().Replace(tidy, "");
        return int.TryParse(tidy, out var number) ? number.ToString() : tidy;
    }

    [GeneratedRegex(@"^(?<hour>[0-9]{1,2})[:.](?<minutes>[0-9]{2})$")]
    private static partial Regex TimeForm();

    [GeneratedRegex(@"[\s.,]|minutes?$|mins?$")]
    private static partial Regex Clutter();
}
