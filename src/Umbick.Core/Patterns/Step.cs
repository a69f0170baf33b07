namespace Umbick.Core.Patterns;

/// <summary>The steps of reading a clock. They compose: an answer is what comes out when each has been taken.</summary>
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

    /// <summary>Writing a time in figures.</summary>
    Writing,

    /// <summary>Where the hour hand goes when a clock is set.</summary>
    Placing,
}
