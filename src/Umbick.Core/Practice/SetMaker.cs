using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>
/// Makes a practice set for a pattern: a secure start, minimal contrast pairs, claims to judge, the idea in another form, and a bare one at
/// the end. No task and time comes twice; hours and minutes are spread; the wrap over 12 is in it where it matters.
/// </summary>
/// <param name="wording">How the reasons say times.</param>
/// <param name="inUse">Which tasks the child has met; a set asks nothing else beside the task at which its pattern shows.</param>
public sealed class SetMaker(Wording? wording = null, Func<ClockTask, bool>? inUse = null)
{
    private readonly Wording _wording = wording ?? Wording.Usual;
    private readonly Func<ClockTask, bool> _inUse = inUse ?? (_ => true);

    /// <summary>Makes a set.</summary>
    public PracticeSet Make(SetRequest order)
    {
        var pools = new SetPools(order.Held, StageFor(order), _inUse);
        var picker = new ItemPicker(order.Seed, order.Taken, order.Before);
        var slots = Fill(PlanFor(order, picker), pools, picker, order);
        foreach (var (place, again) in order.Swaps.Index().Select(swap => (swap.Item, swap.Index)))
        {
            if (place >= 0 && place < slots.Length
                && Other(slots, place, pools, Unlike(slots.Select(slot => slot.Item), order, again)) is { } other) slots[place] = other;
        }
        var why = new SetWhy(order.Held, _wording);
        return new PracticeSet(order.Held.Pattern, [.. slots.Select((slot, place) =>
            new SetItem(slot.Item, slot.Part, Fading.Within(order.Start, place, order.Length),
                why.For(slot, place > 0 ? slots[place - 1] : null)))]);
    }

    /// <summary>One more item, to end a visit on: it comes right, and is none of the set's.</summary>
    public SetItem ToEndOn(SetRequest order, PracticeSet set)
    {
        var pools = new SetPools(order.Held, StageFor(order), _inUse);
        var slot = Secure(pools, Unlike(set.Items.Select(item => item.Item), order, again: order.Swaps.Count));
        return new SetItem(slot.Item, slot.Part, Support.Bare, "To end on one that comes right.");
    }

    /// <summary>The stage a set is made at: the child's own, or the first later one at which the pattern shows at all.</summary>
    public static Stage StageFor(SetRequest order) => Stages.OfReading
        .Where(stage => stage >= order.Stage)
        .FirstOrDefault(stage => ItemBank.ForSitting(stage, [order.Held.MainTask]).Any(order.Held.IsTelling),
        Stage.EveryMinute);

    /// <summary>
    /// The items of a set. What matters most is picked first, while there is most to pick from: the first pair, the end, then the rest.
    /// </summary>
    private static SetSlot[] Fill(IReadOnlyList<SetPart> parts, SetPools pools, ItemPicker picker, SetRequest order)
    {
        var slots = new SetSlot[parts.Count];
        var claimIsTrue = order.Before.NextClaimIsTrue ?? picker.Toss();
        var pairs = parts.Index().Where(part => part.Item == SetPart.Agree).Select(part => part.Index).ToList();
        PutPair(pairs[0], isFirst: true);
        if (order.OnPaper) (slots[^2], slots[^1]) = (Drawn(), Drawn());
        else PutEnd();
        foreach (var place in pairs.Skip(1)) PutPair(place, isFirst: false);
        for (var place = 0; place < parts.Count; place++)
        {
            if (parts[place] == SetPart.Secure) slots[place] = Secure(pools, picker);
            if (parts[place] != SetPart.Judge) continue;
            slots[place] = pools.Claim(picker, claimIsTrue) is { } claim ? new SetSlot(claim, SetPart.Judge) : Again(pools, picker);
            claimIsTrue = !claimIsTrue;
        }
        return slots;

        SetSlot Drawn() => new(pools.Drawn(picker), SetPart.Bare);

        void PutEnd()
        {
            slots[^1] = (pools.Bare(picker) is { } bare ? new SetSlot(bare, SetPart.Bare) : Again(pools, picker)) with
            { Part = SetPart.Bare };
            var asked = new[] { pairs[0], pairs[0] + 1, parts.Count - 1 }.Select(place => slots[place].Item.Task).ToHashSet();
            slots[^2] = pools.Transfer(picker, asked, order.CarriedTo) is { } transfer ? new SetSlot(transfer, SetPart.Transfer)
                : Again(pools, picker);
        }

        void PutPair(int place, bool isFirst) => (slots[place], slots[place + 1]) = pools.Pair(picker, isFirst) is var (agree, differ)
            ? (new SetSlot(agree, SetPart.Agree), new SetSlot(differ, SetPart.Differ))
            : (Secure(pools, picker), Again(pools, picker));
    }

    /// <summary>Where the claims stand: somewhere else than in the set before, so that no place comes to mean a claim.</summary>
    private static IReadOnlyList<SetPart> PlanFor(SetRequest order, ItemPicker picker)
    {
        if (order.OnPaper) return SetPlan.OnPaper;
        var plans = SetPlan.ForLength(order.Length);
        var others = plans.Where(plan => !plan.Index().Where(part => part.Item == SetPart.Judge).Select(part => part.Index)
            .SequenceEqual(order.Before.ClaimedAt)).ToList();
        return picker.One(others.Count > 0 ? others : plans);
    }

    private static SetSlot Secure(SetPools pools, ItemPicker picker) => new(pools.Secure(picker), SetPart.Secure);

    /// <summary>Once more where they part; where the stage has no such time left, one that comes right.</summary>
    private static SetSlot Again(SetPools pools, ItemPicker picker) => pools.Again(picker) is { } again ? new SetSlot(again, SetPart.Again)
        : Secure(pools, picker);

    /// <summary>Another item that keeps the rules at a place; null where there is none.</summary>
    private static SetSlot? Other(SetSlot[] slots, int place, SetPools pools, ItemPicker picker)
    {
        var slot = slots[place];
        var other = slot.Part switch
        {
            SetPart.Agree => pools.PartnerOf(picker, slots[place + 1].Item, slot.Item.Task, differs: false),
            SetPart.Differ => pools.PartnerOf(picker, slots[place - 1].Item, slot.Item.Task, differs: true),
            SetPart.Judge => pools.Claim(picker, slot.Item.ClaimIsRight),
            SetPart.Secure => pools.Secure(picker),
            SetPart.Transfer => pools.In(picker, slot.Item.Task),
            _ => pools.In(picker, slot.Item.Task) ?? pools.Again(picker),
        };
        return other is null ? null : slot with { Item = other };
    }

    private static ItemPicker Unlike(IEnumerable<Item> items, SetRequest order, int again)
    {
        var picker = new ItemPicker(unchecked((order.Seed * 31) + again + 1), order.Taken, order.Before);
        foreach (var item in items) picker.Use(item);
        return picker;
    }
}

/// <summary>An item at its place in a set.</summary>
/// <param name="Item">The item.</param>
/// <param name="Part">What it does there.</param>
internal readonly record struct SetSlot(Item Item, SetPart Part);
