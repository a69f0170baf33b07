using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>One way of taking one step: the correct one, a pattern's, or some other.</summary>
public abstract class Way(Step step)
{
    /// <summary>The step this is a way of taking.</summary>
    public Step Step { get; } = step;

    /// <summary>From the clock towards an answer.</summary>
    /// <param name="thought">What is in mind before this step.</param>
    /// <param name="share">Its share, which the outcomes divide between them.</param>
    /// <param name="after">Takes the outcomes.</param>
    public virtual void Read(in Thought thought, double share, Thoughts after) => after.Add(thought, share);

    /// <summary>From a time asked for, or words heard, towards hands or figures.</summary>
    /// <param name="thought">What is in mind before this step.</param>
    /// <param name="share">Its share, which the outcomes divide between them.</param>
    /// <param name="after">Takes the outcomes.</param>
    public virtual void Invert(in Thought thought, double share, Thoughts after) => after.Add(thought, share);

    /// <summary>The correct way to take a step.</summary>
    public static Way Correct(Step step) => step switch
    {
        Step.Hands => new HandsWay(swapped: false),
        Step.Hour => new HourWay(pointer => [new(HourWay.LastPassed(pointer), 1)]),
        Step.Minutes => new MinutesWay((tick, _) => [new(new(tick), 1)]),
        Step.PastOrTo => new PastOrToWay(PastOrToWay.SayRightly, PastOrToWay.HearRightly),
        Step.Fractions => new FractionsWay((_, _, words) => words, words => words),
        Step.Writing => new WritingWay((hour, minutes) => new DigitalAnswer(hour, minutes, 2)),
        Step.Placing => new PlacingWay(minutes => minutes / 60.0),
        _ => new OwnWay(step, _ => null),
    };
}
