using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>The questions that are no reading of a clock, made by rule or listed.</summary>
public static class OtherSkillItems
{
    private static readonly string[] YesOrNo = ["it can be", "it cannot be"];

    private static readonly string[] Units = ["seconds", "minutes", "hours", "days", "weeks", "months", "years"];

    private static readonly (string Event, int Hour, int Minute)[] Day =
    [
        ("the baker begins to bake", 5, 30), ("getting up", 7, 0), ("the school bell", 8, 50), ("the morning break", 10, 30),
        ("the sun stands highest", 12, 0), ("dinner at school", 12, 15), ("swimming after dinner", 13, 40), ("school is over", 15, 15),
        ("tea", 17, 30), ("a story before bed", 19, 45), ("bedtime", 20, 10), ("a new day begins", 0, 0),
        ("everybody is asleep", 0, 30),
    ];

    /// <summary>What was asked before: it is not asked any more, and what was answered then can still be read.</summary>
    private static readonly (string Event, int Hour, int Minute)[] DayBefore =
    [
        ("the ferry leaves with the fishermen", 5, 30), ("the afternoon ferry", 13, 40), ("the lamp is lit", 19, 45),
        ("the tide bell in the middle of the night", 0, 30),
    ];

    private const string CrossingBefore = "a ferry crossing";

    /// <summary>Every listed question, and the ones made by rule at some times.</summary>
    public static IReadOnlyList<Item> All { get; } = [.. Make().Select(Item.From)];

    /// <summary>The question with this task and given text, or null. Times after, before and until are read off the text.</summary>
    public static OtherSkillItem? Find(ClockTask task, string given) =>
        All.Select(item => item.OtherSkill!).Concat(AskedBefore)
            .FirstOrDefault(question => question.Task == task && OtherSkillItem.Same(question.Given, given)) ?? Made(task, given);

    private static IEnumerable<OtherSkillItem> AskedBefore =>
        [.. DayBefore.Select(day => HalfOfDay(day.Event, day.Hour, day.Minute)), CountedIn(CrossingBefore, 1)];

    private static OtherSkillItem HalfOfDay(string what, int hour, int minute)
    {
        var time = new ClockTime(Hours.Named(hour), minute);
        return new(ClockTasks.DayPart, what, $"“{Capital(what)}”, {time}: a.m. or p.m.?", hour < 12 ? "a.m." : "p.m.",
            QuestionKind.HalfOfDay)
        { Choices = ["a.m.", "p.m."], Time = time, HourOfDay = hour };
    }

    private static OtherSkillItem CountedIn(string what, int unit) => Choose(ClockTasks.DurationUnit, what,
        $"How long does {what} take: in what would you count it?", Units[unit], "units of time", Units);

    /// <summary>What is the time some minutes after (below nought: before) a time?</summary>
    public static OtherSkillItem Later(ClockTime time, int minutes) => new(
        ClockTasks.Later,
        minutes < 0 ? $"{time} - {-minutes}" : $"{time} + {minutes}",
        $"It is {time}. What time {(minutes < 0 ? "was it" : "will it be")} {Count(Math.Abs(minutes))} "
            + $"{(minutes < 0 ? "before" : "later")}?",
        time.Plus(minutes).ToString(),
        minutes < 0 ? QuestionKind.Before : QuestionKind.After)
    { Time = time, Minutes = Math.Abs(minutes) };

    /// <summary>How many minutes is it from a time until another?</summary>
    public static OtherSkillItem Until(ClockTime from, ClockTime to)
    {
        var minutes = (((to.Hour * 60) + to.Minute - (from.Hour * 60) - from.Minute) % ClockTime.MinutesRound
            + ClockTime.MinutesRound) % ClockTime.MinutesRound;
        return new OtherSkillItem(ClockTasks.Later, $"{from} until {to}", $"How many minutes is it from {from} until {to}?", $"{minutes}",
            QuestionKind.Until)
        { Time = from, Minutes = minutes };
    }

    /// <summary>A time of day on a 24-hour clock.</summary>
    public static OtherSkillItem DayTime(int hour, int minute)
    {
        var time = new ClockTime(Hours.Named(hour), minute);
        var half = hour < 12 ? "a.m." : "p.m.";
        return new OtherSkillItem(ClockTasks.DayPart, $"{time} {(hour < 12 ? "am" : "pm")}", $"Write {time} {half} as a 24-hour time.",
            $"{hour}:{minute:00}", QuestionKind.DayTime)
        { Time = time, HourOfDay = hour };
    }

    /// <summary>Whether a time of the school's own day is a.m. or p.m.</summary>
    public static OtherSkillItem HalfOfDay(SchoolMoment moment) =>
        HalfOfDay(moment.Words, moment.At.Hour, moment.At.Minute) with { Given = moment.Given };

    /// <summary>What is the time some minutes after (below nought: before) a time of the school's own day?</summary>
    public static OtherSkillItem Later(SchoolMoment moment, int minutes) => Later(moment.Time, minutes) with
    {
        Given = $"{moment.Given} {(minutes < 0 ? '-' : '+')} {Math.Abs(minutes)}",
        Text = $"{Capital(moment.Words)} is at {moment.Time}. What time {(minutes < 0 ? "was it" : "is it")} {Count(Math.Abs(minutes))} "
            + $"{(minutes < 0 ? "before" : "later")}?",
    };

    /// <summary>How many minutes is it from one time of the school's own day until another?</summary>
    public static OtherSkillItem Until(SchoolMoment from, SchoolMoment to) => Until(from.Time, to.Time) with
    {
        Given = $"{from.Given} until {to.Given}",
        Text = $"{Capital(from.Words)} is at {from.Time}, {to.Words} at {to.Time}. How many minutes is it from one to the other?",
    };

    /// <summary>The questions of a kind on a school's own day; none for a kind that has no day.</summary>
    /// <param name="task">The kind.</param>
    /// <param name="day">The school's day, in order.</param>
    public static IReadOnlyList<Item> OnDay(ClockTask task, IReadOnlyList<SchoolMoment> day) =>
        task == ClockTasks.DayPart
            ? [.. day.SelectMany(moment => new[] { HalfOfDay(moment), DayTime(moment.At.Hour, moment.At.Minute) }).Select(Item.From)]
        : task == ClockTasks.Later
            ? [.. day.SelectMany((moment, i) => new[] { Later(moment, 5 * (2 + (i % 4))), Later(moment, -5 * (1 + (i % 3))) })
                .Concat(day.Zip(day.Skip(1)).Where(pair => (pair.Second.At - pair.First.At).TotalMinutes <= LongestUntil)
                    .Select(pair => Until(pair.First, pair.Second))).Select(Item.From)]
        : [];

    /// <summary>Longer stretches are not counted out in minutes.</summary>
    private const int LongestUntil = 60;

    private static OtherSkillItem? OfDay(ClockTask task, string given)
    {
        if (SchoolMoment.Parse(given) is not var (moment, rest)) return null;
        if (task == ClockTasks.DayPart) return rest.Length == 0 ? HalfOfDay(moment) : null;
        if (task != ClockTasks.Later) return null;
        if (rest.StartsWith("until ", StringComparison.Ordinal))
            return SchoolMoment.Parse(rest["until ".Length..]) is ({ } to, "") ? Until(moment, to) : null;
        return rest.Length > 1 && rest[0] is '+' or '-' && int.TryParse(rest[1..], out var minutes) && minutes is > 0 and < 720
            ? Later(moment, rest[0] == '-' ? -minutes : minutes) : null;
    }

    private static OtherSkillItem? Made(ClockTask task, string given)
    {
        if (given.Contains('@')) return OfDay(task, given);
        if (task == ClockTasks.Later)
        {
            var parts = given.Split(given.Contains("until", StringComparison.Ordinal) ? "until" : given.Contains('-') ? "-" : "+", 2,
                StringSplitOptions.TrimEntries);
            if (parts.Length != 2 || ClockTime.TryParse(parts[0]) is not { } time) return null;
            if (ClockTime.TryParse(parts[1]) is { } to) return Until(time, to);
            return int.TryParse(parts[1], out var minutes) && minutes is > 0 and < 720
                ? Later(time, given.Contains('-') ? -minutes : minutes) : null;
        }
        if (task == ClockTasks.DayPart)
        {
            var parts = given.Split(' ', 2, StringSplitOptions.TrimEntries);
            if (parts.Length == 2 && ClockTime.TryParse(parts[0]) is { } at
                && parts[1].Replace(".", "", StringComparison.Ordinal) is "am" or "pm")
                return DayTime((at.Hour % 12) + (parts[1][0] == 'p' ? 12 : 0), at.Minute);
        }
        return null;
    }

    private static IEnumerable<OtherSkillItem> Make()
    {
        foreach (var (time, minutes) in new[] { ("10:59", 1), ("3:50", 20), ("7:45", 30), ("8:20", 15), ("11:40", 35), ("12:55", 10),
            ("4:10", -20), ("1:05", -10), ("6:00", -15), ("9:30", -45) })
            yield return Later(At(time), minutes);
        foreach (var (from, to) in new[] { ("2:40", "3:10"), ("9:55", "10:20"), ("6:15", "6:50"), ("11:30", "12:15"), ("12:45", "1:30") })
            yield return Until(At(from), At(to));
        foreach (var time in new[] { "3:10", "5:25", "8:40", "11:50" })
        {
            var at = At(time);
            yield return new(ClockTasks.Later, $"{time} half an hour later", $"It is {time}. What time will it be half an hour later?",
                at.Plus(30).ToString(), QuestionKind.HalfHourAfter)
            { Time = at, Minutes = 30 };
            yield return new(ClockTasks.Later, $"{time} a quarter of an hour later",
                $"It is {time}. What time will it be a quarter of an hour later?", at.Plus(15).ToString(), QuestionKind.QuarterHourAfter)
            { Time = at, Minutes = 15 };
        }
        foreach (var (what, hour, minute) in Day)
        {
            yield return HalfOfDay(what, hour, minute);
            yield return DayTime(hour, minute);
        }
        foreach (var (what, right, minutes, from) in new[]
        {
            ("minutes in an hour", 60, 60, Stage.OClock), ("minutes in half an hour", 30, 30, Stage.HalfPast),
            ("minutes in a quarter of an hour", 15, 15, Stage.QuarterPast),
            ("seconds in a minute", 60, 0, Stage.EveryMinute), ("hours in a day", 24, 0, Stage.MorningAndAfternoon),
            ("days in a week", 7, 0, Stage.Parts), ("months in a year", 12, 0, Stage.Parts),
        })
        {
            yield return new(ClockTasks.TimeFact, what, $"How many {what}?", $"{right}",
                minutes > 0 ? QuestionKind.MinutesIn : QuestionKind.Skill)
            {
                Minutes = minutes,
                From = from,
                Skill = minutes > 0 ? null : "facts about time"
            };
        }
        foreach (var question in Skills()) yield return question;
    }

    private static IEnumerable<OtherSkillItem> Skills()
    {
        yield return Choose(ClockTasks.NamePart, "hour hand", "Which hand tells the hour?", "the short one", "parts of the clock",
            ["the short one", "the long one"]);
        yield return Choose(ClockTasks.NamePart, "minute hand", "Which hand tells the minutes?", "the long one", "parts of the clock",
            ["the short one", "the long one"]);
        yield return Choose(ClockTasks.NamePart, "clockwise", "Which way do the hands walk from the 12?", "towards the 1", "clockwise",
            ["towards the 1", "towards the 11"]);
        yield return Choose(ClockTasks.NamePart, "figures", "In 8:35, which figures are the minutes?", "35", "parts of the clock",
            ["8", "35"]);
        yield return Choose(ClockTasks.NamePart, "ticks", "From one small tick to the next is how long?", "a minute", "parts of the clock",
            ["a minute", "five minutes", "an hour"]);
        yield return Free(ClockTasks.NumberFace, WholeFace, "Put the numbers 1 to 12 in their places.", "12 1 2 3 4 5 6 7 8 9 10 11",
            "numerals in order");
        yield return Free(ClockTasks.NumberFace, "opposite 12", "Which number is opposite the 12?", "6", "numerals in order");
        yield return Free(ClockTasks.NumberFace, "opposite 3", "Which number is opposite the 3?", "9", "numerals in order");
        foreach (var (given, next) in new[] { ("5 10 15", 20), ("25 30 35", 40), ("40 45 50", 55), ("45 50 55", 60) })
            yield return Free(ClockTasks.CountFives, given, $"Go on counting: {given.Replace(" ", ", ", StringComparison.Ordinal)}, …",
                $"{next}", CountsInFives);
        foreach (var (given, gap) in new[] { ("15 ? 25", 20), ("30 ? 40", 35), ("50 ? 60", 55) })
            yield return Free(ClockTasks.CountFives, given,
                $"Which number is missing: {given.Replace("?", "…", StringComparison.Ordinal)}?", $"{gap}", CountsInFives);
        foreach (var numeral in new[] { 4, 7, 9, 11 })
            yield return Free(ClockTasks.CountFives, $"to the {numeral}", $"Count in fives from the 12 to the {numeral}. Where are you?",
                $"{numeral * 5}", CountsInFives);
        foreach (var (time, can) in new[] { ("4:75", false), ("12:59", true), ("13:20", false), ("10:60", false), ("7:07", true) })
            yield return Choose(ClockTasks.PossibleTime, time, $"Can a clock with hands show {time}?", YesOrNo[can ? 0 : 1],
                "possible times", YesOrNo);
        yield return Choose(ClockTasks.PossibleTime, "hour hand on 3, minute hand on 6",
            "The short hand is exactly on the 3, the long one on the 6. Can that be?", YesOrNo[1], "hands that go together", YesOrNo);
        yield return Choose(ClockTasks.PossibleTime, "hour hand halfway, minute hand on 12",
            "The short hand is halfway between 8 and 9, the long one on the 12. Can that be?", YesOrNo[1], "hands that go together",
            YesOrNo);
        yield return Free(ClockTasks.Prerequisite, "numeral 12", "Read this number: 12", "12", "reads numerals to 12") with
        { OnlyAloud = true };
        yield return Free(ClockTasks.Prerequisite, "numeral 9", "Read this number: 9", "9", "reads numerals to 12") with
        { OnlyAloud = true };
        yield return Free(ClockTasks.Prerequisite, "half of 12", "What is half of 12?", "6", "half and quarter");
        yield return Free(ClockTasks.Prerequisite, "quarter of 12", "What is a quarter of 12?", "3", "half and quarter");
        yield return Free(ClockTasks.Prerequisite, "double 30", "What is 30 and 30?", "60", "doubles and halves");
        yield return Free(ClockTasks.Prerequisite, "double 15", "What is 15 and 15?", "30", "doubles and halves");
        yield return Choose(ClockTasks.Prerequisite, "longer", "Which is longer: a pencil or a broom?", "a broom", "longer and shorter",
            ["a pencil", "a broom"]);
        foreach (var (what, unit) in new[] { ("a sneeze", 0), ("brushing your teeth", 1), ("a night’s sleep", 2), ("a summer holiday", 4),
            ("growing up", 6), ("a swimming lesson", 1) })
            yield return CountedIn(what, unit);
        foreach (var seconds in new[] { 10, 30, 60 })
            yield return new(ClockTasks.Feel, $"{seconds} seconds", $"Shut your eyes. Stop when you think that {seconds} seconds are over.",
                $"{seconds}", QuestionKind.Feel);
    }

    /// <summary>The question in which all twelve numerals are put in place; its answer names them from the top, clockwise.</summary>
    public const string WholeFace = "whole face";

    /// <summary>The prerequisite skill without which no minutes can be counted.</summary>
    public const string CountsInFives = "counts in fives";

    private static OtherSkillItem Free(ClockTask task, string given, string text, string right, string skill) =>
        new(task, given, text, right, QuestionKind.Skill) { Skill = skill };

    private static OtherSkillItem Choose(
        ClockTask task, string given, string text, string right, string skill, IReadOnlyList<string> choices) =>
        new(task, given, text, right, QuestionKind.Skill) { Skill = skill, Choices = choices };

    private static ClockTime At(string time) => ClockTime.TryParse(time)!.Value;

    private static string Count(int minutes) => minutes == 1 ? "one minute" : $"{minutes} minutes";

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
