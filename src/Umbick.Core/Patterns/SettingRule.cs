using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>How reading a clock and setting one go together.</summary>
public enum SetAs
{
    /// <summary>A clock is set as it is read.</summary>
    Read,

    /// <summary>It is set rightly, though it is misread.</summary>
    Rightly,

    /// <summary>It is set wrongly, though it is read rightly.</summary>
    Alone,
}

/// <summary>Whether hands, hour and minutes are set as they are read, rightly in spite of it, or wrongly in spite of it.</summary>
public sealed class SettingRule(SetAs way) : StepRule(Step.Setting)
{
    /// <summary>How setting goes together with reading.</summary>
    public SetAs Way => way;

    /// <summary>
    /// Whether a step may be taken in one way when a clock is read and in another when it is set: what is read off a hand, not what is
    /// heard or where the hour hand stands in its space.
    /// </summary>
    public static bool Covers(Step step) => step is Step.Hands or Step.Hour or Step.Minutes;

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after) =>
        after.Add(reading with { SetsRightly = way == SetAs.Rightly }, share);
}
