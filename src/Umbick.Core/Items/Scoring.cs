using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>Whether an answer is right.</summary>
public static class Scoring
{
    /// <summary>How far the minute hand may be from its place, in minutes.</summary>
    public const double MinuteHandTolerance = 1;

    /// <summary>How far the hour hand may be from its place at o'clock, in hours.</summary>
    public const double OClockTolerance = 0.1;

    /// <summary>How far the hour hand may be from its place where the place counts, in hours.</summary>
    public const double PlaceTolerance = 0.2;

    /// <summary>Whether an answer to an item is right.</summary>
    /// <param name="item">The item asked.</param>
    /// <param name="answer">What was read in the answer.</param>
    /// <param name="mode">How it was given: figures left out count only where the child wrote them.</param>
    /// <param name="stage">The child's stage: from five-minute times on, the hour hand's place counts, before it only its space.</param>
    public static bool IsRight(Item item, Answer answer, AnswerMode mode, Stage stage)
    {
        if (item.Task == ClockTasks.Judge && answer is SaidRight) return item.ClaimIsRight;
        var (asked, given) = item.Answered(answer);
        return given switch
        {
            DigitalAnswer digital => asked.Task.Form != AnswerForm.Hands && digital.Meaning == item.Time
                && (mode != AnswerMode.Written || digital.Figures == 2),
            WordsAnswer words => asked.Task.Form == AnswerForm.Words && words.Meaning == item.Time,
            PlacedAnswer { Hands: { } hands } => asked.Task.Form == AnswerForm.Hands && IsPlacedRight(item.Time, hands, stage),
            _ => false,
        };
    }

    private static bool IsPlacedRight(ClockTime time, HandPositions hands, Stage stage)
    {
        var right = HandPositions.Of(time);
        if (HandPositions.MinutesApart(hands.Minute, right.Minute) > MinuteHandTolerance) return false;
        var off = HandPositions.HoursApart(hands.Hour, right.Hour);
        if (time.Minute == 0) return off <= OClockTolerance;
        if (stage >= Stage.FiveMinutesPast) return off <= PlaceTolerance;
        var intoSpace = HandPositions.Wrapped(hands.Hour - (time.Hour % 12), 0).Hour;
        return intoSpace is > 0 and < 1;
    }
}
