using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>What quarter and half stand for.</summary>
/// <param name="say">From the hour (1 to 12), the minutes and the words found for them so far, to the words that are said.</param>
/// <param name="hear">From words heard to the words as they understand them.</param>
public sealed class FractionsRule(Func<int, int, SpokenTime, SpokenTime> say, Func<SpokenTime, SpokenTime> hear) : StepRule(Step.Fractions)
{
    /// <inheritdoc/>
    public override void Read(in PartialReading thought, double share, PartialReadings after) => after.Add(
        thought is { OtherAt: null, Spoken: { } spoken } ? thought with { Spoken = say(thought.Hour, thought.Minutes, spoken) } : thought, share);

    /// <inheritdoc/>
    public override void Invert(in PartialReading thought, double share, PartialReadings after) =>
        after.Add(thought with { Spoken = hear(thought.Spoken ?? SpokenTime.Of(thought.Time)) }, share);
}
