using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Teaching;

/// <summary>What is said to a child when they are asked to look again or to start: about the step, never about them.</summary>
public static class ChildWords
{
    /// <summary>A question that points at the step which a set practises.</summary>
    /// <param name="step">The step.</param>
    /// <param name="preferences">How clocks are taught here.</param>
    /// <param name="stage">The child's stage.</param>
    public static string LookAgain(Step step, TeachingPreferences preferences, Stage stage = Stage.EveryMinute) => step switch
    {
        Step.Hands => "Which hand is the short one? That one tells the hour.",
        Step.Hour => preferences.HourFirst ? Hour(preferences)
            : $"First the long hand. Then: {char.ToLowerInvariant(Hour(preferences)[0])}{Hour(preferences)[1..]}",
        Step.Minutes => Minutes(preferences, stage),
        Step.PastOrTo => "Is the long hand on its way down, or on its way up?",
        Step.Fractions => "How far round does the long hand go for that? Count it in fives.",
        Step.CountingOn => "An hour is full at sixty. What comes then?",
        Step.DayHalves => Noon(preferences),
        Step.Writing => "The minutes always have two figures.",
        _ => "How far has the short hand moved on from its number?",
    };

    /// <summary>
    /// A question that points at the step of an item that went wrong: the step which the set practises, where the item has it.
    /// </summary>
    /// <param name="item">The item.</param>
    /// <param name="practised">The step that the set practises.</param>
    /// <param name="preferences">How clocks are taught here.</param>
    /// <param name="stage">The child's stage.</param>
    public static string LookAgain(Item item, Step practised, TeachingPreferences preferences, Stage stage) => item.Task switch
    {
        _ when item.Task == ClockTasks.RepairClock => LookAgain(Step.Placing, preferences, stage),
        // O'clock and half past have no side of the face.
        _ when practised == Step.PastOrTo && item.Time.Minute is (0 or 30) => item.Task.ShowsClock || item.Task.Form == AnswerForm.Hands
            ? Help(item, preferences, stage) : "Take your time.",
        { ReadAs: { } reading } when reading.Order.Contains(practised) || practised == Step.PastOrTo =>
            LookAgain(practised, preferences, stage),
        { Order: var order } when order.Contains(practised) => LookAgain(practised, preferences, stage),
        _ when item.Task == ClockTasks.Describe => preferences.HourFirst ? "Look at one hand, and then at the other."
            : "The long hand first, then the short one.",
        _ => Help(item, preferences, stage),
    };

    /// <summary>What the short hand must do by these minutes, to choose from: the check whether the hands agree.</summary>
    public static IReadOnlyList<(HourPlace Place, string Words)> Agreeing { get; } =
        [(HourPlace.LittlePast, "just past its number"), (HourPlace.Halfway, "about halfway"),
            (HourPlace.NearlyNext, "nearly at the next")];

    /// <summary>Which hand to begin with.</summary>
    /// <param name="preferences">How clocks are taught here.</param>
    /// <param name="setting">Whether hands are set, not read.</param>
    public static string Routine(TeachingPreferences preferences, bool setting) =>
        (setting, setting ? preferences.SetsHourFirst : preferences.HourFirst) switch
        {
            (false, true) => "First the short hand: the hour. Then the long hand: the minutes.",
            (false, false) => "First the long hand: the minutes. Then the short hand: the hour.",
            (true, true) => "Set the short hand first, then the long one.",
            (true, false) => "Set the long hand first, then the short one.",
        };

    /// <summary>What to do with the hands of a clock that is to be set.</summary>
    /// <param name="item">An item that is answered with hands.</param>
    /// <param name="preferences">How clocks are taught here.</param>
    /// <param name="geared">Whether the hands go together.</param>
    public static string Hands(Item item, TeachingPreferences preferences, bool geared) => (AnswerBoxes.LooseHands(item), geared) switch
    {
        _ when item.Task == ClockTasks.RepairClock => "Only one hand is wrong. Move that one.",
        (_, true) => "The hands go together. Turn the long one, and watch the short one.",
        ((true, true), _) => Routine(preferences, setting: true),
        ((true, false), _) => "Move the short hand.",
        _ => "Move the long hand.",
    };

    /// <summary>A word that helps with a question, where its teacher wants one: it points at what to do, never at the answer.</summary>
    /// <param name="item">The question.</param>
    /// <param name="preferences">How clocks are taught here.</param>
    /// <param name="stage">The child's stage.</param>
    public static string Help(Item item, TeachingPreferences preferences, Stage stage) => item.Task switch
    {
        { IsQuestion: true } => item.Task == ClockTasks.DayPart ? Noon(preferences)
            : item.Task == ClockTasks.Later ? LookAgain(Step.CountingOn, preferences, stage) : "Take your time.",
        { Form: AnswerForm.Hands } => AnswerBoxes.LooseHands(item) switch
        {
            (true, true) => Routine(preferences, setting: true),
            (true, false) => LookAgain(Step.Placing, preferences, stage),
            _ => Minutes(preferences, stage),
        },
        { Form: AnswerForm.Minutes } => Minutes(preferences, stage),
        { Form: AnswerForm.Hour } => Hour(preferences),
        { ShowsClock: true } => Routine(preferences, setting: false),
        // Here no hand can be looked at.
        { Order: var order } when order.Contains(Step.PastOrTo) =>
            preferences.Wording.Fill("‘{Past}’: the hour has gone by. ‘{To}’: it is still coming."),
        _ => "Take your time.",
    };

    private static string Hour(TeachingPreferences preferences) => preferences[SettingList.HourWords] switch
    {
        "at" => "Which number is the short hand at, or just after?",
        _ => "Which number has the short hand passed?",
    };

    private static string Minutes(TeachingPreferences preferences, Stage stage) => preferences[SettingList.MinuteWords] switch
    {
        "numeral" => $"At which number is the long hand? {Counting(preferences, stage)}",
        "by-stage" when stage < Stage.CountingInFives => "Where does the long hand point: straight up, straight down, or to a side?",
        _ => Counting(preferences, stage),
    };

    private static string Noon(TeachingPreferences preferences) => preferences[SettingList.Noon] switch
    {
        "light" => "Is it light then or dark? Is the sun still climbing?",
        "count" => "The count turns at noon and at midnight. Which comes next?",
        _ => "Is it before noon or after? Think of the sun, and of where the count turns.",
    };

    private static string Counting(TeachingPreferences preferences, Stage stage)
    {
        var start = preferences.CountsFromOne ? "Start with five at the 1 and count in fives to the long hand."
            : "Start at the top and count in fives to the long hand.";
        return preferences.CountsBack && stage >= Stage.QuarterTo ? $"{start} After the half, you may count back from the top." : start;
    }
}
