using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Progress;

namespace Umbick.Simulation;

/// <summary>
/// Tries practice out on learners: how many items until a pattern is mastered, by the maker's sets and by sets drawn at random.
/// </summary>
public static class PracticeStudy
{
    /// <summary>Who has not mastered it by then is counted with so many.</summary>
    public const int Most = 400;

    /// <summary>Items until mastery.</summary>
    /// <param name="held">The pattern.</param>
    /// <param name="stage">What is taught.</param>
    /// <param name="rates">How the learner learns.</param>
    /// <param name="made">Whether the sets are the maker's; else their items are drawn at random from the same tasks at the same
    /// stage.</param>
    /// <param name="seed">The same seed plays the same.</param>
    public static int ItemsToMastery(HeldPattern held, Stage stage, LearningRates rates, bool made, int seed)
    {
        var learner = new Learner(held, rates, new Random(seed));
        var last = new Queue<bool>();
        var asked = 0;
        for (var set = 0; ; set++)
        {
            var order = new SetRequest(held, stage, Support.Bare, unchecked((seed * 131) + set));
            foreach (var item in made ? new SetMaker().Make(order).Items.Select(each => each.Item) : AtRandom(order))
            {
                asked++;
                if (learner.Meets(item) is { } right)
                {
                    last.Enqueue(right);
                    if (last.Count > Mastery.Last) last.Dequeue();
                    if (last.Count == Mastery.Last && last.Count(each => each) >= Mastery.RightNeeded) return asked;
                }
                if (asked >= Most) return asked;
            }
        }
    }

    private static IEnumerable<Item> AtRandom(SetRequest order)
    {
        var stage = SetMaker.StageFor(order);
        var bank = ItemBank.ForSitting(stage,
            new SetMaker().Make(order).Items.Select(item => item.Item.Task).Where(task => task.Order.Count > 0 && task != ClockTasks.Judge)
                .Distinct());
        var random = new Random(order.Seed);
        return Enumerable.Range(0, order.Length).Select(_ => bank[random.Next(bank.Count)]);
    }
}
