using Umbick.Core.Grouping;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Timetabling;

namespace Umbick.Planner.Tests;

/// <summary>A school made up from a number, for laws of planning: always the same for the same number.</summary>
public sealed class RandomSchool
{
    private static readonly string[] Classes = ["Tide", "Lamp", "Ferry", "Buoy"];

    private static readonly string[] Patterns =
        ["next-hour", "nearest-hour", "to-as-past", "past-as-to", "hands-swapped", "numeral-as-minutes", "lower-numeral"];

    private readonly Random _random;

    public RandomSchool(int seed, int children, int slots, int teachers)
    {
        _random = new Random(seed);
        Children = [.. Enumerable.Range(0, children).Select(_ => Child())];
        var people = Enumerable.Range(0, teachers).Select(_ => new PersonId(Some())).ToList();
        // Each teacher has slots one after the other on each day.
        Slots = [.. Enumerable.Range(0, slots).Select(i => new Slot(new SlotId(Some()), (DayOfWeek)(1 + (i / teachers % 5)),
            new TimeOnly(9, 0).AddMinutes(15 * (i / (5 * teachers))), _random.Next(6) == 0 ? 24 : Slot.Usual, [])
            { Teacher = people[i % teachers] })];
        Barred = [.. Classes.Select(name => new BarredTime(name, (DayOfWeek)_random.Next(1, 6), new TimeOnly(9, 0),
            new TimeOnly(9 + _random.Next(1, 3), 30), ""))];
        Apart = [.. Enumerable.Range(0, children / 6).Select(_ => (Any(), Any())).Where(pair => pair.Item1 != pair.Item2)];
    }

    public IReadOnlyList<PlanChild> Children { get; private set; }

    public IReadOnlyList<Slot> Slots { get; private set; }

    public IReadOnlyList<BarredTime> Barred { get; }

    public IReadOnlyList<(ChildId, ChildId)> Apart { get; }

    public GroupPlanning Planning => new(Children, Slots, Barred, Apart);

    /// <summary>The school some weeks later: its plan was kept, some needs have changed, and somebody has filled a slot by hand.</summary>
    public void LiveOn(GroupPlan kept)
    {
        Slots = [.. Slots.Select(slot => slot with { Children = kept.Seats.GetValueOrDefault(slot.Id) ?? slot.Children })];
        Children = [.. Children.Select(child => _random.Next(6) == 0 ? Child() with { Child = child.Child, Class = child.Class } : child)];
        var byHand = _random.Next(Slots.Count);
        Slots = [.. Slots.Select((slot, i) => i == byHand ? slot with { IsByHand = true } : slot)];
    }

    private Guid Some()
    {
        var bytes = new byte[16];
        _random.NextBytes(bytes);
        return new Guid(bytes);
    }

    private ChildId Any() => Children[_random.Next(Children.Count)].Child;

    private PlanChild Child()
    {
        var need = _random.Next(12) switch
        {
            0 => PlanNeed.Alone,
            1 or 2 => PlanNeed.Rechecks,
            3 => PlanNeed.Asking,
            _ =>
            PlanNeed.Practice
        };
        var needs = new CaseNeed(need,
            need is PlanNeed.Practice or PlanNeed.Rechecks ? Catalogue.Find(Patterns[_random.Next(Patterns.Length)]) : null);
        return new PlanChild(new ChildId(Some()), Classes[_random.Next(Classes.Length)], needs, (Stage)_random.Next(7, 11),
            _random.Next(8) == 0 ? _random.Next(0, 4) * 12 : needs.Minutes)
        {
            Words = _random.Next(10) == 0 ? "after" : "past",
            Help = (Support)_random.Next(0, 3),
            IsStuck = _random.Next(8) == 0,
            HasCopied = _random.Next(10) == 0,
            IsSure = _random.Next(5) == 0,
        };
    }
}
