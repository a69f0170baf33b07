using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>What is being taught, roughly in this order. The numbers stand in files and in the database.</summary>
public enum Stage
{
    Parts = 1,
    HourHandAlone = 2,
    OClock = 3,
    HalfPast = 4,
    QuarterPast = 5,
    QuarterTo = 6,
    CountingInFives = 7,
    FiveMinutesPast = 8,
    FiveMinutesTo = 9,
    EveryMinute = 10,
    MorningAndAfternoon = 11,
    BeforeAndAfter = 12,
}

/// <summary>What each stage is called, and which times are in play at it.</summary>
public static class Stages
{
    /// <summary>Every stage at which whole times are read, in order.</summary>
    public static IReadOnlyList<Stage> OfReading { get; } =
        [.. Enum.GetValues<Stage>().Where(stage => stage is >= Stage.OClock and <= Stage.EveryMinute)];

    /// <summary>The stage's name as a teacher says it who says times like this.</summary>
    public static string Name(this Stage stage, Wording wording) => wording.Fill(stage switch
    {
        Stage.Parts => "Parts of a clock",
        Stage.HourHandAlone => "The hour hand alone",
        Stage.OClock => "O'clock",
        Stage.HalfPast => "Half {past}",
        Stage.QuarterPast => "Quarter {past}",
        Stage.QuarterTo => "Quarter {to}",
        Stage.CountingInFives => "Counting round in fives",
        Stage.FiveMinutesPast => "Five-minute times, {past}",
        Stage.FiveMinutesTo => "Five-minute times, {to}",
        Stage.EveryMinute => "Every minute",
        Stage.MorningAndAfternoon => "Morning and afternoon",
        _ => "Before and after",
    });

    /// <summary>Whether times with these minutes (0 to 59) have been taught by this stage.</summary>
    public static bool Has(this Stage stage, int minute) => stage >= FirstWith(minute);

    /// <summary>The stage at which times with these minutes (0 to 59) are first taught.</summary>
    public static Stage FirstWith(int minute) => minute switch
    {
        0 => Stage.OClock,
        30 => Stage.HalfPast,
        15 => Stage.QuarterPast,
        45 => Stage.QuarterTo,
        _ when minute % 5 != 0 => Stage.EveryMinute,
        < 30 => Stage.FiveMinutesPast,
        _ => Stage.FiveMinutesTo,
    };
}
