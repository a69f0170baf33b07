using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Chooses what to ask next: the item whose answer is expected to tell most about the joint belief (Lindley's expected information), less a
/// cost for length and sameness, held to a floor of items that come out right.
/// </summary>
/// <param name="model">The model.</param>
/// <param name="seed">Breaks ties; the same seed breaks them the same way.</param>
/// <param name="taken">How answers to a task are taken; where nothing is said, as they stand.</param>
/// <param name="wording">How the reasons say times.</param>
public sealed class ItemChooser(ReadingModel model, int seed = 0, Func<ClockTask, AnswerMode>? taken = null, Wording? wording = null)
{
    private readonly Func<ClockTask, AnswerMode> _taken = taken ?? (task => task.Taken);
    private IReadOnlyList<Item>? _bank;
    private Prediction[] _predictions = [];

    /// <summary>The next item of a sitting that is chosen by its answers; null where everything has been asked.</summary>
    /// <param name="belief">What is believed now.</param>
    /// <param name="observed">Every answer so far, of this sitting and of those before it.</param>
    /// <param name="items">The items that may be asked.</param>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    public NextItem? Next(Belief belief, IReadOnlyList<ObservedAnswer> observed, SittingItems items, IReadOnlyList<Item> asked)
    {
        var answers = observed.TakeLast(asked.Count).ToList();
        var wrong = StopRules.WrongRunning(answers);
        if (asked.Count == items.Length - 1 || wrong >= ModelParameters.WrongRunningMuch)
        {
            // What has just gone wrong is not asked again as an easy one, however likely it seems.
            var lately = answers.TakeLast(wrong).Select(answer => answer.Given.Item.Task).ToHashSet();
            var another = items.Bank.Where(item => !lately.Contains(item.Task)).ToList();
            return Close(belief, wrong < ModelParameters.WrongRunning || another.Count == 0 ? items.Bank : another, asked,
                asked.Count == items.Length - 1 ? null : "An easy one, after several that went wrong.");
        }
        var allRight = answers.TrueForAll(answer => !answer.Given.IsWrong || items.Beyond.Contains(answer.Given.Item));
        if (allRight && asked.Count >= ModelParameters.BeyondFrom && (asked.Count - ModelParameters.BeyondFrom) % 2 == 0
            && asked.Count(item => items.Beyond.Contains(item)) < ModelParameters.MostBeyond
            && BestBeyond(belief, items.Beyond, asked) is { } beyond)
            return beyond;
        return Choose(belief, items, asked, answers.Count(answer => answer.Given.IsRight),
            UnconfirmedPattern.After(model, belief, observed, Reach.At(model, items.Stage)), wrong >= ModelParameters.WrongRunning,
            allRight, [.. answers.Where(answer => answer.Given.IsWrong).Select(answer => answer.Given.Item)]);
    }

    /// <summary>The best next item, or null where everything has been asked.</summary>
    /// <param name="belief">What is believed now.</param>
    /// <param name="items">The items that may be asked.</param>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    /// <param name="right">How many of those came out right.</param>
    /// <param name="wanting">Patterns that are believed, but have not shown themselves enough to be called.</param>
    /// <param name="losingHeart">Whether the last answers were wrong, so that an easier one comes.</param>
    /// <param name="allRight">Whether none went wrong, so that they rise.</param>
    /// <param name="wrong">Those that went wrong.</param>
    public NextItem? Choose(
        Belief belief, SittingItems items, IReadOnlyList<Item> asked, int right, IReadOnlyList<UnconfirmedPattern>? wanting = null,
        bool losingHeart = false, bool allRight = false, IReadOnlyList<Item>? wrong = null)
    {
        var quotas = new Quotas(asked, items.Bank, wrong);
        // What every sitting asks comes in any case, where there is no more room than for that; only not after two that went wrong.
        var due = !losingHeart && quotas.Missing >= items.Length - 1 - asked.Count
            ? items.Bank.Where(quotas.IsDue).Except(asked).ToList() : [];
        var weighed = Weigh(belief, due.Count > 0 ? due : items.Bank, asked, wanting ?? [], quotas, allRight);
        if (weighed.Count == 0) return null;
        // A sitting opens on something that will very likely come right and rises from there; it goes back to such a one when too little
        // does.
        // While something has still to show itself more may go wrong than afterwards.
        var slack = wanting is { Count: > 0 } ? ModelParameters.RightSlackToShow : ModelParameters.RightSlack;
        var easierOnly = losingHeart || right + ModelParameters.EasierFrom < (ModelParameters.RightShare * (asked.Count + 1)) - slack;
        var least = easierOnly ? ModelParameters.EasierFrom
            : asked.Count < ModelParameters.RisingFrom.Count ? ModelParameters.RisingFrom[asked.Count] : 0;
        var floor = due.Count > 0 ? 0 : Math.Min(least, 0.9 * weighed.Max(item => item.RightChance));
        var open = weighed.FindAll(item => item.RightChance >= floor);
        var best = Drawn(open, asked.Count);
        var said = wording ?? Wording.Usual;
        var why = best.Shows is { } pattern ? ItemReason.OnceMore(pattern, said) : ItemReason.For(model, belief, best.Prediction, said);
        return new NextItem(best.Item, why, best.Information, best.RightChance);
    }

    /// <summary>An item to end on: one that will very likely come out right, an o'clock or a half where that is one.</summary>
    /// <param name="belief">What is believed now.</param>
    /// <param name="bank">The items that may be asked.</param>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    /// <param name="why">Why it is asked; null where it is the last.</param>
    public NextItem? Close(Belief belief, IReadOnlyList<Item> bank, IReadOnlyList<Item> asked, string? why = null)
    {
        // The easiest are weighed too, however little they tell.
        IReadOnlyList<Item> easy = [.. bank.Where(item => Stages.FirstWith(item.Time.Minute) <= Stage.HalfPast)];
        var quotas = new Quotas(asked, bank);
        var weighed = WeighBoth(freely: false);
        // Better one more without a clock than one that goes wrong.
        if (!weighed.Exists(item => item.RightChance >= ModelParameters.EasierFrom)) weighed.AddRange(WeighBoth(freely: true));
        if (weighed.Count == 0) return null;
        var least = weighed.Max(item => item.RightChance) - ModelParameters.CloseWithin;
        var likely = weighed.FindAll(item => item.RightChance >= least);
        var easiest = (Stage)Math.Max((int)likely.Min(item => Stages.FirstWith(item.Item.Time.Minute)), (int)Stage.HalfPast);
        var best = likely.Where(item => Stages.FirstWith(item.Item.Time.Minute) <= easiest)
            .MaxBy(item => quotas.Serves(item.Item) + Jitter(item.Item, asked.Count));
        why ??= best.RightChance >= ModelParameters.EasierFrom ? "Ends on one that will very likely come out right." : "Ends on an easy one.";
        return new NextItem(best.Item, why, best.Information, best.RightChance);

        List<Weighed> WeighBoth(bool freely) =>
        [
            .. new[] { bank, easy }.SelectMany(items => Weigh(belief, items, asked, [], quotas, allRight: false, freely)),
        ];
    }

    /// <summary>An item of what is not taught yet; null where there is none left.</summary>
    private NextItem? BestBeyond(Belief belief, IReadOnlyList<Item> beyond, IReadOnlyList<Item> asked)
    {
        var left = beyond.Where(item => !asked.Contains(item) && item.Task.ShowsClock).ToList();
        if (left.Count == 0) return null;
        var item = left[(int)(Jitter(left[0], asked.Count) * left.Count)];
        var prediction = model.Predict(item, _taken(item.Task));
        var (information, right) = new ExpectedInformation(belief.MarginalOver(prediction.SubSpace), ModelParameters.LeftOutRoughly)
            .For(prediction);
        return new NextItem(item, "Not taught yet: all came right so far, and it shows how far that reaches.", information, right);
    }

    /// <summary>One of those that are nearly as good as the best: drawn, so that sittings differ in tasks and minutes.</summary>
    private Weighed Drawn(List<Weighed> open, int place)
    {
        // What the first one tells matters little: it is another for each child.
        if (place == 0) return open.MaxBy(item => Jitter(item.Item));
        var best = open.Max(item => item.Worth);
        var share = place < ModelParameters.RisingOver ? ModelParameters.NearlyAsGoodRising : ModelParameters.NearlyAsGood;
        var least = best - Math.Max(ModelParameters.AsGoodWithin, (1 - share) * best);
        var kinds = open.Where(item => item.Worth >= least)
            .GroupBy(item => (item.Item.Task, item.Item.Time.Minute))
            .Select(kind => kind.MaxBy(item => item.Worth))
            .OrderBy(kind => kind.Item.Task.Id, StringComparer.Ordinal).ThenBy(kind => kind.Item.Time.Minute).ToList();
        return kinds[(int)(Jitter(kinds[0].Item, place) * kinds.Count)];
    }

    private readonly record struct Weighed(
        Item Item, Prediction Prediction, double Information, double RightChance, double Worth, Pattern? Shows);

    /// <summary>Weighs every item roughly, and then those that look best exactly.</summary>
    private List<Weighed> Weigh(
        Belief belief, IReadOnlyList<Item> bank, IReadOnlyList<Item> asked, IReadOnlyList<UnconfirmedPattern> wanting, Quotas quotas,
        bool allRight, bool freely = false)
    {
        var already = asked.ToHashSet();
        var sameness = new Sameness(asked);
        var pairs = wanting.Select(want => (With: belief.Best(want.Pattern), want))
            .Select(each => (each.With, Without: model.Space.Without(each.With, each.want.Pattern), each.want.Pattern, each.want.Seen))
            .ToList();
        var beliefs = new Dictionary<SubSpace, double[]>();
        var left = PredictionsOf(bank).Where(prediction => !already.Contains(prediction.Item)).ToList();
        var variety = new Variety(bank, asked, allRight, twelveIsTheQuestion: wanting.Any(want => want.Pattern.ShowsOnlyAtTwelve));
        var allowed = freely ? left : left.Where(prediction => variety.Allows(prediction.Item)).ToList();
        // Where a child has met one task only there is nothing to vary.
        var rough = WeighAll(allowed.Count > 0 ? allowed : left, ModelParameters.LeftOutRoughly);
        if (rough.Count == 0) return rough;
        var easiest = rough.MaxBy(item => item.RightChance);
        var best = rough.OrderByDescending(item => item.Worth).Take(ModelParameters.WeighedAgain)
            .Concat(rough.Where(item => item.RightChance >= ModelParameters.EasierFrom).OrderByDescending(item => item.Worth)
            .Take(ModelParameters.WeighedAgain));
        return WeighAll(best.Append(easiest).Select(item => item.Prediction).Distinct(), ModelParameters.LeftOutExactly);

        List<Weighed> WeighAll(IEnumerable<Prediction> predictions, double smallest)
        {
            var over = new Dictionary<SubSpace, ExpectedInformation>();
            var weighed = new List<Weighed>(bank.Count);
            foreach (var prediction in predictions)
            {
                if (!over.TryGetValue(prediction.SubSpace, out var expected))
                {
                    if (!beliefs.TryGetValue(prediction.SubSpace, out var shares))
                        beliefs[prediction.SubSpace] = shares = belief.MarginalOver(prediction.SubSpace);
                    over[prediction.SubSpace] = expected = new ExpectedInformation(shares, smallest);
                }
                var item = prediction.Item;
                var (information, rightChance) = expected.For(prediction);
                var cost = sameness.CostOf(item)
                    + (_taken(item.Task) is AnswerMode.Written or AnswerMode.Placed ? ModelParameters.LengthCost : 0);
                var (shown, first) = Shown(prediction);
                var worth = information + (ModelParameters.ShowsWorth * shown) - cost
                    + (asked.Count < 2 ? 0 : ModelParameters.QuotaWorth * quotas.Serves(item))
                    + (Jitter(item) * ModelParameters.TieBreak);
                weighed.Add(new Weighed(item, prediction, information, rightChance, worth, first));
            }
            return weighed;
        }

        (int Shown, Pattern? First) Shown(Prediction prediction)
        {
            var (shown, first) = (0, default(Pattern));
            foreach (var pair in pairs)
            {
                if (prediction.LikeliestOf(prediction.SubSpace.PartOf(pair.With)) == prediction.LikeliestOf(
                    prediction.SubSpace.PartOf(pair.Without))) continue;
                if (!pair.Seen.All(minute => Evidence.AreApart(minute, prediction.Item.Time.Minute))) continue;
                shown++;
                first ??= pair.Pattern;
            }
            return (shown, first);
        }
    }

    /// <summary>The predictions for a bank's items; a sitting chooses from the same bank again and again.</summary>
    private Prediction[] PredictionsOf(IReadOnlyList<Item> bank)
    {
        if (!ReferenceEquals(_bank, bank)) (_bank, _predictions) = (bank, [.. bank.Select(item => model.Predict(item, _taken(item.Task)))]);
        return _predictions;
    }

    /// <summary>How much an item repeats the last few that were asked.</summary>
    private sealed class Sameness
    {
        private readonly double[] _hours = new double[13];
        private readonly double[] _minutes = new double[60];
        private readonly Dictionary<ClockTask, double> _tasks = new(ReferenceEqualityComparer.Instance);
        private readonly Dictionary<AnswerForm, ClockTime> _lastInForm = [];

        public Sameness(IReadOnlyList<Item> asked)
        {
            foreach (var item in asked) _lastInForm[item.Task.Form] = item.Time;
            foreach (var item in asked.TakeLast(ModelParameters.LastFew))
            {
                _hours[item.Time.Hour] += ModelParameters.SameHourCost;
                _minutes[item.Time.Minute] += ModelParameters.SameMinuteCost;
                _tasks[item.Task] = _tasks.GetValueOrDefault(item.Task) + ModelParameters.SameTaskCost;
            }
        }

        public double CostOf(Item item) => _hours[item.Time.Hour] + _minutes[item.Time.Minute] + _tasks.GetValueOrDefault(item.Task)
            + SamePartCost(item);

        private double SamePartCost(Item item) =>
            !_lastInForm.TryGetValue(item.Task.Form, out var last) ? 0
            : (last.Hour <= 6 == item.Time.Hour <= 6 ? ModelParameters.SamePartCost : 0)
            + (last.Minute <= 30 == item.Time.Minute <= 30 ? ModelParameters.SamePartCost : 0);
    }

    /// <summary>Breaks ties, so that not every child is asked the same; the same seed breaks them the same way.</summary>
    private double Jitter(Item item, int place = 0)
    {
        var hash = ((uint)seed * 2654435761u) + ((uint)place * 40503u);
        foreach (var sign in item.Task.Id) hash = (hash ^ sign) * 16777619u;
        hash = (hash ^ (uint)((item.Time.Hour * 60) + item.Time.Minute)) * 2246822519u;
        return (hash >> 8) / (double)(1 << 24);
    }
}
