using Umbick.Core.Clocks;
using Umbick.Core.Grouping;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Tests;

/// <summary>
/// What a plan of groups does with a few children, slot by slot; the plain plan, which is used where no better is looked for.
/// </summary>
public sealed class GroupPlanningTests
{
    private static readonly ChildId Fennel = Named(1), Plover = Named(2), Tansy = Named(3), Sorrel = Named(4);

    private static ChildId Named(int number) => new Guid(number, 0, 0, new byte[8]);

    private static string NameOf(ChildId child) => child == Fennel ? "Fennel" : child == Plover ? "Plover" : child == Tansy ? "Tansy"
        : "Sorrel";

    private sealed class NoSolver : IPlanSolver
    {
        public Task<SolvedPlan?> Solve(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> start, CancellationToken cancel) =>
            Task.FromResult<SolvedPlan?>(null);
    }

    private sealed class Liar(Func<GroupingProblem, IReadOnlyList<IReadOnlyList<int>>> says) : IPlanSolver
    {
        public Task<SolvedPlan?> Solve(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> start, CancellationToken cancel) =>
            Task.FromResult<SolvedPlan?>(new SolvedPlan(says(problem), long.MaxValue / 4));
    }

    private static PlanChild Child(ChildId id, string? pattern = "next-hour", int minutes = 24, PlanNeed need = PlanNeed.Practice,
        int stage = 8) =>
        new(id, "Tide class", new CaseNeed(need, Catalogue.Find(pattern)), (Stage)stage, minutes) { Words = "past" };

    private static Slot At(int number, DayOfWeek day, params ChildId[] children) =>
        new(new Guid(number, 1, 0, new byte[8]), day, new TimeOnly(9, 40), 12, children);

    private static IReadOnlyList<Slot> Week(params ChildId[] monday) =>
        [At(1, DayOfWeek.Monday, monday), At(2, DayOfWeek.Tuesday), At(3, DayOfWeek.Wednesday), At(4, DayOfWeek.Thursday)];

    private static Task<GroupPlan> Plan(IEnumerable<PlanChild> children, IEnumerable<Slot> slots, BarredTime[]? barred = null,
        (ChildId, ChildId)[]? apart = null) =>
        new GroupPlanning(children, slots, barred ?? [], apart ?? []).Make(new NoSolver(), TestContext.Current.CancellationToken);

    [Fact]
    public async Task Who_need_the_same_come_together_twice_a_week_and_a_slot_is_kept_free()
    {
        var plan = await Plan([Child(Fennel), Child(Plover), Child(Tansy)], Week());
        var group = Assert.Single(plan.Groups);
        Assert.Equal([Fennel, Plover, Tansy], group.Children.Select(child => child.Child));
        Assert.Equal(2, group.Slots.Count);
        Assert.Equal(2, plan.KeptFree.Count);
        Assert.Equal("The coming hour. All from Tide class.", PlanTexts.Why(group, NameOf, Wording.Usual));
        Assert.Equal("It is a plain plan: a better one could not be looked for on this machine.", PlanTexts.HowGood(plan));
    }

    [Fact]
    public async Task Who_are_kept_apart_are_not_together_and_it_says_so()
    {
        var plan = await Plan([Child(Fennel), Child(Plover)], Week(), apart: [(Plover, Fennel)]);
        Assert.Equal(2, plan.Groups.Count);
        Assert.Equal("The coming hour. Plover needs it too; the two are kept apart.",
            PlanTexts.Why(plan.Groups.Single(group => group.Children[0].Child == Fennel), NameOf, Wording.Usual));
    }

    [Fact]
    public async Task A_slot_that_somebody_filled_stays_and_counts_for_who_is_in_it()
    {
        var byHand = At(1, DayOfWeek.Monday, Fennel) with { IsByHand = true };
        var plan = await Plan([Child(Fennel), Child(Plover)], [byHand, .. Week().Skip(1)]);
        Assert.Equal([byHand], plan.ByHand);
        Assert.DoesNotContain(byHand.Id, plan.Seats.Keys);
        // One of Fennel's two seats is there already: the group has one more for both.
        Assert.Single(plan.Groups.Single(group => group.Children.Any(child => child.Child == Fennel)).Slots);
    }

    [Theory]
    [InlineData(PlanNeed.Nothing, 0, LeftOut.NothingNeeded)]
    [InlineData(PlanNeed.Asking, 0, LeftOut.AskedFirst)]
    [InlineData(PlanNeed.Practice, 0, LeftOut.NoMinutes)]
    public async Task Who_is_in_no_group_is_told_with_why(PlanNeed need, int minutes, LeftOut why)
    {
        var plan = await Plan([Child(Fennel, need == PlanNeed.Practice ? "next-hour" : null, minutes, need)], Week());
        Assert.Equal([(Fennel, why)], plan.LeftOut.Select(left => (left.Child.Child, left.Why)));
        Assert.NotEmpty(PlanTexts.Why(why));
    }

    [Fact]
    public async Task Where_the_class_can_never_be_fetched_or_all_is_taken_it_says_which()
    {
        var barred = new[] { DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday }
            .Select(day => new BarredTime("Tide class", day, new TimeOnly(9, 0), new TimeOnly(12, 0), "")).ToArray();
        Assert.Equal(LeftOut.CannotCome, (await Plan([Child(Fennel)], Week(), barred)).LeftOut.Single().Why);
        var plan = await Plan([Child(Fennel), Child(Sorrel, "hands-swapped")], [At(1, DayOfWeek.Monday)]);
        Assert.Equal(LeftOut.NoRoom, plan.LeftOut.Single().Why);
    }

    [Theory]
    [InlineData(1, 0)]
    [InlineData(2, 0)]
    [InlineData(3, 1)]
    [InlineData(6, 1)]
    [InlineData(12, 2)]
    [InlineData(60, 10)]
    public void Of_many_slots_some_are_kept_free_and_of_one_none(int slots, int free) => Assert.Equal(free,
        GroupPlanning.KeptFreeOf(slots));

    [Fact]
    public async Task Who_no_longer_fits_leaves_with_the_reason_and_the_others_stay()
    {
        var now = Week(Fennel, Plover, Sorrel);
        var plan = await Plan([Child(Fennel, minutes: 12), Child(Plover, minutes: 12), Child(Sorrel, "hands-swapped", 12)], now);
        var change = Assert.Single(plan.Changes);
        Assert.Equal(Sorrel, change.Child.Child);
        Assert.Equal(NotTogether.DifferentNeeds, change.Why);
        Assert.StartsWith("from Monday to Tuesday: needs something else than they do now",
            PlanTexts.InWords(change, slot => slot.Weekday.ToString()), StringComparison.Ordinal);
        Assert.Equal([Fennel, Plover], plan.Seats[now[0].Id]);
    }

    [Theory]
    [InlineData("", "1", "joins Mon")]
    [InlineData("1", "12", "also comes Tue")]
    [InlineData("12", "1", "no longer comes Tue, so that more can be seen")]
    [InlineData("12", "13", "from Tue to Wed, so that more can be seen")]
    [InlineData("12", "", "leaves Mon and Tue: nothing is practised any more")]
    public void What_would_change_is_told_in_a_line(string before, string after, string told) => Assert.Equal(told, PlanTexts.InWords(
        new PlanChange(Child(Fennel, null, 0, PlanNeed.Nothing), Slots(before), Slots(after), null), slot => slot.Weekday.ToString()[..3]));

    private static IReadOnlyList<Slot> Slots(string days) => [.. days.Select(day => Week()[day - '1'])];

    /// <summary>What comes from another process is looked through before it is used.</summary>
    [Fact]
    public async Task A_better_plan_that_breaks_a_rule_or_is_worse_is_not_used()
    {
        PlanChild[] children = [Child(Fennel), Child(Sorrel, "hands-swapped")];
        var plain = await Plan(children, Week());
        foreach (var says in new Func<GroupingProblem, IReadOnlyList<IReadOnlyList<int>>>[]
        {
            _ => [[0], [0]], _ => [[0, 1, 2], [3]], _ => [[], []], _ => [[0]], _ => [[9], [1]],
        })
        {
            var plan = await new GroupPlanning(children, Week(), [], []).Make(new Liar(says), TestContext.Current.CancellationToken);
            Assert.Equal(plain.Mark, plan.Mark);
        }
    }

    [Fact]
    public async Task The_mark_changes_with_whatever_the_plan_rests_on()
    {
        var marks = new List<string>
        {
            (await Plan([Child(Fennel), Child(Plover)], Week())).Mark,
            (await Plan([Child(Fennel), Child(Plover)], Week(), apart: [(Fennel, Plover)])).Mark,
            (await Plan([Child(Fennel), Child(Plover, "hands-swapped")], Week())).Mark,
            (await Plan([Child(Fennel), Child(Tansy)], Week())).Mark,
            (await Plan([Child(Fennel), Child(Plover)], Week(Fennel))).Mark,
            (await Plan([Child(Fennel), Child(Plover, minutes: 12)], Week())).Mark,
        };
        Assert.Equal(marks.Count, marks.Distinct().Count());
        Assert.Equal(marks[0], (await Plan([Child(Plover), Child(Fennel)], Week())).Mark);
    }
}
