namespace Umbick.Core.Teaching;

/// <summary>
/// Every setting, in the order in which they are shown. To add one is an entry here and a property of <see cref="TeachingPreferences"/>.
/// </summary>
public static class SettingList
{
    private const SettingGroup Teaching = SettingGroup.Teaching;
    private const SettingGroup Words = SettingGroup.Words;
    private const SettingGroup Face = SettingGroup.Face;
    private const SettingGroup Practising = SettingGroup.Practising;
    private const SettingGroup Asking = SettingGroup.Asking;

    /// <summary>Which hand is read first.</summary>
    public static Setting Reading { get; } = new(
        "reading", Teaching, "Which hand is read first?",
        "We say and write the hour first, and this order still works after the half hour.",
        [new("hour-first", "the hour hand"), new("minute-first", "the minute hand")]);

    /// <summary>Which hand is set first.</summary>
    public static Setting SettingOrder { get; } = new(
        "setting", Teaching, "Which hand is set first?", "One routine for reading and setting is less to remember.",
        [new("as-reading", "as in reading"), new("hour-first", "the hour hand"), new("minute-first", "the minute hand")]);

    /// <summary>Which wording comes first.</summary>
    public static Setting Path { get; } = new(
        "path", Teaching, "Which wording is taught first?", "Half {past} and quarter {to} are heard every day, long before six thirty.",
        [new("fractions", "half {past}, quarter {to}"), new("figures", "six thirty; {past} and {to} only after five-minute times")]);

    /// <summary>How late minutes are counted.</summary>
    public static Setting LateMinutes { get; } = new(
        "late-minutes", Teaching, "How are minutes after the half hour counted?", "Counting on from the 12 is one rule for the whole face.",
        [new("on", "on from the 12"), new("back", "back from the coming hour, once “{to}” is taught")]);

    /// <summary>Where counting in fives starts.</summary>
    public static Setting CountStart { get; } = new(
        "count-start", Teaching, "Where does counting in fives start?", "Nought at the 12 shows why a full hour has no minutes.",
        [new("twelve", "at the 12, as nought"), new("one", "at the 1, as five")]);

    /// <summary>What is said of the hour hand between two numerals.</summary>
    public static Setting HourWords { get; } = new(
        "hour-words", Teaching, "What is asked of the hour hand?",
        "The number it has passed is the hour at every time; the nearest one is wrong after half {past}.",
        [new("passed", "which number it has passed"), new("at", "which number it is at, or just after")]);

    /// <summary>What is said of the minute hand.</summary>
    public static Setting MinuteWords { get; } = new(
        "minute-words", Teaching, "What is said of the minute hand?",
        "Up to half {past} it is enough to say where it points; after that the minutes are counted.",
        [new("by-stage", "its direction at first, the count later"), new("numeral", "the number it is at, as a place; then the count"),
            new("count", "always the count, never the number")]);

    /// <summary>How noon and midnight are told apart.</summary>
    public static Setting Noon { get; } = new(
        "noon", Teaching, "How are morning and afternoon told apart?",
        "Light and dark show what the hours are like; the count shows where they change.",
        [new("both", "by light and dark, and by the count"), new("light", "by light and dark"), new("count", "by where the count turns")]);

    /// <summary>How near the hour hand has to be.</summary>
    public static Setting Nearness { get; } = new(
        "nearness", Teaching, "How near must the hour hand be placed?",
        "The right space is what counts at first; its place within it comes with five-minute times.",
        [new("by-stage", "the right space first, its place later"), new("space", "the right space is enough"),
            new("place", "near its place, always")]);

    /// <summary>When minute numbers stand round the face.</summary>
    public static Setting MinuteNumbers { get; } = new(
        "minute-numbers", Teaching, "Minute numbers round the face?", "A child who always has them never reads a bare clock.",
        [new("faded", "as support that fades"), new("always", "always"), new("never", "never")]);

    /// <summary>How much help the first faces of a practice set carry.</summary>
    public static Setting Support { get; } = new(
        "support", Practising, "Help on the first clocks of a set?",
        "Help that depends on how the last set went soon fades. The last two clocks of a set never have any.",
        [
            new("by-last", "by how the last set went"), new("full", "minute numbers, the halves and the hour’s space"),
            new("most", "minute numbers and the hour’s space"), new("some", "the hour’s space"), new("bare", "none"),
        ]);

    /// <summary>Whether the hands go together where a clock is set.</summary>
    public static Setting Hands { get; } = new(
        "hands", Practising, "Do the hands go together?",
        "Hands that go together show where the hour hand belongs; loose ones show where the child thinks it does. While asking they are "
            + "always loose.",
        [new("by-use", "together to show, loose when the child sets"), new("geared", "together when the child practises, too"),
            new("loose", "always loose")]);

    /// <summary>Whether a child checks the short hand against the long one once an item is settled.</summary>
    public static Setting HandsAgree { get; } = new(
        "hands-agree", Practising, "Is ‘do the hands agree?’ asked after each clock?",
        "This is the child’s own check, and the best habit to leave them with. It is never scored.",
        [new("off", "no"), new("asked", "yes, after each clock that is read or set")]);

    /// <summary>How long an answer is waited for where they practise to read at ease.</summary>
    public static Setting Waiting { get; } = new(
        "waiting", Practising, "How long may an answer take?",
        "No child is hurried while being asked or working on a pattern. In reading at ease a line may run down; a late answer counts all "
            + "the same.",
        [new("as-long", "as long as it takes"), new("countdown", "a line runs down, only for reading at ease")]);

    /// <summary>The word for minutes after the hour.</summary>
    public static Setting Past { get; } =
        new("past", Words, "Minutes after the hour", "Most schools say past.",
            [new("past", "ten past six"), new("after", "ten after six")]);

    /// <summary>The word for minutes before the hour.</summary>
    public static Setting To { get; } = new(
        "to", Words, "Minutes before the hour", "Most schools say to.",
        [new("to", "ten to six"), new("till", "ten till six"), new("of", "ten of six"), new("before", "ten before six")]);

    /// <summary>The mark between hour and minutes.</summary>
    public static Setting Mark { get; } =
        new("mark", Words, "Between hour and minutes", "A colon cannot be taken for a decimal point.",
            [new("colon", "a colon"), new("stop", "a full stop")]);

    /// <summary>What "half eight" means.</summary>
    public static Setting HalfHour { get; } = new(
        "half-hour", Words, "What does “half eight” mean?",
        "To some it is half an hour before eight, to others half {past} eight. Until that is settled it counts neither way.",
        [new("ask", "not settled: ask"), new("before", "half an hour before eight"), new("after", "half {past} eight")]);

    /// <summary>Which numerals the face has.</summary>
    public static Setting Numerals { get; } = new(
        "numerals", Face, "Numbers on the face", "All twelve, until all twelve are sure.",
        [new("all", "all twelve"), new("quarters", "12, 3, 6 and 9"), new("roman", "Roman"), new("none", "none")]);

    /// <summary>Which ticks the face has.</summary>
    public static Setting Ticks { get; } = new(
        "ticks", Face, "Ticks", "Every minute has its place.",
        [new("all", "every minute"), new("fives", "every five minutes"), new("none", "none")]);

    /// <summary>Whether there is a second hand.</summary>
    public static Setting SecondHand { get; } = new(
        "second-hand", Face, "A second hand", "It is taught last. In most lessons the clock does without one.",
        [new("none", "no"), new("thin", "yes, a thin one at the 12")]);

    /// <summary>The colours of the hands.</summary>
    public static Setting HandColours { get; } = new(
        "hand-colours", Face, "Colours of the hands", "Length and form tell the hands apart; colours may match the clock in your room.",
        [new("ink", "both dark"), new("blue-rust", "hour hand blue, minute hand rust"),
            new("rust-blue", "hour hand rust, minute hand blue"), new("plum-teal", "hour hand plum, minute hand teal")]);

    /// <summary>Whether answers are timed.</summary>
    public static Setting Timing { get; } = new(
        "timing", Asking, "Measure how long an answer takes?",
        "Nothing ticks, and the child sees nothing. Weeks later it shows whether reading has become easier.",
        [new("on", "yes, quietly"), new("off", "no")]);

    /// <summary>How many questions an asking has.</summary>
    public static Setting Length { get; } = new(
        "length", Asking, "Questions in one sitting", "Twelve tell most patterns apart and are over in ten minutes.",
        [new("12", "twelve"), new("8", "eight"), new("16", "sixteen")]);

    /// <summary>What the teacher's own clock carries beside its numbers.</summary>
    public static Setting OwnClock { get; } = new(
        "own-clock", Asking, "What does your own clock carry?",
        "Minute numbers on a clock are help: what is answered with them counts as answered with help.",
        [new("plain", "its twelve numbers alone"), new("minute-numbers", "minute numbers as well"),
            new("halves", "minute numbers, {past} and {to}")]);

    /// <summary>Whether the hands of the teacher's own clock go together.</summary>
    public static Setting OwnHands { get; } = new(
        "own-clock-hands", Asking, "How do the hands of your own clock move?",
        "Where the short hand of a clock stands whose hands go together is not the child’s doing: only the long one is counted.",
        [new("loose", "each by itself"), new("geared", "together")]);

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Setting> All { get; } =
    [
        Reading, SettingOrder, Path, LateMinutes, CountStart, HourWords, MinuteWords, Noon, Nearness, MinuteNumbers, Support, Hands,
        HandsAgree, Waiting, Past, To, Mark, HalfHour, Numerals, Ticks, SecondHand, HandColours, Timing, Length, OwnClock,
        OwnHands,
    ];

    /// <summary>The setting with this id, or null.</summary>
    public static Setting? Find(string id) => All.FirstOrDefault(setting => setting.Id == id);
}
