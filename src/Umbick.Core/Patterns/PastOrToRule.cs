using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Turning an hour and minutes into words with past or to, and words into an hour and minutes.</summary>
/// <param name="say">From the hour (1 to 12) and minutes to words.</param>
/// <param name="hear">From words to the hour (1 to 12) and minutes.</param>
public sealed class PastOrToRule(
    Func<int, int, IReadOnlyList<Weighted<SpokenTime>>> say,
    Func<SpokenTime, (int Hour, int Minutes)> hear) : StepRule(Step.PastOrTo)
{
    /// <summary>Words are made once and kept: they are asked for some thousand times an item.</summary>
    private readonly ConcurrentDictionary<(int Hour, int Minutes), IReadOnlyList<Weighted<SpokenTime>>> _said = new();

    /// <summary>The usual words for an hour and minutes.</summary>
    public static IReadOnlyList<Weighted<SpokenTime>> SayRightly(int hour, int minutes) => minutes switch
    {
        0 => [new(new(SpokenForm.OClock, 0, hour), 1)],
        <= 30 or >= 60 => [new(new(SpokenForm.Past, minutes, hour), 1)],
        _ => [new(new(SpokenForm.To, 60 - minutes, Hours.After(hour)), 1)],
    };

    /// <summary>What words mean.</summary>
    public static (int Hour, int Minutes) HearRightly(SpokenTime words)
    {
        var (amount, hour) = (words.Amount ?? 0, words.Hour ?? 12);
        return words.Form == SpokenForm.To && amount > 0 ? (Hours.Before(hour), 60 - amount) : (hour, amount);
    }

    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after)
    {
        if (reading.OtherAt is not null)
        {
            after.Add(reading, share);
            return;
        }
        var (hour, minutes, coming) = (reading.Hour.Value, reading.Minutes.Value, Hours.After(reading.Time.Hour));
        var byAccident = hour == coming && minutes is > 30 and < 60 ? ModelParameters.PastOrToByAccident : 0;
        foreach (var words in _said.GetOrAdd((hour, minutes), asked => say(asked.Hour, asked.Minutes)))
            after.Add(reading with { Spoken = words.Value }, share * (1 - byAccident) * words.Weight);
        if (byAccident > 0) after.Add(reading with { Spoken = new SpokenTime(SpokenForm.To, 60 - minutes, coming) }, share * byAccident);
    }

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after)
    {
        var (hour, minutes) = hear(reading.Spoken ?? SpokenTime.From(reading.Time));
        after.Add(reading with { Hour = hour, Minutes = minutes, Spoken = null }, share);
    }
}
