using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Whether hands, hour and minutes are set as they are read, or rightly in spite of it.</summary>
public sealed class SettingRule(bool asRead) : StepRule(Step.Setting)
{
    /// <summary>
    /// Whether a step is taken rightly by whoever sets rightly: what is read off a hand, not what is heard or where the hour hand stands in
    /// its space.
    /// </summary>
    public static bool Covers(Step step) => step is Step.Hands or Step.Hour or Step.Minutes;

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after) =>
        after.Add(reading with { SetsRightly = !asRead }, share);
}
