using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Teaching;

/// <summary>Which numerals a face has.</summary>
public enum Numerals
{
    /// <summary>All twelve.</summary>
    All,

    /// <summary>12, 3, 6 and 9.</summary>
    Quarters,

    /// <summary>All twelve, in Roman figures.</summary>
    Roman,

    /// <summary>None.</summary>
    None,
}

/// <summary>Which ticks a face has.</summary>
public enum Ticks
{
    /// <summary>One for every minute.</summary>
    All,

    /// <summary>One for every five minutes.</summary>
    Fives,

    /// <summary>None.</summary>
    None,
}

/// <summary>When minute numbers stand round a face.</summary>
public enum MinuteNumbers
{
    /// <summary>As support, which fades.</summary>
    Faded,

    /// <summary>Always.</summary>
    Always,

    /// <summary>Never.</summary>
    Never,
}

/// <summary>How a school's clock faces look.</summary>
/// <param name="Numerals">The numerals.</param>
/// <param name="Ticks">The ticks.</param>
/// <param name="SecondHand">Whether a second hand is drawn, standing at the 12.</param>
/// <param name="MinuteNumbers">When minute numbers stand round the face.</param>
/// <param name="Colours">The id of the hands' colours.</param>
public sealed record Dial(Numerals Numerals, Ticks Ticks, bool SecondHand, MinuteNumbers MinuteNumbers, string Colours)
{
    /// <summary>The dial of a school that has chosen nothing.</summary>
    public static Dial Usual => TeachingPreferences.Usual.Dial;
}

/// <summary>
/// How clocks are taught, said and drawn here: what a school has chosen, with a child's own choices over it, and the usual choice for all
/// the rest.
/// </summary>
public sealed class TeachingPreferences
{
    private readonly IReadOnlyDictionary<string, string> _school;
    private readonly IReadOnlyDictionary<string, string> _child;

    /// <summary>Preferences from choices by the ids of settings; unknown ones are ignored.</summary>
    /// <param name="school">What the school has chosen.</param>
    /// <param name="child">What was chosen for this child; it goes before the school's.</param>
    public TeachingPreferences(IReadOnlyDictionary<string, string> school, IReadOnlyDictionary<string, string>? child = null)
    {
        (_school, _child) = (school, child ?? new Dictionary<string, string>());
        Wording = new Wording(this[SettingList.Past], this[SettingList.To], this[SettingList.Mark] == "stop" ? '.' : ':');
        Dial = new Dial(
            Enum.Parse<Numerals>(this[SettingList.Numerals], ignoreCase: true),
            Enum.Parse<Ticks>(this[SettingList.Ticks], ignoreCase: true),
            this[SettingList.SecondHand] != "none",
            Enum.Parse<MinuteNumbers>(this[SettingList.MinuteNumbers], ignoreCase: true),
            this[SettingList.HandColours]);
    }

    /// <summary>The preferences of a school that has chosen nothing.</summary>
    public static TeachingPreferences Usual { get; } = new(new Dictionary<string, string>());

    /// <summary>The id of what is chosen for a setting.</summary>
    public string this[Setting setting] => Own(_child, setting) ?? Own(_school, setting) ?? setting.Usual.Id;

    /// <summary>What was chosen for this child alone; null where they go by the school's choice.</summary>
    public string? ForChild(Setting setting) => Own(_child, setting);

    /// <summary>The same school with another child's choices.</summary>
    public TeachingPreferences With(IReadOnlyDictionary<string, string> child) => new(_school, child);

    /// <summary>How times are said and written.</summary>
    public Wording Wording { get; }

    /// <summary>How faces are drawn.</summary>
    public Dial Dial { get; }

    /// <summary>Whether the hour hand is read first.</summary>
    public bool HourFirst => this[SettingList.Reading] == "hour-first";

    /// <summary>Whether the hour hand is set first.</summary>
    public bool SetsHourFirst => this[SettingList.SettingOrder] switch { "as-reading" => HourFirst, var order => order == "hour-first" };

    /// <summary>Whether minutes after the half hour are counted back, once “to” is taught.</summary>
    public bool CountsBack => this[SettingList.LateMinutes] == "back";

    /// <summary>Whether counting in fives starts at the 1.</summary>
    public bool CountsFromOne => this[SettingList.CountStart] == "one";

    /// <summary>How near an hour hand has to be placed.</summary>
    public Nearness Nearness => this[SettingList.Nearness] switch
    {
        "space" => Nearness.Space,
        "place" => Nearness.Place,
        _ => Nearness.ByStage
    };

    /// <summary>The help that the first faces of every set carry; null where it follows from how the last set went.</summary>
    public Support? Support => this[SettingList.Support] is "by-last" ? null
        : Enum.Parse<Support>(this[SettingList.Support], ignoreCase: true);

    /// <summary>Whether the hands of the clock that is shown go together.</summary>
    public bool ShowsGeared => this[SettingList.Hands] != "loose";

    /// <summary>Whether the hands go together where a child practises; while they are asked they never do.</summary>
    public bool PractisesGeared => this[SettingList.Hands] == "geared";

    /// <summary>Whether a child checks the short hand against the long one after each clock of a set.</summary>
    public bool ChecksHands => this[SettingList.HandsAgree] == "asked";

    /// <summary>Whether a line runs down where a child practises to read at ease.</summary>
    public bool CountsDown => this[SettingList.Waiting] == "countdown";

    /// <summary>Whether answers are timed.</summary>
    public bool Timed => this[SettingList.Timing] == "on";

    /// <summary>Whether the hands of the teacher's own clock go together.</summary>
    public bool OwnClockIsGeared => this[SettingList.OwnHands] == "geared";

    /// <summary>What is meant by 'half eight'.</summary>
    public HalfMeaning HalfHour => this[SettingList.HalfHour] switch
    {
        "before" => HalfMeaning.Before,
        "after" => HalfMeaning.After,
        _ => HalfMeaning.NotSettled
    };

    /// <summary>What answers that are kept are read and scored by: with another of these they may mean something else.</summary>
    public string ReadBy => $"{Nearness}{(HalfHour == HalfMeaning.NotSettled ? "" : $" {HalfHour}")}";

    /// <summary>How many questions an asking has.</summary>
    public int Length => int.Parse(this[SettingList.Length], CultureInfo.InvariantCulture);

    /// <summary>The help that a teacher's own clock is.</summary>
    /// <param name="carries">The id of what it carries; null where no such clock is used.</param>
    public static Support HelpOn(string? carries) => carries switch
    {
        "minute-numbers" => Items.Support.Most,
        "halves" => Items.Support.Full,
        _ => Items.Support.Bare
    };

    /// <summary>Whether a task is in use at a stage: figures first keeps past and to until five-minute times are taught.</summary>
    public bool Uses(ClockTask task, Stage stage) =>
        this[SettingList.Path] == "fractions" || stage >= Stage.FiveMinutesTo
        || (task.Form != AnswerForm.Words && task.Stimulus != Stimulus.Words && task.ReadAs != ClockTasks.ReadWords);

    private static string? Own(IReadOnlyDictionary<string, string> chosen, Setting setting) =>
        chosen.GetValueOrDefault(setting.Id) is { } choice && setting.Has(choice) ? choice : null;
}
