using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>What quarter and half stand for.</summary>
/// <param name="say">From the hour (1 to 12), the minutes and the words found for them so far, to the words that are said.</param>
/// <param name="hear">From words heard to the words as they understand them.</param>
/// <param name="hourInFigures">From the hour and minutes to the hour that is given in figures; null where figures are as they were
/// read.</param>
public sealed class FractionsRule(Func<int, int, SpokenTime, SpokenTime> say, Func<SpokenTime, SpokenTime> hear,
    Func<int, int, int>? hourInFigures = null) : StepRule(Step.Fractions)
{
    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after) => after.Add(
        reading switch
        {
            { OtherAt: not null } => reading,
            { Spoken: { } spoken } => reading with { Spoken = say(reading.Hour.Value, reading.Minutes.Value, spoken) },
            _ when hourInFigures is not null => reading with { Hour = hourInFigures(reading.Hour.Value, reading.Minutes.Value) },
            _ => reading,
        },
        share);

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after) =>
        after.Add(reading with { Spoken = hear(reading.Spoken ?? SpokenTime.From(reading.Time)) }, share);
}
