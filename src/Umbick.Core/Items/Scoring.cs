using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>Whether an answer is right.</summary>
public static class Scoring
{
    /// <summary>Whether an answer to an item is right.</summary>
    /// <param name="item">The item asked.</param>
    /// <param name="answer">What was read in the answer.</param>
    /// <param name="mode">How it was given: figures left out count only where the child wrote them.</param>
    /// <param name="stage">The child's stage: from five-minute times on, the hour hand's place counts, before it only its space between two
    /// numerals.</param>
    /// <param name="nearness">How near the hour hand has to be, where a school asks for something else.</param>
    public static bool IsRight(Item item, Answer answer, AnswerMode mode, Stage stage, Nearness nearness = Nearness.ByStage)
    {
        if (answer is SaidRight) return item.Task != ClockTasks.Judge || item.ClaimIsRight;
        if (answer is HandAndTimeAnswer both)
            return HandPositions.MinutesApart(both.Minute, item.Time.Minute) <= ModelParameters.MinuteHandTolerance
                && IsRight(item, both.Time, mode, stage, nearness);
        if (item.OtherSkill is { } question) return answer is TextAnswer text && question.IsRight(text.Text);
        return (item.Task.Form, answer) switch
        {
            (AnswerForm.Digital or AnswerForm.Verdict or AnswerForm.Words, DigitalAnswer digital)
                when item.Task != ClockTasks.DigitalToWords =>
                digital.Meaning == item.Right.Meaning && (mode != AnswerMode.Written || digital.Figures == 2),
            (AnswerForm.Digital or AnswerForm.Verdict or AnswerForm.Words, WordsAnswer words) when item.Task.ShowsClock
                || item.Task.Form == AnswerForm.Words =>
                words.Meaning == item.Right.Meaning,
            (AnswerForm.Hands, PlacedAnswer placed) => IsPlacedRight(item, placed, PlaceCounts(stage, nearness)),
            (AnswerForm.Hour, HourPlaceAnswer hour) => hour.Hour == item.Time.Hour
                && (hour.Place is null || hour.Place == HourPlaces.PlaceOf(item.Time.Minute)),
            (AnswerForm.Minutes, DigitalAnswer { Hour: null } minutes) => minutes.Minutes == item.Time.Minute,
            (AnswerForm.Several or AnswerForm.Places, _) => answer.Equals(item.Right),
            _ => false,
        };
    }

    private static bool PlaceCounts(Stage stage, Nearness nearness) =>
        nearness == Nearness.Place || (nearness == Nearness.ByStage && stage >= Stage.FiveMinutesPast);

    private static bool IsPlacedRight(Item item, PlacedAnswer placed, bool placeCounts)
    {
        var right = HandPositions.Showing(item.Time);
        var (asksHour, asksMinute) = item.Task == ClockTasks.RepairClock
            ? (placed.Hour is not null, placed.Minute is not null)
            : ((item.Right as PlacedAnswer)?.Hour is not null, (item.Right as PlacedAnswer)?.Minute is not null);
        var minuteRight = !asksMinute
            || (placed.Minute is { } minute && HandPositions.MinutesApart(minute, right.Minute) <= ModelParameters.MinuteHandTolerance);
        return minuteRight && (!asksHour || (placed.Hour is { } hour && IsHourHandRight(item.Time, hour, placeCounts)));
    }

    private static bool IsHourHandRight(ClockTime time, double hour, bool placeCounts)
    {
        var off = HandPositions.HoursApart(hour, HandPositions.Showing(time).Hour);
        if (time.Minute == 0) return off <= ModelParameters.OClockTolerance;
        if (placeCounts) return off <= ModelParameters.PlaceTolerance;
        var intoSpace = HandPositions.Wrapped(hour - (time.Hour % 12), 0).Hour;
        return intoSpace is > ModelParameters.OClockTolerance and < 1 - ModelParameters.OClockTolerance;
    }
}
