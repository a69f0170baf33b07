using Umbick.Core.Grouping;

namespace Umbick.Planner.Tests;

/// <summary>What holds of every plan, in schools of all kinds.</summary>
public sealed class PlanLawTests
{
    private const int Schools = 300;

    private sealed class Solver : IPlanSolver
    {
        public SolvedPlan? Found { get; private set; }

        public Task<SolvedPlan?> Solve(
            GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> start, CancellationToken cancel)
        {
            Found = new PlanModel(problem, start).Solve(start);
            // What is used is looked through before, so that a fault here would be told as a plain plan.
            Assert.Null(PlanRules.Broken(problem, start));
            Assert.Null(PlanRules.Broken(problem, Found.Plan));
            Assert.True(PlanWorth.Of(problem, Found.Plan) >= PlanWorth.Of(problem, start), "never worse than the plain one");
            Assert.True(Found.Bound >= PlanWorth.Of(problem, Found.Plan), "no plan is worth more than the bound");
            return Task.FromResult<SolvedPlan?>(Found);
        }
    }

    private static RandomSchool SchoolOf(int seed) => new(seed, 3 + (seed % 11), 4 + (seed % 12), 1 + (seed % 3));

    [Fact]
    public async Task In_three_hundred_schools_no_rule_is_broken_and_twice_is_the_same()
    {
        var (best, placed, groups) = (0, 0, 0);
        for (var seed = 1; seed <= Schools; seed++)
        {
            var school = SchoolOf(seed);
            var plan = await school.Planning.Make(new Solver(), TestContext.Current.CancellationToken);
            AssertKept(school, plan);
            if (seed % 10 == 0) Assert.Equal(plan.Mark, (await SchoolOf(seed).Planning.Make(new Solver(),
                TestContext.Current.CancellationToken)).Mark);
            best += plan.IsBest ? 1 : 0;
            placed += plan.Groups.Sum(group => group.Children.Count);
            groups += plan.Groups.Count(group => group.Children.Count > 1);

            // Some weeks later; what somebody has filled stays, and who can stay stays.
            school.LiveOn(plan);
            AssertKept(school, await school.Planning.Make(new Solver(), TestContext.Current.CancellationToken));
        }
        Assert.True(best >= Schools * 0.95, $"{best} of {Schools} cannot be bettered");
        Assert.True(groups > Schools * 0.8, $"{groups} groups of several");
        Assert.True(placed > Schools * 3, $"{placed} placed");
    }

    /// <summary>The rules as a teacher says them, read off the plan itself and not off the problem of numbers.</summary>
    private static void AssertKept(RandomSchool school, GroupPlan plan)
    {
        foreach (var group in plan.Groups)
        {
            Assert.Null(Together.InTheWay(group.Children, school.Apart.Contains));
            Assert.True(Together.IsRightSize(group.Children));
            Assert.All(group.Children, child =>
            {
                Assert.True(child.IsPlanned);
                Assert.All(group.Slots, slot => Assert.DoesNotContain(school.Barred, barred => barred.Bars(slot, child.Class)));
            });
            Assert.Equal(group.Slots.Count, group.Slots.Select(slot => slot.Weekday).Distinct().Count());
        }
        var children = plan.Groups.SelectMany(group => group.Children).Concat(plan.LeftOut.Select(left => left.Child)).ToList();
        Assert.Equal(school.Children.Select(child => child.Child).Order(), children.Select(child => child.Child).Order());
        Assert.All(plan.ByHand, slot => Assert.DoesNotContain(slot.Id, plan.Seats.Keys));
        var free = plan.KeptFree.Count + plan.ByHand.Count(slot => slot.IsFree);
        Assert.True(free >= Math.Min(GroupPlanning.KeptFreeOf(school.Slots.Count),
            school.Slots.Count - plan.ByHand.Count(slot => !slot.IsFree)), $"{free} kept free of {school.Slots.Count}");
    }

    [Fact]
    public async Task Who_is_in_a_group_that_still_fits_is_not_moved()
    {
        for (var seed = 1; seed <= 40; seed++)
        {
            var school = SchoolOf(seed);
            var plan = await school.Planning.Make(new Solver(), TestContext.Current.CancellationToken);
            var kept = school.Slots.Select(slot => slot with { Children = plan.Seats[slot.Id] }).ToList();
            var again = await new GroupPlanning(school.Children, kept, school.Barred, school.Apart)
                .Make(new Solver(), TestContext.Current.CancellationToken);
            Assert.Empty(again.Changes);
        }
    }

    [Fact]
    public async Task A_term_of_forty_children_three_teachers_and_sixty_slots_is_planned()
    {
        var school = new RandomSchool(7, 40, 60, 3);
        var plan = await school.Planning.Make(new Solver(), TestContext.Current.CancellationToken);
        AssertKept(school, plan);
        Assert.DoesNotContain(plan.LeftOut, left => left.Why == LeftOut.NoRoom);
        Assert.NotNull(plan.MoreAtMost);
    }
}
