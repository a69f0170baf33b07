namespace Umbick.Core.Items;

/// <summary>The ids of the tasks, as they stand in files and in the database.</summary>
public static class TaskIds
{
    public const string NamePart = "name-part";
    public const string NumberFace = "number-face";
    public const string HourOnly = "hour-only";
    public const string FullTurn = "full-turn";
    public const string ReadDigital = "read-digital";
    public const string ReadWords = "read-words";
    public const string ChooseTime = "choose-time";
    public const string ChooseClock = "choose-clock";
    public const string Match = "match";
    public const string Judge = "judge";
    public const string RepairClock = "repair-clock";
    public const string SetFromDigital = "set-from-digital";
    public const string SetFromWords = "set-from-words";
    public const string CopyClock = "copy-clock";
    public const string Describe = "describe";
    public const string Story = "story";
    public const string WordsToDigital = "words-to-digital";
    public const string DigitalToWords = "digital-to-words";
    public const string ChooseNames = "choose-names";
    public const string PlaceHourHand = "place-hour-hand";
    public const string PlaceMinuteHand = "place-minute-hand";
    public const string InferMinuteHand = "infer-minute-hand";
    public const string CountFives = "count-fives";
    public const string MinutesOnly = "minutes-only";
    public const string SetMinutes = "set-minutes";
    public const string PossibleTime = "possible-time";
    public const string DayPart = "day-part";
    public const string Later = "later";
    public const string TimeFact = "time-fact";
    public const string Prerequisite = "ground";
    public const string DurationUnit = "duration-unit";
    public const string Feel = "feel";
    public const string Unreadable = "unreadable";
}
