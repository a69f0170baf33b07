using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>Reads a time put into words, in full or in a teacher's short hand.</summary>
internal static partial class SpokenWords
{
    private static readonly Dictionary<string, int> Numbers = Enumerable.Range(0, 200)
        .ToDictionary(number => Wording.Number(number).Replace("a hundred", "hundred", StringComparison.Ordinal).Replace(' ', '-'))
        .Concat(new Dictionary<string, int> { ["zero"] = 0, ["fourty"] = 40 })
        .ToDictionary(pair => pair.Key, pair => pair.Value);

    /// <summary>The answer, or null where the text is no time in words.</summary>
    /// <param name="text">Lower case, with single spaces.</param>
    public static Answer? Parse(string text)
    {
        text = ShortHand(text);
        if (text is "noon" or "midday" or "midnight" or "12 noon" or "12 midnight")
            return new WordsAnswer(new SpokenTime(SpokenForm.OClock, 0, 12));
        if (OClockForm().Match(text) is { Success: true } oClock)
            return Hour(oClock.Groups["hour"].Value) is { } hour ? new WordsAnswer(new SpokenTime(SpokenForm.OClock, 0, hour)) : null;
        if (NearHalfForm().Match(text) is { Success: true } near)
            return Hour(near.Groups["hour"].Value) is { } hour && Amount(near.Groups["amount"].Value) is { } amount and < 30
                ? new AmbiguousHalf(hour, Wording.PastWords.Contains(near.Groups["way"].Value) ? amount : -amount) : null;
        if (PastOrToForm().Match(text) is { Success: true } pastOrTo)
            return PastOrTo(pastOrTo);
        if (HalfForm().Match(text) is { Success: true } half)
            return Hour(half.Groups["hour"].Value) is { } hour ? new AmbiguousHalf(hour) : null;
        return Plain(text.Replace('-', ' ').Split(' ', StringSplitOptions.RemoveEmptyEntries));
    }

    private static string ShortHand(string text)
    {
        text = LetterForm().Replace(text, match => (match.Groups["amount"].Value, match.Groups["way"].Value) switch
        {
            ("h", "p") => $"half past {match.Groups["hour"].Value}",
            ("q", "p") => $"quarter past {match.Groups["hour"].Value}",
            ("q", "t") => $"quarter to {match.Groups["hour"].Value}",
            _ => match.Value,
        });
        return LoneLetter().Replace(text, match => match.Value == "q" ? "quarter" : "half");
    }

    private static WordsAnswer? PastOrTo(Match match)
    {
        var (amountText, hourText) = (match.Groups["amount"].Value, match.Groups["hour"].Value);
        var amount = Amount(amountText);
        var hour = Hour(hourText);
        if ((amount is null && !IsGap(amountText)) || (hour is null && !IsGap(hourText)) || (amount is null && hour is null)) return null;
        var form = Wording.PastWords.Contains(match.Groups["way"].Value) ? SpokenForm.Past : SpokenForm.To;
        return new WordsAnswer(new SpokenTime(form, amount, hour));
    }

    private static int? Amount(string text) => Article().Replace(text, "") switch
    {
        "quarter" or "qtr" => 15,
        "half" or "half an hour" => 30,
        var number => Number(MinuteWord().Replace(number, "")),
    };

    private static DigitalAnswer? Plain(string[] words)
    {
        if (words.Length == 0 || Hour(words[0]) is not { } hour) return null;
        if (words.Length == 1) return new DigitalAnswer(hour, null, 0);
        var nought = words[1] is "oh" or "o";
        var rest = string.Join(' ', words.Skip(nought ? 2 : 1));
        return Number(rest) is { } minutes and < 100 && (!nought || minutes < 10) ? new DigitalAnswer(hour, minutes, 2) : null;
    }

    private static bool IsGap(string text) => text is "?" or "…" or "...";

    private static int? Hour(string text) => Number(text) is { } hour and >= 1 and <= 12 ? hour : null;

    private static int? Number(string text)
    {
        if (text.Length is >= 1 and <= 3 && text.All(char.IsAsciiDigit)) return int.Parse(text) is var figures and < 200 ? figures : null;
        return Numbers.TryGetValue(text.Replace(' ', '-'), out var number) ? number : null;
    }

    [GeneratedRegex(@"^(?<hour>[a-z]+|[0-9]{1,2}) ?(o ?'? ?clock|oc)$")]
    private static partial Regex OClockForm();

    [GeneratedRegex(@"^(?<amount>.+?) (?<way>past|after|to|till|til|of|before) (?<hour>[a-z]+|[0-9]{1,2}|\?|…|\.\.\.)( o ?'? ?clock)?$")]
    private static partial Regex PastOrToForm();

    [GeneratedRegex(@"^half (?<hour>[a-z]+|[0-9]{1,2})$")]
    private static partial Regex HalfForm();

    [GeneratedRegex(@"^(?<amount>.+?) (?<way>past|after|to|till|til|before) half (?<hour>[a-z]+|[0-9]{1,2})$")]
    private static partial Regex NearHalfForm();

    [GeneratedRegex(@"^(?<amount>[hq]) ?(?<way>[pt]) ?(?<hour>[0-9]{1,2})$")]
    private static partial Regex LetterForm();

    [GeneratedRegex(@"^[hq](?= (past|after|to|till|til|of|before) )")]
    private static partial Regex LoneLetter();

    [GeneratedRegex(@"^an? ")]
    private static partial Regex Article();

    [GeneratedRegex(@" ?(minutes|minute|mins|min)$")]
    private static partial Regex MinuteWord();
}
