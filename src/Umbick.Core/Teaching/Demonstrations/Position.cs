using Umbick.Core.Clocks;

namespace Umbick.Core.Teaching;

/// <summary>Which hand is covered while a position is shown.</summary>
public enum Covered
{
    /// <summary>Neither.</summary>
    Neither,

    /// <summary>The short hand.</summary>
    Hour,

    /// <summary>The long hand.</summary>
    Minute,
}

/// <summary>One position of a demonstration: what to ask while the children look, and what to say once they have answered.</summary>
/// <param name="At">A time, <c>4:10</c>; or hands that no clock shows, <c>4|45</c>: where the short one points, and the minutes of the long
/// one.</param>
/// <param name="Ask">What to ask. Then wait.</param>
/// <param name="Say">What to say after.</param>
public sealed record Position(string At, string Ask, string Say)
{
    /// <summary>Which hand is covered.</summary>
    public Covered Covered { get; init; }

    /// <summary>Whether it stands beside the one before as a contrast: the two differ in one thing.</summary>
    public bool IsContrast { get; init; }

    /// <summary>Where the hands are.</summary>
    public HandPositions Hands => ClockTime.TryParse(At) is { } time ? HandPositions.Showing(time)
        : ((PlacedAnswer)AnswerParser.Parse(At)).Hands!.Value;

    /// <summary>Whether a clock can show it, so that its hands may go together.</summary>
    public bool IsTrue => ClockTime.TryParse(At) is not null;
}
