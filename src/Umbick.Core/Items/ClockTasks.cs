namespace Umbick.Core.Items;

/// <summary>The catalogue of tasks. To add one, add an entry: nothing else in the core changes.</summary>
public static class ClockTasks
{
    /// <summary>A face or a time, and a question about its parts.</summary>
    public static ClockTask NamePart { get; } = new(TaskIds.NamePart, Stage.Parts, Stimulus.Text, AnswerForm.Text, [])
    {
        Chosen = true,
        Texts = new("naming a part of a clock", "{question}"),
    };

    /// <summary>A face without numerals; the numerals are put in place.</summary>
    public static ClockTask NumberFace { get; } = new(TaskIds.NumberFace, Stage.Parts, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("numbering a face", "{question}"),
    };

    /// <summary>The hour hand alone: which hour, and how far past it.</summary>
    public static ClockTask HourOnly { get; } = new(TaskIds.HourOnly, Stage.HourHandAlone, Stimulus.HourHand, AnswerForm.Hour, [Step.Hour])
    {
        Texts = new("the hour hand alone", "About what time is it? Which hour, and how far past it?"),
    };

    /// <summary>A clock whose minute hand goes round or half round: the time then.</summary>
    public static ClockTask FullTurn { get; } = new(TaskIds.FullTurn, Stage.OClock, Stimulus.Clock, AnswerForm.Digital, [])
    {
        Texts = new("what the time is after a turn", "The long hand moves on {move}. What time is it then?"),
    };

    /// <summary>An analog clock, answered in figures.</summary>
    public static ClockTask ReadDigital { get; } = new(
        TaskIds.ReadDigital, Stage.OClock, Stimulus.Clock, AnswerForm.Digital,
        [Step.Hands, Step.Hour, Step.Minutes, Step.Fractions, Step.Writing])
    {
        Texts = new("reading a clock, in figures", "What time does this clock show?"),
    };

    /// <summary>An analog clock, answered in words.</summary>
    public static ClockTask ReadWords { get; } = new(
        TaskIds.ReadWords, Stage.OClock, Stimulus.Clock, AnswerForm.Words,
        [Step.Hands, Step.Hour, Step.Minutes, Step.PastOrTo, Step.Fractions])
    {
        Texts = new("reading a clock, in words", "What time is it? Say it {in words}.")
        { OnPaper = "What time is it? Write it {in words}." },
    };

    /// <summary>An analog clock and two to four times to choose from.</summary>
    public static ClockTask ChooseTime { get; } = new(TaskIds.ChooseTime, Stage.OClock, Stimulus.Clock, AnswerForm.Digital, [])
    {
        Chosen = true,
        ReadAs = ReadDigital,
        Texts = new("choosing the time of a clock", "Which of these times does the clock show?"),
    };

    /// <summary>A time and two to four clocks to choose from; the clock's time is the answer.</summary>
    public static ClockTask ChooseClock { get; } = new(TaskIds.ChooseClock, Stage.OClock, Stimulus.Words, AnswerForm.Digital, [])
    {
        Chosen = true,
        ReadAs = ReadWords,
        Texts = new("choosing the clock for a time", "Which clock shows {words}?"),
    };

    /// <summary>Some clocks and one time more than clocks, to be joined.</summary>
    public static ClockTask Match { get; } = new(TaskIds.Match, Stage.OClock, Stimulus.Clock, AnswerForm.Several, [])
    {
        Chosen = true,
        ReadAs = ReadDigital,
        Texts = new("joining clocks and times", "Join each clock with its time."),
    };

    /// <summary>A clock and the time somebody gave for it: right, or wrong and what instead.</summary>
    public static ClockTask Judge { get; } = new(
        TaskIds.Judge, Stage.OClock, Stimulus.Clock, AnswerForm.Verdict, [Step.Hands, Step.Hour, Step.Minutes])
    {
        ReadAs = ReadDigital,
        Texts = new("judging a time", "Somebody says this clock shows {claim}. Is that right?"),
    };

    /// <summary>A clock that cannot be, and the time meant: the wrong hand is put right.</summary>
    public static ClockTask RepairClock { get; } = new(TaskIds.RepairClock, Stage.OClock, Stimulus.Clock, AnswerForm.Hands, [])
    {
        Texts = new("putting a clock right", "This clock should show {time}. Put the wrong hand right.")
        { OnPaper = "This clock should show {time}. Draw it put right." },
    };

    /// <summary>A time in figures; the child places both hands.</summary>
    public static ClockTask SetFromDigital { get; } = new(
        TaskIds.SetFromDigital, Stage.OClock, Stimulus.Figures, AnswerForm.Hands,
        [Step.Setting, Step.Minutes, Step.Placing, Step.Hour, Step.Hands], Inverse: true)
    {
        Texts = new("a time in figures, setting the hands", "Turn the hands to {time}.") { OnPaper = "Draw both hands: {time}." },
    };

    /// <summary>A time in words; the child places both hands.</summary>
    public static ClockTask SetFromWords { get; } = new(
        TaskIds.SetFromWords, Stage.OClock, Stimulus.Words, AnswerForm.Hands,
        [Step.Setting, Step.Fractions, Step.PastOrTo, Step.Minutes, Step.Placing, Step.Hour, Step.Hands], Inverse: true)
    {
        Texts = new("a time in words, setting the hands", "Turn the hands to {words}.") { OnPaper = "Draw both hands: {words}." },
    };

    /// <summary>A clock and an empty face; both hands are placed alike.</summary>
    public static ClockTask CopyClock { get; } =
        new(TaskIds.CopyClock, Stage.OClock, Stimulus.Clock, AnswerForm.Hands, [Step.Placing], Inverse: true)
        {
            Texts = new("copying a clock", "Make your clock look just like this one.") { OnPaper = "Draw the hands just like these." },
        };

    /// <summary>A clock: between which numerals is the hour hand, and at which is the minute hand?</summary>
    public static ClockTask Describe { get; } = new(TaskIds.Describe, Stage.OClock, Stimulus.Clock, AnswerForm.Places, [Step.Hands])
    {
        Texts = new("saying where the hands are", "Between which numbers is the short hand? Where is the long one?"),
    };

    /// <summary>A sentence that fixes the hands; the time.</summary>
    public static ClockTask Story { get; } =
        new(TaskIds.Story, Stage.OClock, Stimulus.Text, AnswerForm.Digital, [Step.Hour, Step.Minutes, Step.Writing])
        {
            Texts = new("a time told in a sentence",
                "The short hand is {hour place}, and the long hand is {minute place}. What time is it?"),
        };

    /// <summary>A time in words, answered in figures.</summary>
    public static ClockTask WordsToDigital { get; } = new(
        TaskIds.WordsToDigital, Stage.HalfPast, Stimulus.Words, AnswerForm.Digital, [Step.Fractions, Step.PastOrTo, Step.Writing],
        Inverse: true)
    {
        Texts = new("words, written in figures", "Write this time in figures."),
    };

    /// <summary>A time in figures, answered in words.</summary>
    public static ClockTask DigitalToWords { get; } = new(
        TaskIds.DigitalToWords, Stage.HalfPast, Stimulus.Figures, AnswerForm.Words, [Step.PastOrTo, Step.Fractions])
    {
        Texts = new("figures, said in words", "Say this time {in words}.") { OnPaper = "Write this time {in words}." },
    };

    /// <summary>A clock and three to five ways to say times; every one that fits.</summary>
    public static ClockTask ChooseNames { get; } = new(TaskIds.ChooseNames, Stage.HalfPast, Stimulus.Clock, AnswerForm.Several, [])
    {
        Chosen = true,
        ReadAs = ReadWords,
        Texts = new("choosing every name that fits", "Which of these fit the clock? There may be more than one.")
        { OnPaper = "Tick every one that fits the clock." },
    };

    /// <summary>A time and the minute hand; the hour hand is placed.</summary>
    public static ClockTask PlaceHourHand { get; } = new(
        TaskIds.PlaceHourHand, Stage.HalfPast, Stimulus.Figures, AnswerForm.Hands, [Step.Setting, Step.Placing, Step.Hour], Inverse: true)
    {
        Texts = new("placing the hour hand", "It is {time}. Where does the short hand go?")
        { OnPaper = "It is {time}. Draw the short hand." },
    };

    /// <summary>A time and the hour hand; the minute hand is placed.</summary>
    public static ClockTask PlaceMinuteHand { get; } = new(
        TaskIds.PlaceMinuteHand, Stage.HalfPast, Stimulus.Figures, AnswerForm.Hands, [Step.Setting, Step.Minutes], Inverse: true)
    {
        Texts = new("placing the minute hand", "It is {time}. Where does the long hand go?")
        { OnPaper = "It is {time}. Draw the long hand." },
    };

    /// <summary>The hour hand alone, exactly placed: the minute hand is placed and the time told.</summary>
    public static ClockTask InferMinuteHand { get; } = new(
        TaskIds.InferMinuteHand, Stage.HalfPast, Stimulus.HourHand, AnswerForm.Digital, [Step.Hour, Step.Minutes, Step.Writing])
    {
        Texts = new("telling the time by the hour hand",
            "Only the short hand is here. Put the long hand where it must be, and write the time.")
        { OnPaper = "Only the short hand is here. Draw the long hand, and write the time." },
    };

    /// <summary>A count in fives to go on with, or a gap in it.</summary>
    public static ClockTask CountFives { get; } = new(TaskIds.CountFives, Stage.QuarterTo, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("counting in fives", "{question}"),
    };

    /// <summary>The minute hand alone: the minutes.</summary>
    public static ClockTask MinutesOnly { get; } =
        new(TaskIds.MinutesOnly, Stage.CountingInFives, Stimulus.MinuteHand, AnswerForm.Minutes, [Step.Minutes])
        {
            Texts = new("the minute hand alone", "How many minutes {past} the hour?"),
        };

    /// <summary>Minutes to show: the minute hand is placed.</summary>
    public static ClockTask SetMinutes { get; } =
        new(TaskIds.SetMinutes, Stage.CountingInFives, Stimulus.Figures, AnswerForm.Hands, [Step.Setting, Step.Minutes], Inverse: true)
        {
            Texts = new("showing minutes", "Turn the long hand to {minutes} minutes {past} the hour.")
            { OnPaper = "Draw the long hand: {minutes} minutes {past} the hour." },
        };

    /// <summary>A time, or hands, that may be impossible: can it be?</summary>
    public static ClockTask PossibleTime { get; } = new(TaskIds.PossibleTime, Stage.CountingInFives, Stimulus.Text, AnswerForm.Text, [])
    {
        Chosen = true,
        Texts = new("whether a time can be", "{question}"),
    };

    /// <summary>An event or a time: a.m. or p.m., noon or midnight, the 24-hour time.</summary>
    public static ClockTask DayPart { get; } = new(TaskIds.DayPart, Stage.MorningAndAfternoon, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("morning or afternoon", "{question}"),
    };

    /// <summary>A time and some minutes, after, before or until.</summary>
    public static ClockTask Later { get; } = new(TaskIds.Later, Stage.BeforeAndAfter, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("a time later, or earlier", "{question}"),
    };

    /// <summary>How many of one unit in another?</summary>
    public static ClockTask TimeFact { get; } = new(TaskIds.TimeFact, Stage.OClock, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("a fact about time", "{question}"),
    };

    /// <summary>Numerals, half, quarter, doubles, longer or shorter.</summary>
    public static ClockTask Prerequisite { get; } = new(TaskIds.Prerequisite, Stage.Parts, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("a prerequisite skill", "{question}"),
    };

    /// <summary>An activity: seconds, minutes, hours, days, weeks?</summary>
    public static ClockTask DurationUnit { get; } = new(TaskIds.DurationUnit, Stage.Parts, Stimulus.Text, AnswerForm.Text, [])
    {
        Chosen = true,
        Texts = new("choosing a unit of time", "{question}"),
    };

    /// <summary>Stop when so many seconds are over.</summary>
    public static ClockTask Feel { get; } = new(TaskIds.Feel, Stage.Parts, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("feeling how long", "{question}"),
    };

    /// <summary>
    /// What is kept and cannot be understood, because a later version wrote it or a row was damaged: no task that is asked.
    /// </summary>
    public static ClockTask Unreadable { get; } = new(TaskIds.Unreadable, Stage.Parts, Stimulus.Text, AnswerForm.Text, [])
    {
        Texts = new("a question that cannot be read", "{question}"),
    };

    /// <summary>Every task, roughly in the order in which they are met.</summary>
    public static IReadOnlyList<ClockTask> All { get; } =
    [
        NamePart, NumberFace, HourOnly, FullTurn, ReadDigital, ReadWords, ChooseTime, ChooseClock, Match, Judge, RepairClock,
        SetFromDigital,
        SetFromWords, CopyClock, Describe, Story, WordsToDigital, DigitalToWords, ChooseNames, PlaceHourHand, PlaceMinuteHand,
        InferMinuteHand, CountFives, MinutesOnly, SetMinutes, PossibleTime, DayPart, Later, TimeFact, Prerequisite, DurationUnit, Feel,
    ];

    /// <summary>The tasks whose answer is a time, words or both hands: those that a program can play.</summary>
    public static IReadOnlyList<ClockTask> Plain { get; } = [ReadDigital, ReadWords, WordsToDigital, DigitalToWords, SetFromDigital,
        SetFromWords];

    /// <summary>The tasks that are asked before a child reads any time.</summary>
    public static IReadOnlyList<ClockTask> BeforeTimes { get; } = [NamePart, NumberFace, HourOnly];

    /// <summary>The tasks that a single time makes an item of, and that the model computes with directly.</summary>
    public static IReadOnlyList<ClockTask> OnOneTime { get; } =
        [.. All.Where(task => task.Order.Count > 0 && task != Judge)];

    /// <summary>The task with this id, or null.</summary>
    public static ClockTask? Find(string? id) => All.FirstOrDefault(task => task.Id == id);
}
