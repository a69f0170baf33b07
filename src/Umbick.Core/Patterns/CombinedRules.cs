namespace Umbick.Core.Patterns;

/// <summary>Two rules of one step that a child can have together, each where the other is silent.</summary>
public sealed class CombinedRules(StepRule first, StepRule second) : StepRule(first.Step)
{
    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after)
    {
        var between = new PartialReadings();
        first.Read(reading, share, between);
        for (var i = 0; i < between.Count; i++) second.Read(between.All[i], between.Shares[i], after);
    }

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after)
    {
        var between = new PartialReadings();
        first.Invert(reading, share, between);
        for (var i = 0; i < between.Count; i++) second.Invert(between.All[i], between.Shares[i], after);
    }
}
