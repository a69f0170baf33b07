using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>An item to ask, and why.</summary>
/// <param name="Item">The item.</param>
/// <param name="Why">The reason, as a sentence.</param>
/// <param name="Information">What the answer is expected to tell, in bits, 0 or more.</param>
/// <param name="RightChance">The chance that it comes out right by present belief, 0 to 1.</param>
public sealed record NextItem(Item Item, string Why, double Information, double RightChance);

/// <summary>
/// Chooses what to ask next: the item whose answer is expected to tell most about the joint belief (Lindley's expected
/// information), less a cost for sameness, held to a floor of items that come out right.
/// </summary>
public sealed class ItemChooser(ReadingModel model, int seed = 0)
{
    /// <summary>About two of every three items should come out right.</summary>
    public const double RightShare = 2.0 / 3;

    /// <summary>How many items the right ones may lag behind that share before an easier one is asked.</summary>
    private const double Slack = 1.5;

    /// <summary>An item at least this likely to come out right is an easier one.</summary>
    private const double Easier = 0.75;

    private const double SameHourCost = 0.04;
    private const double SameMinuteCost = 0.03;
    private const double SameTaskCost = 0.03;

    /// <summary>Writing takes longer than saying.</summary>
    private const double WritingCost = 0.08;
    private const double SmallestShare = 1e-7;

    /// <summary>The best next item, or null where everything has been asked.</summary>
    /// <param name="belief">What is believed now.</param>
    /// <param name="bank">The items that may be asked.</param>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    /// <param name="right">How many of those came out right.</param>
    public NextItem? Choose(Belief belief, IReadOnlyList<Item> bank, IReadOnlyList<Item> asked, int right)
    {
        var weighed = Weigh(belief, bank, asked);
        if (weighed.Count == 0) return null;
        // A sitting opens on something that will very likely come right, and goes back to such a one when too little does.
        var easierOnly = asked.Count == 0 || right + Easier < (RightShare * (asked.Count + 1)) - Slack;
        var floor = easierOnly ? Math.Min(Easier, 0.9 * weighed.Max(item => item.RightChance)) : 0;
        var best = weighed.Where(item => item.RightChance >= floor).MaxBy(item => item.Worth)!;
        return new NextItem(best.Item, Why(belief, best.Prediction), best.Information, best.RightChance);
    }

    /// <summary>An item to end on: one that will very likely come out right, and is not the same as the last.</summary>
    public NextItem? Close(Belief belief, IReadOnlyList<Item> bank, IReadOnlyList<Item> asked)
    {
        var best = Weigh(belief, bank, asked).MaxBy(item => Math.Round(item.RightChance, 2) + (0.01 * item.Worth));
        return best is null ? null : new NextItem(best.Item, "Ends on one that will very likely come out right.", best.Information, best.RightChance);
    }

    private sealed record Weighed(Item Item, Prediction Prediction, double Information, double RightChance, double Worth);

    private List<Weighed> Weigh(Belief belief, IReadOnlyList<Item> bank, IReadOnlyList<Item> asked)
    {
        var over = new Dictionary<SubSpace, double[]>();
        var already = asked.ToHashSet();
        var weighed = new List<Weighed>(bank.Count);
        foreach (var item in bank)
        {
            if (already.Contains(item)) continue;
            var prediction = model.Predict(item, item.Task.Aloud);
            if (!over.TryGetValue(prediction.SubSpace, out var shares))
                over[prediction.SubSpace] = shares = belief.Over(prediction.SubSpace);
            var (information, rightChance) = Expected(prediction, shares);
            weighed.Add(new Weighed(item, prediction, information, rightChance, information - Cost(item, asked) + Jitter(item)));
        }
        return weighed;
    }

    private static (double Information, double RightChance) Expected(Prediction prediction, double[] shares)
    {
        var mass = new double[prediction.Answers.Count];
        var (within, total) = (0.0, 0.0);
        for (var part = 0; part < shares.Length; part++)
        {
            var share = shares[part];
            if (share < SmallestShare) continue;
            total += share;
            within += share * prediction.Entropies[part];
            for (var i = prediction.Starts[part]; i < prediction.Starts[part + 1]; i++)
                mass[prediction.Ids[i]] += share * prediction.Shares[i];
        }
        for (var id = 0; id < mass.Length; id++) mass[id] /= total;
        var information = prediction.EntropyOf(mass) - (within / total);
        return (Math.Max(0, information) / Math.Log(2), prediction.Noisy(mass[prediction.RightId], prediction.RightId));
    }

    private static double Cost(Item item, IReadOnlyList<Item> asked)
    {
        var cost = item.Task.Aloud == AnswerMode.Written ? WritingCost : 0;
        foreach (var earlier in asked.TakeLast(4))
        {
            if (earlier.Task == item.Task) cost += SameTaskCost;
            if (earlier.Time.Hour == item.Time.Hour) cost += SameHourCost;
            if (earlier.Time.Minute == item.Time.Minute) cost += SameMinuteCost;
        }
        return cost;
    }

    /// <summary>Breaks ties, so that not every child is asked the same; the same seed breaks them the same way.</summary>
    private double Jitter(Item item)
    {
        var hash = (uint)seed * 2654435761u;
        foreach (var sign in item.Task.Id) hash = (hash ^ sign) * 16777619u;
        hash = (hash ^ (uint)((item.Time.Hour * 60) + item.Time.Minute)) * 2246822519u;
        return (hash >> 8) / (double)(1 << 24) * 0.02;
    }

    private string Why(Belief belief, Prediction prediction)
    {
        var shares = belief.Over(prediction.SubSpace);
        var tops = Enumerable.Range(0, prediction.SubSpace.Size)
            .GroupBy(prediction.LikeliestOf)
            .Where(group => prediction.Answers[group.Key] is not SomeOtherAnswer)
            .Select(group => (Mass: group.Sum(part => shares[part]), Best: group.MaxBy(part => shares[part])))
            .OrderByDescending(group => group.Mass)
            .Take(2)
            .ToList();
        if (tops.Count < 2) return "Checks that this still comes out right.";
        foreach (var step in prediction.SubSpace.Steps)
        {
            var (one, two) = (At(step, tops[0].Best), At(step, tops[1].Best));
            if (one.Pattern is not null && one.Pattern == two.Pattern) return $"{one.Pattern.Texts.Name}: are o’clock, half and quarters spoilt too?";
            if (one != two) return $"Tells {one.Reads} from {two.Reads}.";
        }
        return "Checks that this still comes out right.";

        Choice At(Step step, int part) => model.Space.At(step)[prediction.SubSpace.ChoiceOf(part, step)];
    }
}
