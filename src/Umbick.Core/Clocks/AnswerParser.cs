using System.Globalization;
using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>
/// Reads what children write and teachers type. It never throws, refuses nothing, and never guesses silently: what has two meanings is
/// <see cref="AmbiguousHalf"/>, what is only near is <see cref="Estimate"/>, what has none is <see cref="Unread"/>.
/// </summary>
public static partial class AnswerParser
{
    /// <summary>The longest text that is looked at, in characters. Nothing a child says for a time is longer.</summary>
    public const int LongestAnswer = 200;

    /// <summary>Reads an answer.</summary>
    /// <param name="raw">The text exactly as given.</param>
    /// <param name="by">Who typed it: only a teacher's <c>.</c>, <c>ok</c> and <c>right</c> mean that it was right.</param>
    public static Answer Parse(string? raw, Typist by = Typist.Teacher)
    {
        var given = raw ?? "";
        var text = GivenText.Plain(given);
        return text switch
        {
            "" or "-" => new NoAnswer(),
            "?" => new DontKnow(),
            "ok" or "." or "right" when by == Typist.Teacher => new SaidRight(),
            "wrong" => new SaidWrong(),
            _ when given.Length > LongestAnswer => new Unread(given),
            _ => Read(text) ?? Estimated(text, given) ?? Read(ChildSpelling.Tidy(text)) ?? new Unread(given),
        };
    }

    private static Answer? Read(string text) => Placed(text) ?? Figures(text) ?? SpokenWords.Parse(text);

    private static Estimate? Estimated(string text, string given) =>
        ChildSpelling.EstimatedIn(text) is { } near && (Read(near) ?? Read(ChildSpelling.Tidy(near))) is not null ? new(given) : null;

    private static PlacedAnswer? Placed(string text)
    {
        if (PlacedForm().Match(text) is not { Success: true } match) return null;
        var hour = Place(match.Groups["hour"].Value);
        var minute = Place(match.Groups["minute"].Value);
        return hour is >= 12 || minute is >= 60 || (hour is null && minute is null) ? null : new PlacedAnswer(hour, minute);
    }

    private static double? Place(string text) => text.Length == 0 ? null : double.Parse(text, CultureInfo.InvariantCulture);

    private static DigitalAnswer? Figures(string text)
    {
        text = DayHalf().Replace(text, "");
        if (MarkedForm().Match(text) is { Success: true } marked)
        {
            var (hour, minutes) = (marked.Groups["hour"].Value, marked.Groups["minutes"].Value);
            return hour.Length + minutes.Length == 0 ? null : Digital(hour, minutes);
        }
        if (!BareForm().IsMatch(text)) return null;
        if (text.Length <= 2) return Digital(text, "");
        var (bareHour, bareMinutes) = (text[..^2], text[^2..]);
        return int.Parse(bareMinutes, CultureInfo.InvariantCulture) < 60 ? Digital(bareHour, bareMinutes) : null;
    }

    private static DigitalAnswer Digital(string hour, string minutes)
    {
        int? hourNumber = hour.Length == 0 ? null : int.Parse(hour, CultureInfo.InvariantCulture);
        int? minuteNumber = minutes.Length == 0 ? null : int.Parse(minutes, CultureInfo.InvariantCulture);
        return DigitalAnswer.Folded(hourNumber, minuteNumber, Math.Min(2, minutes.Length));
    }

    [GeneratedRegex(@"^(?<hour>[0-9]{1,2}(\.[0-9]{1,4})?)?\|(?<minute>[0-9]{1,2}(\.[0-9]{1,4})?)?$")]
    private static partial Regex PlacedForm();

    [GeneratedRegex(@"^(?<hour>[0-9]{1,3})? ?[:.] ?(?<minutes>[0-9]{1,3})?$")]
    private static partial Regex MarkedForm();

    [GeneratedRegex(@"^[0-9]{1,4}$")]
    private static partial Regex BareForm();

    [GeneratedRegex(@"(?<=[0-9]) ?[ap]\.?m\.?$")]
    private static partial Regex DayHalf();
}
