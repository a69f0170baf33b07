using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>From what a set for one pattern is picked: which items come right with it, and which do not.</summary>
/// <param name="held">The pattern, as the child has it.</param>
/// <param name="stage">What is taught.</param>
/// <param name="inUse">Which tasks the child has met.</param>
internal sealed class SetPools(HeldPattern held, Stage stage, Func<ClockTask, bool> inUse)
{
    private readonly Dictionary<ClockTask, (IReadOnlyList<Item> Telling, IReadOnlyList<Item> Agreeing)> _pools = [];
    private readonly ClockTask _main = held.MainTask;

    private IEnumerable<ClockTask> Simpler => PracticeTasks.Simpler(held.Pattern).Where(IsOpen);

    /// <summary>
    /// A minimal pair: the same task with the same hour, or else the same minutes; first where the pattern comes right, then where it does
    /// not. Where no time of a task comes right the first is the same time in a task that the pattern leaves alone. The first pair of a set
    /// is in the simplest task that has one, and for halves and quarters on a face.
    /// </summary>
    public (Item Agree, Item Differ)? Pair(ItemPicker picker, bool isFirst)
    {
        if (isFirst)
        {
            if (Simpler.Select(task => PairIn(picker, task)).FirstOrDefault(pair => pair is not null) is { } simple) return simple;
            if (held.Pattern.Step == Step.Fractions && Across(picker, _main, PracticeTasks.Simpler(held.Pattern)) is { } onAFace)
                return onAFace;
        }
        return PairIn(picker, _main)
            ?? Across(picker, _main, PracticeTasks.Untouched)
            ?? Simpler.Select(task => PairIn(picker, task)).FirstOrDefault(pair => pair is not null);
    }

    /// <summary>The other item of a pair, beside one that stays.</summary>
    /// <param name="picker">Picks it.</param>
    /// <param name="stays">The item that stays.</param>
    /// <param name="task">The task of the one that is changed.</param>
    /// <param name="differs">Whether it is the one at which they part.</param>
    public Item? PartnerOf(ItemPicker picker, Item stays, ClockTask task, bool differs) =>
        picker.Pick((differs ? For(task).Telling : For(task).Agreeing).Where(item => task == stays.Task
            ? item.Time.Hour == stays.Time.Hour || (item.Time.Minute == stays.Time.Minute && item.Time != stays.Time)
            : item.Time == stays.Time));

    /// <summary>
    /// One that comes right although the child has the pattern, and of the easiest times; of a task it leaves alone where its own has none.
    /// </summary>
    /// <exception cref="InvalidOperationException">The stage has fewer times than a set has items.</exception>
    public Item Secure(ItemPicker picker)
    {
        var own = held.Pattern.Step == Step.Fractions ? [.. Simpler, _main] : Simpler.Prepend(_main);
        foreach (var task in own.Concat(PracticeTasks.Untouched.Where(IsOpen)).Concat(PracticeTasks.Untouched).Distinct())
        {
            var agreeing = For(task).Agreeing;
            foreach (var level in agreeing.GroupBy(item => Stages.FirstWith(item.Time.Minute)).OrderBy(same => same.Key))
            {
                if (picker.Pick(level) is { } item) return item;
            }
        }
        throw new InvalidOperationException("A stage has fewer times than a set has items.");
    }

    /// <summary>
    /// One more at which they part: in the pattern's own task, or in another of its tasks; null where the stage has none left.
    /// </summary>
    public Item? Again(ItemPicker picker) =>
        Simpler.Prepend(_main).Concat(PracticeTasks.Transfers(held.Pattern).Where(IsOpen)).Select(task => In(picker, task))
            .FirstOrDefault(item => item is not null);

    /// <summary>The last: at which they part, over the top from 12 to 1 where that matters.</summary>
    public Item? Bare(ItemPicker picker) =>
        (held.Pattern.Step is Step.Hour or Step.PastOrTo or Step.Placing
            ? picker.Pick(For(_main).Telling.Where(item => item.Time.Hour == 12)) : null) ?? In(picker, _main);

    /// <summary>The idea in another form: one that is not in this set and was not in earlier ones, as far as there is one.</summary>
    public Item? Transfer(ItemPicker picker, IReadOnlySet<ClockTask> asked, IReadOnlyCollection<ClockTask> carriedTo) =>
        PracticeTasks.Transfers(held.Pattern).Where(task => IsOpen(task) && !asked.Contains(task))
            .OrderBy(task => carriedTo.Contains(task) ? 1 : 0)
            .Select(task => In(picker, task)).FirstOrDefault(item => item is not null);

    /// <summary>
    /// One at which they part when a clock is set; null where the pattern does not show there, or the child has not set one.
    /// </summary>
    public Item? ToSet(ItemPicker picker) =>
        PracticeTasks.Transfers(held.Pattern).Where(task => task.Form == AnswerForm.Hands && IsOpen(task)).Select(task => In(picker, task))
            .FirstOrDefault(item => item is not null);

    /// <summary>One of a task at which they part; null where none is left.</summary>
    public Item? In(ItemPicker picker, ClockTask task) => picker.Pick(For(task).Telling);

    /// <summary>
    /// A claim to be judged at a time where they part: the time itself, or what the pattern makes of it. Hands that were set are put right
    /// instead. Null where nothing of the kind can be claimed of a clock, or the child has not met it.
    /// </summary>
    public Item? Claim(ItemPicker picker, bool isTrue)
    {
        var task = held.Pattern.Step switch
        {
            Step.Placing => ClockTasks.SetFromDigital,
            Step.PastOrTo or Step.Fractions => ClockTasks.ReadWords,
            _ => ClockTasks.ReadDigital,
        };
        var claimed = held.Pattern.Step == Step.Placing ? ClockTasks.RepairClock : ClockTasks.Judge;
        if (!IsOpen(claimed)) return null;
        var hand = claimed == ClockTasks.RepairClock
            ? For(task).Telling.Where(item => held.AnswerTo(item) is PlacedAnswer { Hour: not null, Minute: not null }) : For(task).Telling;
        return picker.Pick(hand.Select(item => new Item(claimed, item.Time))) is { } picked
            ? picked with
            {
                Claim =
            isTrue && claimed == ClockTasks.Judge ? new Item(task, picked.Time).Right : held.AnswerTo(new Item(task, picked.Time))
            }
            : null;
    }

    private bool IsOpen(ClockTask task) => task.From <= stage && (inUse(task) || task == _main);

    private (IReadOnlyList<Item> Telling, IReadOnlyList<Item> Agreeing) For(ClockTask task)
    {
        if (_pools.TryGetValue(task, out var known)) return known;
        var items = ItemBank.ForSitting(stage, [task]);
        return _pools[task] = ([.. items.Where(held.IsTelling)], [.. items.Where(held.ComesRight)]);
    }

    private (Item, Item)? PairIn(ItemPicker picker, ClockTask task)
    {
        var (telling, agreeing) = (picker.Weigh(For(task).Telling), picker.Weigh(For(task).Agreeing));
        var byHour = agreeing.ToLookup(each => each.Item.Time.Hour);
        var pairs = telling.SelectMany(differ => byHour[differ.Item.Time.Hour].Select(agree => (agree, differ)));
        if (!pairs.Any())
        {
            var byMinute = agreeing.ToLookup(each => each.Item.Time.Minute);
            pairs = telling.SelectMany(differ =>
                byMinute[differ.Item.Time.Minute]
                    .Select(agree => (agree with { Cost = agree.Cost + HoursBetween(agree.Item, differ.Item) }, differ)));
        }
        return Taken(picker, pairs);
    }

    private (Item, Item)? Across(ItemPicker picker, ClockTask task, IReadOnlyList<ClockTask> others)
    {
        var telling = picker.Weigh(For(task).Telling);
        foreach (var other in others.Where(other => other != task && IsOpen(other)))
        {
            var byTime = picker.Weigh(For(other).Agreeing).ToLookup(each => each.Item.Time);
            if (Taken(picker, telling.SelectMany(differ => byTime[differ.Item.Time].Select(agree => (agree, differ)))) is { } pair)
                return pair;
        }
        return null;
    }

    private static (Item, Item)? Taken(
        ItemPicker picker, IEnumerable<((Item Item, double Cost) Agree, (Item Item, double Cost) Differ)> pairs)
    {
        var open = pairs.ToList();
        if (open.Count == 0) return null;
        var (agree, differ) = open.MinBy(pair => pair.Agree.Cost + pair.Differ.Cost);
        return (picker.Use(agree.Item), picker.Use(differ.Item));
    }

    private static double HoursBetween(Item item, Item other)
    {
        var apart = Math.Abs(item.Time.Hour - other.Time.Hour);
        return Math.Min(apart, 12 - apart);
    }
}
