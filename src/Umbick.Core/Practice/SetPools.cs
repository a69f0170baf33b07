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

    private IEnumerable<ClockTask> Simpler(ItemPicker picker) =>
        PracticeTasks.Simpler(held.Pattern).Where(task => IsOpen(task) && picker.HasRoomFor(task));

    /// <summary>
    /// A minimal pair: the same task on two clocks as near to each other as the pattern allows; first where it comes right, then where it
    /// does not. Where no time of a task comes right the first is the same time in a task that the pattern leaves alone. The first pair of
    /// a set is in the simplest task that has one, and for halves and quarters on a face.
    /// </summary>
    public (Item Agree, Item Differ)? Pair(ItemPicker picker, bool isFirst)
    {
        var simpler = Simpler(picker).ToList();
        return Best(picker, isFirst
            ? [.. simpler.Select(task => PairsIn(picker, task)),
                held.Pattern.Step == Step.Fractions ? Across(picker, _main, PracticeTasks.Simpler(held.Pattern)) : [],
                PairsIn(picker, _main), Across(picker, _main, PracticeTasks.Untouched)]
            : [PairsIn(picker, _main), Across(picker, _main, PracticeTasks.Untouched), .. simpler.Select(task => PairsIn(picker, task))]);
    }

    /// <summary>The other item of a pair, beside one that stays: as near to it as there is one.</summary>
    /// <param name="picker">Picks it.</param>
    /// <param name="stays">The item that stays.</param>
    /// <param name="task">The task of the one that is changed.</param>
    /// <param name="differs">Whether it is the one at which they part.</param>
    public Item? PartnerOf(ItemPicker picker, Item stays, ClockTask task, bool differs)
    {
        var open = picker.Weigh((differs ? For(task).Telling : For(task).Agreeing).Where(item => task == stays.Task
            ? PairDistance.CanPair(item.Time, stays.Time) : item.Time == stays.Time));
        return open.Count == 0 ? null
            : picker.Use(open.MinBy(each => (!picker.IsFresh(each.Item), PairDistance.Between(each.Item, stays), each.Cost)).Item);
    }

    /// <summary>
    /// One that comes right although the child has the pattern, and of the easiest times; of a task it leaves alone where its own has none.
    /// </summary>
    /// <exception cref="InvalidOperationException">The stage has fewer times than a set has items.</exception>
    public Item Secure(ItemPicker picker)
    {
        var simpler = PracticeTasks.Simpler(held.Pattern).Where(IsOpen);
        var own = held.Pattern.Step == Step.Fractions ? [.. simpler, _main] : simpler.Prepend(_main);
        IReadOnlyList<ClockTask> tasks = [.. own.Concat(PracticeTasks.Untouched.Where(IsOpen)).Concat(PracticeTasks.Untouched).Distinct()
            .OrderBy(task => !IsOpen(task) ? 2 : picker.HasRoomFor(task) ? 0 : 1)];
        var levels = tasks.SelectMany(task => For(task).Agreeing.GroupBy(item => Stages.FirstWith(item.Time.Minute))
            .OrderBy(same => same.Key).Select(level => level.ToList())).ToList();
        return levels.Select(level => picker.Pick(level.Where(picker.IsFresh))).FirstOrDefault(item => item is not null)
            ?? levels.Select(picker.Pick).FirstOrDefault(item => item is not null)
            ?? throw new InvalidOperationException("A stage has fewer times than a set has items.");
    }

    /// <summary>
    /// One more at which they part: in the pattern's own task, or in another of its tasks; null where the stage has none left.
    /// </summary>
    public Item? Again(ItemPicker picker) => FreshFirst(picker,
        [.. Simpler(picker).Prepend(_main).Concat(PracticeTasks.Transfers(held.Pattern).Where(IsOpen)).Where(picker.HasRoomFor)]);

    /// <summary>One at which they part: of the first task that has a fresh one, else of the first that has any.</summary>
    private Item? FreshFirst(ItemPicker picker, IReadOnlyList<ClockTask> tasks) =>
        tasks.Select(task => picker.Pick(For(task).Telling.Where(picker.IsFresh))).FirstOrDefault(item => item is not null)
            ?? tasks.Select(task => In(picker, task)).FirstOrDefault(item => item is not null);

    /// <summary>The last: at which they part, over the top from 12 to 1 where that matters.</summary>
    public Item? Bare(ItemPicker picker) =>
        (held.Pattern.Step is Step.Hour or Step.PastOrTo or Step.Placing
            ? picker.Pick(For(_main).Telling.Where(item => item.Time.Hour == 12 && picker.IsFresh(item))) : null) ?? In(picker, _main);

    /// <summary>The idea in another form: one that is not in this set and was not in earlier ones, as far as there is one.</summary>
    public Item? Transfer(ItemPicker picker, IReadOnlySet<ClockTask> asked, IReadOnlyCollection<ClockTask> carriedTo) =>
        FreshFirst(picker, [.. PracticeTasks.Transfers(held.Pattern).Where(task => IsOpen(task) && !asked.Contains(task))
            .OrderBy(task => carriedTo.Contains(task) ? 1 : 0)]);

    /// <summary>
    /// One at which they part when a clock is set; null where the pattern does not show there, or the child has not set one.
    /// </summary>
    public Item? ToSet(ItemPicker picker) =>
        PracticeTasks.Transfers(held.Pattern).Where(task => task.Form == AnswerForm.Hands && IsOpen(task)).Select(task => In(picker, task))
            .FirstOrDefault(item => item is not null);

    /// <summary>
    /// Two hands to be drawn: at a time where they part, as far as the pattern shows there; else at any that was not asked yet.
    /// </summary>
    public Item Drawn(ItemPicker picker) =>
        FreshFirst(picker, [.. new[] { ClockTasks.SetFromDigital, ClockTasks.SetFromWords }.Where(IsOpen)])
            ?? picker.Pick(For(ClockTasks.SetFromDigital).Agreeing) ?? Secure(picker);

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

    private IEnumerable<ItemPair> PairsIn(ItemPicker picker, ClockTask task)
    {
        var agreeing = picker.Weigh(For(task).Agreeing);
        return from differ in picker.Weigh(For(task).Telling)
               from agree in agreeing
               where PairDistance.CanPair(agree.Item.Time, differ.Item.Time)
               select Paired(picker, agree, differ);
    }

    private List<ItemPair> Across(ItemPicker picker, ClockTask task, IReadOnlyList<ClockTask> others)
    {
        var telling = picker.Weigh(For(task).Telling);
        foreach (var other in others.Where(other => other != task && IsOpen(other)).OrderBy(other => picker.HasRoomFor(other) ? 0 : 1))
        {
            var byTime = picker.Weigh(For(other).Agreeing).ToLookup(each => each.Item.Time);
            var pairs = telling.SelectMany(differ => byTime[differ.Item.Time].Select(agree => Paired(picker, agree, differ))).ToList();
            if (pairs.Count > 0) return pairs;
        }
        return [];
    }

    private static ItemPair Paired(ItemPicker picker, (Item Item, double Cost) agree, (Item Item, double Cost) differ) =>
        new(agree.Item, differ.Item, picker.Staleness(agree.Item) + picker.Staleness(differ.Item),
            PairDistance.Between(agree.Item, differ.Item), agree.Cost + differ.Cost);

    /// <summary>
    /// The best of some kinds of pairs: of the first kind that has a fresh one, else of the first that has any; of these one whose clocks
    /// lie nearest together.
    /// </summary>
    private static (Item, Item)? Best(ItemPicker picker, IReadOnlyList<IEnumerable<ItemPair>> kinds)
    {
        ItemPair? best = null;
        foreach (var pairs in kinds)
        {
            var first = pairs.MinBy(pair => (pair.Staleness, pair.Distance, pair.Cost));
            best ??= first;
            if (first?.Staleness != 0) continue;
            best = first;
            break;
        }
        return best is null ? null : (picker.Use(best.Agree), picker.Use(best.Differ));
    }

    /// <summary>Two items of a pair.</summary>
    /// <param name="Agree">Where the pattern comes right.</param>
    /// <param name="Differ">Where it does not.</param>
    /// <param name="Staleness">How far they are to be passed over, for they were asked lately.</param>
    /// <param name="Distance">How far they lie apart for the eye, in degrees.</param>
    /// <param name="Cost">What they cost the set: much like what is in it is dear.</param>
    private sealed record ItemPair(Item Agree, Item Differ, int Staleness, double Distance, double Cost);
}
