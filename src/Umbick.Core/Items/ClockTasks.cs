using Umbick.Core.Patterns;

namespace Umbick.Core.Items;

/// <summary>The catalogue of tasks. To add one, add an entry: nothing else in the core changes.</summary>
public static class ClockTasks
{
    /// <summary>A face or a time, and a question about its parts.</summary>
    public static ClockTask NamePart { get; } = new("name-part", Stage.Parts, Given.Text, AnswerForm.Text, []) { Chosen = true };

    /// <summary>A face without numerals; the numerals are put in place.</summary>
    public static ClockTask NumberFace { get; } = new("number-face", Stage.Parts, Given.Text, AnswerForm.Text, []);

    /// <summary>The hour hand alone: which hour, and how far past it.</summary>
    public static ClockTask HourOnly { get; } = new("hour-only", Stage.HourHandAlone, Given.HourHand, AnswerForm.Hour, [Step.Hour]);

    /// <summary>A clock whose minute hand goes round or half round: the time then.</summary>
    public static ClockTask FullTurn { get; } = new("full-turn", Stage.OClock, Given.Clock, AnswerForm.Digital, []);

    /// <summary>An analog clock, answered in figures.</summary>
    public static ClockTask ReadDigital { get; } = new(
        "read-digital", Stage.OClock, Given.Clock, AnswerForm.Digital, [Step.Hands, Step.Hour, Step.Minutes, Step.Writing]);

    /// <summary>An analog clock, answered in words.</summary>
    public static ClockTask ReadWords { get; } = new(
        "read-words", Stage.OClock, Given.Clock, AnswerForm.Words, [Step.Hands, Step.Hour, Step.Minutes, Step.PastOrTo, Step.Fractions]);

    /// <summary>An analog clock and two to four times to choose from.</summary>
    public static ClockTask ChooseTime { get; } = new("choose-time", Stage.OClock, Given.Clock, AnswerForm.Digital, []) { Chosen = true, ReadAs = ReadDigital };

    /// <summary>A time and two to four clocks to choose from; the clock's time is the answer.</summary>
    public static ClockTask ChooseClock { get; } = new("choose-clock", Stage.OClock, Given.Words, AnswerForm.Digital, []) { Chosen = true, ReadAs = ReadWords };

    /// <summary>Some clocks and one time more than clocks, to be joined.</summary>
    public static ClockTask Match { get; } = new("match", Stage.OClock, Given.Clock, AnswerForm.Several, []) { Chosen = true, ReadAs = ReadDigital };

    /// <summary>A clock and the time somebody gave for it: right, or wrong and what instead.</summary>
    public static ClockTask Judge { get; } = new(
        "judge", Stage.OClock, Given.Clock, AnswerForm.Verdict, [Step.Hands, Step.Hour, Step.Minutes]) { ReadAs = ReadDigital };

    /// <summary>A clock that cannot be, and the time meant: the wrong hand is put right.</summary>
    public static ClockTask RepairClock { get; } = new("repair-clock", Stage.OClock, Given.Clock, AnswerForm.Hands, []);

    /// <summary>A time in figures; the child places both hands.</summary>
    public static ClockTask SetFromDigital { get; } = new(
        "set-from-digital", Stage.OClock, Given.Figures, AnswerForm.Hands, [Step.Minutes, Step.Placing, Step.Hour, Step.Hands], Inverse: true);

    /// <summary>A time in words; the child places both hands.</summary>
    public static ClockTask SetFromWords { get; } = new(
        "set-from-words", Stage.OClock, Given.Words, AnswerForm.Hands,
        [Step.Fractions, Step.PastOrTo, Step.Minutes, Step.Placing, Step.Hour, Step.Hands], Inverse: true);

    /// <summary>A clock and an empty face; both hands are placed alike.</summary>
    public static ClockTask CopyClock { get; } = new("copy-clock", Stage.OClock, Given.Clock, AnswerForm.Hands, [Step.Placing], Inverse: true);

    /// <summary>A clock: between which numerals is the hour hand, and at which is the minute hand?</summary>
    public static ClockTask Describe { get; } = new("describe", Stage.OClock, Given.Clock, AnswerForm.Places, [Step.Hands]);

    /// <summary>A sentence that fixes the hands; the time.</summary>
    public static ClockTask Story { get; } = new("story", Stage.OClock, Given.Text, AnswerForm.Digital, [Step.Hour, Step.Minutes, Step.Writing]);

    /// <summary>A time in words, answered in figures.</summary>
    public static ClockTask WordsToDigital { get; } = new(
        "words-to-digital", Stage.HalfPast, Given.Words, AnswerForm.Digital, [Step.Fractions, Step.PastOrTo, Step.Writing], Inverse: true);

    /// <summary>A time in figures, answered in words.</summary>
    public static ClockTask DigitalToWords { get; } = new(
        "digital-to-words", Stage.HalfPast, Given.Figures, AnswerForm.Words, [Step.PastOrTo, Step.Fractions]);

    /// <summary>A clock and three to five ways to say times; every one that fits.</summary>
    public static ClockTask ChooseNames { get; } = new("choose-names", Stage.HalfPast, Given.Clock, AnswerForm.Several, []) { Chosen = true, ReadAs = ReadWords };

    /// <summary>A time and the minute hand; the hour hand is placed.</summary>
    public static ClockTask PlaceHourHand { get; } = new(
        "place-hour-hand", Stage.HalfPast, Given.Figures, AnswerForm.Hands, [Step.Placing, Step.Hour], Inverse: true);

    /// <summary>A time and the hour hand; the minute hand is placed.</summary>
    public static ClockTask PlaceMinuteHand { get; } = new(
        "place-minute-hand", Stage.HalfPast, Given.Figures, AnswerForm.Hands, [Step.Minutes], Inverse: true);

    /// <summary>The hour hand alone, exactly placed: the minute hand is placed and the time told.</summary>
    public static ClockTask InferMinuteHand { get; } = new(
        "infer-minute-hand", Stage.HalfPast, Given.HourHand, AnswerForm.Digital, [Step.Hour, Step.Minutes, Step.Writing]);

    /// <summary>A count in fives to go on with, or a gap in it.</summary>
    public static ClockTask CountFives { get; } = new("count-fives", Stage.QuarterTo, Given.Text, AnswerForm.Text, []);

    /// <summary>The minute hand alone: the minutes.</summary>
    public static ClockTask MinutesOnly { get; } = new("minutes-only", Stage.CountingInFives, Given.MinuteHand, AnswerForm.Minutes, [Step.Minutes]);

    /// <summary>Minutes to show: the minute hand is placed.</summary>
    public static ClockTask SetMinutes { get; } = new("set-minutes", Stage.CountingInFives, Given.Figures, AnswerForm.Hands, [Step.Minutes], Inverse: true);

    /// <summary>A time, or hands, that may be impossible: can it be?</summary>
    public static ClockTask PossibleTime { get; } = new("possible-time", Stage.CountingInFives, Given.Text, AnswerForm.Text, []) { Chosen = true };

    /// <summary>An event or a time: a.m. or p.m., noon or midnight, the 24-hour time.</summary>
    public static ClockTask DayPart { get; } = new("day-part", Stage.MorningAndAfternoon, Given.Text, AnswerForm.Text, []);

    /// <summary>A time and some minutes, after, before or until.</summary>
    public static ClockTask Later { get; } = new("later", Stage.BeforeAndAfter, Given.Text, AnswerForm.Text, []);

    /// <summary>How many of one unit in another?</summary>
    public static ClockTask TimeFact { get; } = new("time-fact", Stage.OClock, Given.Text, AnswerForm.Text, []);

    /// <summary>Numerals, half, quarter, doubles, longer or shorter.</summary>
    public static ClockTask Ground { get; } = new("ground", Stage.Parts, Given.Text, AnswerForm.Text, []);

    /// <summary>An activity: seconds, minutes, hours, days, weeks?</summary>
    public static ClockTask DurationUnit { get; } = new("duration-unit", Stage.Parts, Given.Text, AnswerForm.Text, []) { Chosen = true };

    /// <summary>Stop when so many seconds are over.</summary>
    public static ClockTask Feel { get; } = new("feel", Stage.Parts, Given.Text, AnswerForm.Text, []);

    /// <summary>Every task, roughly in the order in which they are met.</summary>
    public static IReadOnlyList<ClockTask> All { get; } =
    [
        NamePart, NumberFace, HourOnly, FullTurn, ReadDigital, ReadWords, ChooseTime, ChooseClock, Match, Judge, RepairClock, SetFromDigital,
        SetFromWords, CopyClock, Describe, Story, WordsToDigital, DigitalToWords, ChooseNames, PlaceHourHand, PlaceMinuteHand,
        InferMinuteHand, CountFives, MinutesOnly, SetMinutes, PossibleTime, DayPart, Later, TimeFact, Ground, DurationUnit, Feel,
    ];

    /// <summary>The tasks whose answer is a time, words or both hands: those that a program can play.</summary>
    public static IReadOnlyList<ClockTask> Plain { get; } = [ReadDigital, ReadWords, WordsToDigital, DigitalToWords, SetFromDigital, SetFromWords];

    /// <summary>The tasks that a single time makes an item of, and that the model reckons with directly.</summary>
    public static IReadOnlyList<ClockTask> OnOneTime { get; } =
        [.. All.Where(task => task.Order.Count > 0 && task != Judge)];

    /// <summary>The task with this id, or null.</summary>
    public static ClockTask? Find(string? id) => All.FirstOrDefault(task => task.Id == id);
}
