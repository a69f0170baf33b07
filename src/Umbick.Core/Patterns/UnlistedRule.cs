using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>
/// A way that nobody has listed: wrong at this step, right at the others, and evenly any of the answers that are so. Without it, a child
/// with a way of their own would be fitted to a listed pattern.
/// </summary>
public sealed class UnlistedRule(Step step) : StepRule(step)
{
    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after) => after.Add(Marked(reading), share);

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after) =>
        after.Add(Marked(Step == Step.Fractions ? reading with { Spoken = reading.Spoken ?? SpokenTime.From(reading.Time) } : reading),
            share);

    private PartialReading Marked(PartialReading reading) => Step switch
    {
        Step.Hour => reading with { Hour = StepResult.AnyWrong, OtherAt = Step },
        Step.Minutes => reading with { Minutes = StepResult.AnyWrong, OtherAt = reading.OtherAt ?? Step },
        // A quarter or a half is in it, or there is nothing to take some other way.
        Step.Fractions when (reading.Spoken?.Amount ?? 0) is not (15 or 30) => reading,
        _ => reading with { OtherAt = reading.OtherAt ?? Step },
    };
}
