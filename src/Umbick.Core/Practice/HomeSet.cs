using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>A clock to draw at home, for one of three days.</summary>
/// <param name="Time">The time.</param>
/// <param name="OldWay">What the child's pattern would make of a clock at that time; null where nothing else.</param>
public sealed record HomeClock(ClockTime Time, Answer? OldWay);

/// <summary>Three clocks for three days at home, for the one idea of a pattern.</summary>
public static class HomeSet
{
    /// <summary>On how many days.</summary>
    public const int Days = 3;

    /// <summary>
    /// Makes them: times at which the pattern and the right reading part, no hour and no minutes twice while there are others.
    /// </summary>
    /// <param name="held">The pattern, as the child has it.</param>
    /// <param name="stage">What is taught.</param>
    /// <param name="seed">The same seed makes the same clocks.</param>
    public static IReadOnlyList<HomeClock> Make(HeldPattern held, Stage stage, int seed)
    {
        var task = held.MainTask.Form is AnswerForm.Hands ? ClockTasks.ReadDigital : held.MainTask;
        var level = SetMaker.StageFor(new SetRequest(held, stage, Support.Bare, seed));
        var random = new Random(seed);
        var open = ItemBank.ForSitting(level, [task]).OrderByDescending(held.IsTelling).ThenBy(_ => random.Next()).ToList();
        List<HomeClock> clocks = [];
        while (clocks.Count < Days)
        {
            var next = open.MinBy(item => clocks.Sum(clock => (clock.Time.Hour == item.Time.Hour ? 2 : 0)
                + (clock.Time.Minute == item.Time.Minute ? 1 : 0)) + (held.IsTelling(item) ? 0 : 10))!;
            open.Remove(next);
            clocks.Add(new HomeClock(next.Time, held.IsTelling(next) ? held.AnswerTo(next) : null));
        }
        return clocks;
    }
}
