using System.Globalization;
using System.Text.RegularExpressions;
using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>One of the times of a school's own day, with its words.</summary>
/// <param name="Words">The words, as they stand in a sentence: “the morning break”.</param>
/// <param name="At">When it is.</param>
public sealed partial record SchoolMoment(string Words, TimeOnly At)
{
    /// <summary>The most signs that the words have.</summary>
    public const int Longest = 40;

    /// <summary>How many times of its day a school names.</summary>
    public const int Count = 8;

    /// <summary>The day of a school that has named no other, in order.</summary>
    public static IReadOnlyList<SchoolMoment> Usual { get; } =
    [
        new("the bell", new(8, 50)), new("the morning break", new(10, 30)), new("dinner at school", new(12, 15)),
        new("the afternoon bell", new(13, 10)), new("story time", new(14, 45)), new("going home", new(15, 15)),
        new("tea", new(17, 30)), new("bedtime", new(20, 0)),
    ];

    /// <summary>The time as a face shows it.</summary>
    public ClockTime Time => new(Hours.Named(At.Hour % 12), At.Minute);

    /// <summary>It as it stands in what is given with a question: <c>the bell @ 8:50</c>.</summary>
    public string Given => string.Create(CultureInfo.InvariantCulture, $"{Words} @ {At.Hour}:{At.Minute:00}");

    /// <summary>A moment of what was given, and what follows it; null where none stands there.</summary>
    public static (SchoolMoment Moment, string After)? Parse(string given)
    {
        if (AtItsTime().Match(given) is not { Success: true } found) return null;
        return TimeOnly.TryParseExact(found.Groups["time"].Value, "H:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out var at)
            && found.Groups["words"].Value.Length <= Longest
            ? (new(found.Groups["words"].Value, at), found.Groups["rest"].Value.Trim()) : null;
    }

    /// <summary>
    /// Why eight moments cannot be a day, in a sentence; null where they can: each has words that can stand in a question, and they follow
    /// each other.
    /// </summary>
    public static string? WhyNot(IReadOnlyList<SchoolMoment> day)
    {
        if (day.Count != Count) return $"A day has {Count} times here.";
        if (day.FirstOrDefault(moment => moment.Words.Trim().Length == 0 || moment.Words.Length > Longest || moment.Words.Contains('@'))
            is { } wrong) return $"“{wrong.Words}” cannot be used: words are needed, {Longest} signs at most, without @.";
        return day.Zip(day.Skip(1)).Where(pair => pair.First.At >= pair.Second.At)
            .Select(pair => $"“{pair.Second.Words}” has to come after “{pair.First.Words}”.").FirstOrDefault();
    }

    [GeneratedRegex(@"^(?<words>[^@]+?) @ (?<time>[0-9]{1,2}:[0-9]{2})(?<rest>.*)$")]
    private static partial Regex AtItsTime();
}
