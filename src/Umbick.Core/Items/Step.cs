using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>
/// The steps of reading a clock. They compose: an answer is what comes out when each has been taken. The last three are no part of a
/// reading; they have small models of their own.
/// </summary>
public enum Step
{
    /// <summary>Which hand tells the hour and which the minutes.</summary>
    Hands,

    /// <summary>Which hour the hour hand gives.</summary>
    Hour,

    /// <summary>Which minutes the minute hand gives.</summary>
    Minutes,

    /// <summary>Turning a time into words with past or to, and back.</summary>
    PastOrTo,

    /// <summary>What quarter and half mean.</summary>
    Fractions,

    /// <summary>Writing a time in figures.</summary>
    Writing,

    /// <summary>Where the hour hand goes when a clock is set.</summary>
    Placing,

    /// <summary>Whether a clock is set as it is read: some children who misread a clock set it rightly.</summary>
    Setting,

    /// <summary>Counting on, back and between times, and how many minutes an hour has.</summary>
    CountingOn,

    /// <summary>Morning and afternoon, noon and midnight, the 24-hour day.</summary>
    DayHalves,

    /// <summary>Whether each clock is answered for itself, or one answer is given again and again.</summary>
    Answering,
}

/// <summary>Which steps belong together.</summary>
public static class Steps
{
    /// <summary>The name of a step as it stands in files, and never changes.</summary>
    public static string NameInFiles(this Step step) => step switch
    {
        Step.PastOrTo => "past-or-to",
        Step.CountingOn => "counting-on",
        Step.DayHalves => "day-halves",
        _ => step.ToString().ToLowerInvariant(),
    };

    /// <summary>What a step of reading is about, in words: 'the minutes'.</summary>
    public static string InWords(this Step step, Wording wording) => step switch
    {
        Step.Hour => "the hour",
        Step.Minutes => "the minutes",
        Step.PastOrTo => $"‘{wording.Past}’ and ‘{wording.To}’",
        Step.Fractions => "quarter and half",
        Step.Writing => "the writing of times",
        _ => "the place of the hour hand",
    };

    /// <summary>The steps of one reading, in order: each can have patterns.</summary>
    public static IReadOnlyList<Step> OfReading { get; } = [.. Enum.GetValues<Step>().Where(step => step <= Step.Placing)];

    /// <summary>The steps that are believed jointly: those of a reading, and whether it holds for setting.</summary>
    public static IReadOnlyList<Step> Joint { get; } = [.. OfReading, Step.Setting];
}
