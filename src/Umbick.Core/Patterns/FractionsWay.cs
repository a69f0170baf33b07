using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>What quarter and half stand for.</summary>
/// <param name="say">From the hour (1 to 12), the minutes and the words found for them so far, to the words that are said.</param>
/// <param name="hear">From words heard to the words as she understands them.</param>
public sealed class FractionsWay(Func<int, int, SpokenTime, SpokenTime> say, Func<SpokenTime, SpokenTime> hear) : Way(Step.Fractions)
{
    /// <inheritdoc/>
    public override void Read(in Thought thought, double share, Thoughts after) => after.Add(
        thought is { OtherAt: null, Spoken: { } spoken } ? thought with { Spoken = say(thought.Hour, thought.Minutes, spoken) } : thought, share);

    /// <inheritdoc/>
    public override void Invert(in Thought thought, double share, Thoughts after) =>
        after.Add(thought with { Spoken = hear(thought.Spoken ?? SpokenTime.Of(thought.Time)) }, share);
}
