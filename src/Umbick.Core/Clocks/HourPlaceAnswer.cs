using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>An hour alone, and how far past it the hand was said to be.</summary>
/// <param name="Hour">The hour, 1 to 12.</param>
/// <param name="Place">How far past it; null where that was not said.</param>
public sealed partial record HourPlaceAnswer(int Hour, HourPlace? Place) : Answer
{
    /// <summary>Reads <c>6</c>, <c>6 on</c>, <c>6 little past</c>, <c>6 halfway</c>, <c>6 nearly next</c>.</summary>
    public static Answer Parse(string raw)
    {
        if (Form().Match(GivenText.Plain(raw)) is not { Success: true } match
            || int.Parse(match.Groups["hour"].Value) is not (>= 1 and <= 12 and var hour))
            return new Unread(raw);
        var rest = match.Groups["rest"].Value;
        HourPlace? place = rest switch
        {
            _ when rest.Contains("half", StringComparison.Ordinal) => HourPlace.Halfway,
            _ when rest.Contains("near", StringComparison.Ordinal) || rest.Contains("almost", StringComparison.Ordinal) =>
                HourPlace.NearlyNext,
            _ when rest.Contains("little", StringComparison.Ordinal) || rest.Contains("past", StringComparison.Ordinal) =>
                HourPlace.LittlePast,
            _ when rest.Contains("on", StringComparison.Ordinal) || rest.Contains("exact", StringComparison.Ordinal) => HourPlace.On,
            _ => null,
        };
        return new HourPlaceAnswer(hour, place);
    }

    /// <inheritdoc/>
    public override string Short(Wording wording) => Place switch
    {
        HourPlace.On => $"{Hour} on",
        HourPlace.LittlePast => $"{Hour} little past",
        HourPlace.Halfway => $"{Hour} halfway",
        HourPlace.NearlyNext => $"{Hour} nearly next",
        _ => $"{Hour}",
    };

    [GeneratedRegex(@"^[^0-9]*(?<hour>[0-9]{1,2})(?<rest>[^0-9]*)$")]
    private static partial Regex Form();
}
