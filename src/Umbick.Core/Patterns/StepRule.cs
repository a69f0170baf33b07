using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>One way of taking one step: the correct one, a pattern's, or some other.</summary>
public abstract class StepRule(Step step)
{
    /// <summary>The step this is a way of taking.</summary>
    public Step Step { get; } = step;

    /// <summary>From the clock towards an answer.</summary>
    /// <param name="reading">What is in mind before this step.</param>
    /// <param name="share">Its share, which the outcomes divide between them.</param>
    /// <param name="after">Takes the outcomes.</param>
    public virtual void Read(in PartialReading reading, double share, PartialReadings after) => after.Add(reading, share);

    /// <summary>From a time asked for, or words heard, towards hands or figures.</summary>
    /// <param name="reading">What is in mind before this step.</param>
    /// <param name="share">Its share, which the outcomes divide between them.</param>
    /// <param name="after">Takes the outcomes.</param>
    public virtual void Invert(in PartialReading reading, double share, PartialReadings after) => after.Add(reading, share);

    /// <summary>The correct way to take a step.</summary>
    public static StepRule Correct(Step step) => step switch
    {
        Step.Hands => new HandsRule(swapped: false),
        Step.Hour => new HourRule(pointer => [new(HourRule.LastPassed(pointer), 1)]),
        Step.Minutes => new MinutesRule((tick, _) => [new(new(tick), 1)]),
        Step.PastOrTo => new PastOrToRule(PastOrToRule.SayRightly, PastOrToRule.HearRightly),
        Step.Fractions => new FractionsRule((_, _, words) => words, words => words),
        Step.Writing => new WritingRule((hour, minutes) => new DigitalAnswer(hour, minutes, 2)),
        Step.Placing => new PlacingRule(minutes => minutes / 60.0),
        Step.Setting => new SettingRule(SetAs.Read),
        _ => new OtherSkillRule(step, _ => null),
    };
}
