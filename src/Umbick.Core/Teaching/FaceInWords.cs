using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Teaching;

/// <summary>
/// What a face shows, told hand by hand once a child has looked twice: where the answer went wrong, and nothing that would have to be
/// answered.
/// </summary>
public static class FaceInWords
{
    private const double HourHandOff = 0.2;
    private const double MinuteHandOff = 1;

    /// <summary>
    /// The sentences, in the order in which hands are read or set here; none for a question that is no reading of a clock.
    /// </summary>
    /// <param name="item">The item that was answered.</param>
    /// <param name="given">The last answer; null tells of every step.</param>
    /// <param name="preferences">How clocks are taught here.</param>
    public static IReadOnlyList<string> For(Item item, Answer? given, TeachingPreferences preferences)
    {
        if (item.OtherSkill is not null) return [];
        if (!item.Task.ShowsClock && item.Task.Form != AnswerForm.Hands) return [Words(item.Time, preferences.Wording)];
        var (hourWrong, minutesWrong) = Wrong(item, given);
        var hour = new[] { item.Task.Form == AnswerForm.Hands ? HourPlaced(item.Time, preferences.Wording) : Hour(item.Time) }.Where(_ =>
            hourWrong && Touches(item, Step.Hour));
        var minutes = new[] { Minutes(item.Time, preferences) }.Where(_ => minutesWrong && Touches(item, Step.Minutes));
        var hourFirst = item.Task.Form == AnswerForm.Hands ? preferences.SetsHourFirst : preferences.HourFirst;
        List<string> told = [.. hourFirst ? hour.Concat(minutes) : minutes.Concat(hour)];
        if (item.IsInWords && item.Time.Minute is not (0 or 30)) told.Add(Direction(item.Time, preferences.Wording));
        if (told.Count == 0 && given is DigitalAnswer { Figures: 1 })
            told.Add($"Minutes are written with two figures: {preferences.Wording.Digital(item.Time)}.");
        return told;
    }

    /// <summary>The right answer to an item, as it is told.</summary>
    public static string Right(Item item, Wording wording) => item.Task switch
    {
        { Form: AnswerForm.Words } => wording.Words(item.Time),
        _ when item.Claim is WordsAnswer => wording.Words(item.Time),
        { Form: AnswerForm.Hour } => HourPlaces.InWords(item.Time),
        { Form: AnswerForm.Places } => HandsInWords.For(new PlacedAnswer(HandPositions.Showing(item.Time).Hour, item.Time.Minute)),
        { Form: AnswerForm.Minutes } => $"{item.Time.Minute} minutes",
        _ => wording.Digital(item.Time),
    };

    /// <summary>Which of the hour and the minutes an answer has wrong; both where nothing can be said of it.</summary>
    private static (bool Hour, bool Minutes) Wrong(Item item, Answer? given)
    {
        if (given is PlacedAnswer placed)
        {
            var right = HandPositions.Showing(item.Time);
            return (
                placed.Hour is not { } hour || HandPositions.HoursApart(hour, right.Hour) > HourHandOff,
                placed.Minute is not { } minute || HandPositions.MinutesApart(minute, right.Minute) > MinuteHandOff);
        }
        if (given is HourPlaceAnswer or DigitalAnswer { Hour: null }) return (true, true);
        return (given is SaidRight ? item.Claim?.Meaning : given?.Meaning) is { } meant
            ? (meant.Hour != item.Time.Hour, meant.Minute != item.Time.Minute) : (true, true);
    }

    private static bool Touches(Item item, Step step) => (step, item.Task.Id) switch
    {
        (Step.Hour, TaskIds.MinutesOnly or TaskIds.SetMinutes or TaskIds.PlaceMinuteHand) => false,
        (Step.Minutes, TaskIds.HourOnly or TaskIds.PlaceHourHand) => false,
        _ => true,
    };

    private static string Hour(ClockTime time) => time.Minute == 0
        ? $"The short hand is exactly on the {time.Hour}, so the hour is {time.Hour}."
        : $"The short hand has passed the {time.Hour} and is not yet at the {Hours.After(time.Hour)}, so the hour is {time.Hour}.";

    private static string HourPlaced(ClockTime time, Wording wording) =>
        $"At {wording.Digital(time)} the short hand is {HourPlaces.InWords(time)}.";

    private static string Minutes(ClockTime time, TeachingPreferences preferences)
    {
        var past = preferences.Wording.Past;
        var (numeral, ticks) = (Hours.Named(time.Minute / 5), time.Minute % 5);
        return (time.Minute, ticks) switch
        {
            (0, _) => $"The long hand points straight up, at the 12: no minutes {past} the hour.",
            (15, _) => $"The long hand is at the 3, a quarter of the way round: 15 minutes {past}.",
            (30, _) => $"The long hand points straight down, half of the way round: 30 minutes {past}.",
            (45, _) => $"The long hand is at the 9, three quarters of the way round: 45 minutes {past}.",
            (_, 0) => $"The long hand is at the {numeral}. Counted in fives from the 12 that is {time.Minute} minutes {past}.",
            _ when time.Minute < 5 => $"The long hand is {Ticks(ticks)} past the 12: {time.Minute} minute{(ticks == 1 ? "" : "s")} {past}.",
            _ => $"The long hand is {Ticks(ticks)} past the {numeral}: {time.Minute - ticks} and {ticks} is {time.Minute} minutes {past}.",
        };
    }

    private static string Ticks(int count) => $"{Wording.Number(count)} small tick{(count == 1 ? "" : "s")}";

    private static string Direction(ClockTime time, Wording wording) => time.Minute < 30
        ? $"The long hand is on its way down: {wording.Words(time)}."
        : $"Going up. {60 - time.Minute} minute{(time.Minute == 59 ? " is" : "s are")} left. "
            + $"{Capital(Wording.Number(Hours.After(time.Hour)))} is coming: {wording.Words(time)}.";

    private static string Words(ClockTime time, Wording wording) => time.Minute switch
    {
        0 => $"{Capital(wording.Words(time))} is {wording.Digital(time)}.",
        <= 30 => $"{Capital(wording.Words(time))} is {time.Minute} minutes after {time.Hour} o'clock: {wording.Digital(time)}.",
        _ => $"{Capital(wording.Words(time))} is {60 - time.Minute} minutes before {Hours.After(time.Hour)} o'clock: "
            + $"{wording.Digital(time)}.",
    };

    private static string Capital(string text) => $"{char.ToUpperInvariant(text[0])}{text[1..]}";
}
