using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Grouping;

/// <summary>Why a child is in no group.</summary>
public enum LeftOut
{
    /// <summary>Nothing is practised, and nothing is to be looked at again.</summary>
    NothingNeeded,

    /// <summary>More is to be asked first, in a slot that is kept free.</summary>
    AskedFirst,

    /// <summary>Somebody has said that they are not to be seen.</summary>
    NoMinutes,

    /// <summary>They have all their minutes in slots that were filled by hand.</summary>
    ByHand,

    /// <summary>Their class can spare them in none of the slots, or they are in another then.</summary>
    CannotCome,

    /// <summary>Every slot that they could come to is taken, or kept free.</summary>
    NoRoom,
}

/// <summary>A group: children who come to the same slots for the term.</summary>
/// <param name="Children">The children.</param>
/// <param name="Slots">The slots, in the order of the week.</param>
public sealed record PlanGroup(IReadOnlyList<PlanChild> Children, IReadOnlyList<Slot> Slots)
{
    /// <summary>Somebody who needs the same as a child who is alone, and what keeps the two apart; null where there is nobody.</summary>
    public (PlanChild Other, NotTogether? Why)? NotWith { get; init; }
}

/// <summary>What a plan does with a child who has a place now, or has none.</summary>
/// <param name="Child">The child.</param>
/// <param name="Before">The slots that they have now.</param>
/// <param name="After">The slots that they would have.</param>
/// <param name="Why">What keeps them from those they are with now; null where nothing does.</param>
public sealed record PlanChange(PlanChild Child, IReadOnlyList<Slot> Before, IReadOnlyList<Slot> After, NotTogether? Why);

/// <summary>A plan of groups for the term.</summary>
/// <param name="Groups">The groups, by the week.</param>
/// <param name="LeftOut">Everybody else, with why.</param>
/// <param name="KeptFree">The slots that are kept free for whatever is due.</param>
/// <param name="ByHand">The slots that stay as somebody has left them.</param>
/// <param name="Changes">What it would change.</param>
/// <param name="MoreAtMost">How many children more another plan could place, at most; null where that was not looked for.</param>
/// <param name="IsBest">Whether no plan is better.</param>
/// <param name="Mark">It with what it rests on, in short: two plans with the same mark are the same.</param>
public sealed record GroupPlan(
    IReadOnlyList<PlanGroup> Groups, IReadOnlyList<(PlanChild Child, LeftOut Why)> LeftOut, IReadOnlyList<Slot> KeptFree,
    IReadOnlyList<Slot> ByHand, IReadOnlyList<PlanChange> Changes, int? MoreAtMost, bool IsBest, string Mark)
{
    /// <summary>Who comes to each slot that the plan may fill.</summary>
    public IReadOnlyDictionary<SlotId, IReadOnlyList<ChildId>> Seats { get; init; } =
        new Dictionary<SlotId, IReadOnlyList<ChildId>>();
}

/// <summary>What a better plan than the plain one came to.</summary>
/// <param name="Plan">For each child the slots that they come to.</param>
/// <param name="Bound">What no plan is worth more than.</param>
public sealed record SolvedPlan(IReadOnlyList<IReadOnlyList<int>> Plan, long Bound);

/// <summary>Looks for a better plan than the plain one.</summary>
public interface IPlanSolver
{
    /// <summary>Looks for one, for a while that is always as long for the same problem.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="start">A plan to begin with, which keeps every rule.</param>
    /// <param name="cancel">Ends the looking.</param>
    /// <returns>The plan; null where none can be looked for here.</returns>
    Task<SolvedPlan?> Solve(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> start, CancellationToken cancel);
}

/// <summary>Makes the plan of groups for a term.</summary>
public sealed class GroupPlanning
{
    /// <summary>One slot of so many is kept free for whatever is due.</summary>
    public const int OneFreeOf = 6;

    private readonly IReadOnlyList<PlanChild> _children;
    private readonly IReadOnlyList<Slot> _slots;
    private readonly IReadOnlyList<Slot> _byHand;
    private readonly IReadOnlyList<PlanChild> _planned;
    private readonly Predicate<(ChildId, ChildId)> _areKeptApart;

    /// <summary>States what is to be planned.</summary>
    /// <param name="children">The children.</param>
    /// <param name="slots">All slots, with whom they are for now.</param>
    /// <param name="barred">When classes may not be fetched.</param>
    /// <param name="keptApart">Pairs whom somebody has said to keep apart.</param>
    public GroupPlanning(IEnumerable<PlanChild> children, IEnumerable<Slot> slots, IReadOnlyList<BarredTime> barred,
        IEnumerable<(ChildId One, ChildId Other)> keptApart)
    {
        var apart = keptApart.ToHashSet();
        _areKeptApart = apart.Contains;
        _children = [.. children.OrderBy(child => child.Child)];
        var inOrder = slots.OrderBy(slot => slot.Weekday).ThenBy(slot => slot.From).ThenBy(slot => slot.Id).ToList();
        (_byHand, _slots) = (inOrder.FindAll(slot => slot.IsByHand), inOrder.FindAll(slot => !slot.IsByHand));
        _planned = [.. _children.Where(child => child.IsPlanned && SeatsLeft(child) > 0)];
        Problem = new GroupingProblem([.. _planned.Select(child => ProblemOf(child, barred))],
            [.. _slots.Select(slot => new ProblemSlot((int)slot.Weekday, NumberOf(_slots.Select(each => each.Teacher), slot.Teacher),
                slot.Minutes))],
            [.. Pairs()], Math.Max(0, _slots.Count - ToKeepFree(inOrder)));
    }

    /// <summary>It as a problem of numbers.</summary>
    public GroupingProblem Problem { get; }

    /// <summary>How many of so many slots are kept free: none of one or two.</summary>
    public static int KeptFreeOf(int slots) => (slots + (OneFreeOf / 2)) / OneFreeOf;

    /// <summary>How many are kept free beside those that somebody keeps free.</summary>
    private int ToKeepFree(List<Slot> all) => Math.Max(0, KeptFreeOf(all.Count) - _byHand.Count(slot => slot.IsFree));

    /// <summary>Makes the plan, as well as it can be made here.</summary>
    /// <param name="solver">What looks for a better one; what it finds is looked through again, and used where it is better.</param>
    /// <param name="cancel">Ends the looking.</param>
    public async Task<GroupPlan> Make(IPlanSolver solver, CancellationToken cancel = default)
    {
        var greedy = GreedyPlan.Make(Problem);
        if (Problem.Children.Count == 0 || Problem.Slots.Count == 0) return Read(greedy, PlanWorth.Of(Problem, greedy));
        var solved = await solver.Solve(Problem, greedy, cancel);
        if (solved is null) return Read(greedy, null);
        var isUsed = PlanRules.Broken(Problem, solved.Plan) is null
            && PlanWorth.Of(Problem, solved.Plan) >= PlanWorth.Of(Problem, greedy);
        return Read(isUsed ? solved.Plan : greedy, solved.Bound);
    }

    private GroupPlan Read(IReadOnlyList<IReadOnlyList<int>> plan, long? bound)
    {
        var groups = plan.Select((slots, child) => (Slots: slots.Order().ToList(), Child: _planned[child]))
            .Where(each => each.Slots.Count > 0)
            .GroupBy(each => each.Slots[0], (_, each) => each.ToList())
            .OrderBy(group => group[0].Slots[0])
            .Select(group => new PlanGroup([.. group.Select(each => each.Child)], [.. group[0].Slots.Select(slot => _slots[slot])]))
            .Select(group => group.Children is [var alone] ? group with { NotWith = NearestTo(alone) } : group)
            .ToList();
        var placed = groups.SelectMany(group => group.Children).ToHashSet();
        var seats = _slots.ToDictionary(slot => slot.Id, slot => (IReadOnlyList<ChildId>)
            [.. groups.Where(group => group.Slots.Contains(slot)).SelectMany(group => group.Children).Select(child => child.Child)]);
        return new GroupPlan(groups, [.. _children.Where(child => !placed.Contains(child)).Select(child => (child, WhyLeftOut(child)))],
            [.. _slots.Where(slot => seats[slot.Id].Count == 0)], _byHand, [.. Changes(groups)],
            bound is { } most ? PlanWorth.MoreAtMost(Problem, plan, most) : null, bound == PlanWorth.Of(Problem, plan), MarkOf(seats))
        { Seats = seats };
    }

    /// <summary>Who might have been with a child who is alone: one with the same pattern, whom the fewest rules keep away.</summary>
    private (PlanChild Other, NotTogether? Why)? NearestTo(PlanChild alone) => _planned
        .Where(other => other != alone && other.Pattern is not null && other.Pattern == alone.Pattern)
        .Select(other => ((PlanChild Other, NotTogether? Why)?)(other, Together.InTheWay(alone, other, _areKeptApart)))
        .OrderByDescending(other => other!.Value.Why).FirstOrDefault();

    private IEnumerable<PlanChange> Changes(List<PlanGroup> groups)
    {
        foreach (var child in _children)
        {
            var before = _slots.Where(slot => slot.Children.Contains(child.Child)).ToList();
            var after = groups.Find(group => group.Children.Contains(child))?.Slots ?? [];
            if (before.SequenceEqual(after)) continue;
            var with = before.SelectMany(slot => slot.Children).Distinct().Where(other => other != child.Child)
                .Select(other => _children.FirstOrDefault(known => known.Child == other)).OfType<PlanChild>();
            yield return new PlanChange(child, before, after,
                with.Select(other => Together.InTheWay(child, other, _areKeptApart)).FirstOrDefault(why => why is not null));
        }
    }

    private LeftOut WhyLeftOut(PlanChild child) => child.Needs.Need switch
    {
        _ when SeatsLeft(child) <= 0 && child.IsPlanned => LeftOut.ByHand,
        PlanNeed.Nothing => LeftOut.NothingNeeded,
        PlanNeed.Asking => LeftOut.AskedFirst,
        _ when !child.IsPlanned => LeftOut.NoMinutes,
        _ when Problem.Children[_planned.Index().First(each => each.Item == child).Index].Slots.Count == 0 => LeftOut.CannotCome,
        _ => LeftOut.NoRoom,
    };

    private int SeatsLeft(PlanChild child) =>
        child.Seats - _byHand.Where(slot => slot.Children.Contains(child.Child)).Sum(slot => Math.Max(1, slot.Minutes / Slot.Usual));

    private ProblemChild ProblemOf(PlanChild child, IReadOnlyList<BarredTime> barred)
    {
        var taken = _byHand.Where(slot => slot.Children.Contains(child.Child)).Select(slot => slot.Weekday).ToHashSet();
        return new ProblemChild(SeatsLeft(child), NumberOf(_planned.Select(each => each.Pattern), child.Pattern),
            child.Class.Length == 0 ? -1 - _planned.Index().First(each => each.Item == child).Index
                : NumberOf(_planned.Select(each => each.Class.ToUpperInvariant()), child.Class.ToUpperInvariant()),
            child.Needs.Need == PlanNeed.Rechecks,
            [.. _slots.Index().Where(slot => !taken.Contains(slot.Item.Weekday) && !barred.Any(time => time.Bars(slot.Item, child.Class)))
                .Select(slot => slot.Index)],
            [.. _slots.Index().Where(slot => slot.Item.Children.Contains(child.Child)).Select(slot => slot.Index)]);
    }

    private IEnumerable<IReadOnlyList<int>> Pairs()
    {
        for (var one = 0; one < _planned.Count; one++)
        {
            for (var other = one + 1; other < _planned.Count; other++)
            {
                if (Together.InTheWay(_planned[one], _planned[other], _areKeptApart) is not null) yield return [one, other];
            }
        }
    }

    private static int NumberOf<T>(IEnumerable<T> all, T one) => all.Distinct().Index().First(each => Equals(each.Item, one)).Index;

    /// <summary>A plan that is kept is the one that was shown: who is planned, for what, and where they come.</summary>
    private string MarkOf(Dictionary<SlotId, IReadOnlyList<ChildId>> seats) => Convert.ToHexStringLower(SHA256.HashData(
        Encoding.UTF8.GetBytes(JsonSerializer.Serialize((object[])
        [
            Problem, _planned.Select(child => child.Child.Value), seats.Select(seat => (object[])
                [seat.Key.Value, seat.Value.Select(child => child.Value)]),
        ]))))[..16];
}
