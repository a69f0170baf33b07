using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

/// <summary>One way of taking one step: the correct one, a pattern's, or some other.</summary>
public abstract class Way(Step step)
{
    /// <summary>The step this is a way of taking.</summary>
    public Step Step { get; } = step;

    /// <summary>From the clock towards an answer.</summary>
    public abstract IEnumerable<Weighted<Thought>> Read(Thought thought);

    /// <summary>From a time asked for, or words heard, towards hands or figures.</summary>
    public abstract IEnumerable<Weighted<Thought>> Invert(Thought thought);

    /// <summary>A single certain outcome.</summary>
    protected static IEnumerable<Weighted<Thought>> Only(Thought thought) => [new(thought, 1)];

    /// <summary>The correct way to take a step.</summary>
    public static Way Correct(Step step) => step switch
    {
        Step.Hands => new HandsWay(swapped: false),
        Step.Hour => new HourWay(pointer => [new(HourWay.LastPassed(pointer), 1)]),
        Step.Minutes => new MinutesWay((tick, _) => [new(new(tick), 1)]),
        Step.PastOrTo => new PastOrToWay(PastOrToWay.SayRightly, PastOrToWay.HearRightly),
        Step.Writing => new WritingWay((hour, minutes) => new DigitalAnswer(hour, minutes, 2)),
        _ => new PlacingWay(minutes => minutes / 60.0),
    };
}
