using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>A minute hand that was placed, and the time that was told with it.</summary>
/// <param name="Minute">Where the minute hand points, 0 ≤ y &lt; 60 minutes.</param>
/// <param name="Time">The time that was told.</param>
public sealed partial record HandAndTimeAnswer(double Minute, Answer Time) : Answer
{
    /// <inheritdoc/>
    public override ClockTime? Meaning => Time.Meaning;

    /// <summary>Reads <c>|25 8:25</c>: the hand as a placed one, then the time. Without a hand it is the time alone.</summary>
    public static Answer Parse(string raw)
    {
        if (Form().Match(GivenText.Plain(raw)) is not { Success: true } match) return AnswerParser.Parse(raw, Typist.Child);
        // Within an answer no short sign stands for a time.
        return (AnswerParser.Parse(match.Groups["hand"].Value),
            AnswerParser.Parse(match.Groups["time"].Value, Typist.Child)) is (PlacedAnswer { Minute: { } minute }, not Unread and var time)
            ? new HandAndTimeAnswer(minute, time)
            : new Unread(raw);
    }

    /// <inheritdoc/>
    public override string Short(Wording wording) => $"{new PlacedAnswer(null, Minute).Raw} {Time.Short(wording)}";

    [GeneratedRegex(@"^\s*(?<hand>\|[0-9.]+)\s+(?<time>.+)$")]
    private static partial Regex Form();
}
