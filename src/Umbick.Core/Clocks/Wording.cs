using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>How a school says and writes times. The default is <c>past</c>, <c>to</c> and a colon.</summary>
/// <param name="Past">The word for minutes after the hour: past or after.</param>
/// <param name="To">The word for minutes before the hour: to, till, of or before.</param>
/// <param name="Mark">What stands between hours and minutes: a colon or a full stop.</param>
public sealed partial record Wording(string Past = "past", string To = "to", char Mark = ':')
{
    private static readonly string[] Ones =
    [
        "nought", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen",
        "fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen",
    ];

    private static readonly string[] Tens = ["", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"];

    /// <summary>Past, to and a colon.</summary>
    public static Wording Usual { get; } = new();

    /// <summary>Words that mean minutes after the hour.</summary>
    public static IReadOnlyList<string> PastWords { get; } = ["past", "after"];

    /// <summary>Words that mean minutes before the hour.</summary>
    public static IReadOnlyList<string> ToWords { get; } = ["to", "till", "til", "of", "before"];

    /// <summary>A time in figures: <c>8:05</c>.</summary>
    public string Digital(ClockTime time) => $"{time.Hour}{Mark}{time.Minute:00}";

    /// <summary>A time in its usual words: <c>twenty-five to nine</c>.</summary>
    public string Words(ClockTime time) => Words(SpokenTime.From(time));

    /// <summary>A spoken time in words, with a gap (…) for what was left open.</summary>
    public string Words(SpokenTime time)
    {
        var hour = time.Hour is { } named ? Number(named) : "…";
        return time.Form switch
        {
            SpokenForm.OClock => $"{hour} o'clock",
            SpokenForm.Past => $"{AmountWords(time.Amount)} {Past} {hour}",
            _ => $"{AmountWords(time.Amount)} {To} {hour}",
        };
    }

    /// <summary>A spoken time with figures, as a teacher notes it: <c>20 to 7</c>, <c>quarter past 3</c>.</summary>
    public string Short(SpokenTime time)
    {
        var hour = time.Hour?.ToString() ?? "…";
        var amount = time.Amount switch { 15 => "quarter", 30 => "half", null => "…", var figures => figures.ToString() };
        return time.Form switch
        {
            SpokenForm.OClock => $"{hour} o'clock",
            SpokenForm.Past => $"{amount} {Past} {hour}",
            _ => $"{amount} {To} {hour}",
        };
    }

    /// <summary>
    /// A text in these words: <c>{past}</c>, <c>{Past}</c>, <c>{to}</c> and <c>{To}</c> stand for the words; a time in figures,
    /// <c>7:30</c>, gets this mark.
    /// </summary>
    public string Fill(string text) => Colon().Replace(text, $"{Mark}")
        .Replace("{past}", Past, StringComparison.Ordinal)
        .Replace("{Past}", Capital(Past), StringComparison.Ordinal)
        .Replace("{to}", To, StringComparison.Ordinal)
        .Replace("{To}", Capital(To), StringComparison.Ordinal);

    /// <summary>A number in words.</summary>
    /// <param name="number">0 to 199.</param>
    /// <exception cref="ArgumentOutOfRangeException">The number is outside its range.</exception>
    public static string Number(int number)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(number);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(number, 199);
        if (number >= 100) return number == 100 ? "a hundred" : $"a hundred and {Number(number - 100)}";
        if (number < 20) return Ones[number];
        return number % 10 == 0 ? Tens[number / 10] : $"{Tens[number / 10]}-{Ones[number % 10]}";
    }

    private static string Capital(string word) => $"{char.ToUpperInvariant(word[0])}{word[1..]}";

    [GeneratedRegex(@"(?<=[0-9]):(?=[0-9])")]
    private static partial Regex Colon();

    private static string AmountWords(int? amount) => amount switch
    {
        null => "…",
        15 => "quarter",
        30 => "half",
        1 => "one minute",
        { } minutes when minutes % 5 == 0 => Number(minutes),
        { } minutes => $"{Number(minutes)} minutes",
    };
}
