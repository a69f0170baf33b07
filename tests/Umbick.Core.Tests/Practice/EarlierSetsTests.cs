using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Core.Tests;

/// <summary>Set after set for one child: no set is the first again. Two hundred children have six sets each.</summary>
public sealed class EarlierSetsTests
{
    private const int Children = 200;
    private const int SetsEach = 6;

    private static readonly ReadingModel Model = new();

    private static readonly Stage[] Taught =
        [Stage.HalfPast, Stage.QuarterPast, Stage.QuarterTo, Stage.FiveMinutesPast, Stage.FiveMinutesTo, Stage.EveryMinute];

    /// <summary>A child's sets, the earliest first, each with what it was asked for.</summary>
    private sealed record Course(HeldPattern Held, IReadOnlyList<(SetRequest Asked, IReadOnlyList<SetItem> Items)> Sets);

    private static readonly Lazy<IReadOnlyList<Course>> All = new(() => [.. Enumerable.Range(0, Children).Select(Played)]);

    private static IReadOnlyList<Course> Courses => All.Value;

    private static Course Played(int child)
    {
        var random = new Random(child);
        var id = new byte[16];
        random.NextBytes(id);
        var held = HeldPattern.Plain(Model, Model.Patterns[child % Model.Patterns.Count]);
        var stage = Taught[random.Next(Taught.Length)];
        var sets = new List<(SetRequest, IReadOnlyList<SetItem>)>();
        for (var set = 0; set < SetsEach; set++)
        {
            var before = new EarlierSets([.. Enumerable.Reverse(sets)
                .Select(each => (IReadOnlyList<Item>)[.. each.Item2.Select(item => item.Item)])]);
            var asked = new SetRequest(held, stage, Support.Full, before.SeedFor(new Guid(id), held.Pattern)) { Before = before };
            sets.Add((asked, new SetMaker().Make(asked).Items));
        }
        return new Course(held, sets);
    }

    [Fact]
    public void Nothing_of_the_last_three_sets_is_asked_again_while_the_stage_has_anything_else() => Assert.All(Courses, course =>
    {
        for (var set = 1; set < SetsEach; set++)
        {
            var lately = course.Sets.Take(set).TakeLast(EarlierSets.Apart).SelectMany(each => each.Items).Select(Asked).ToHashSet();
            var (request, items) = course.Sets[set];
            var gone = lately.Concat(items.Select(Asked)).ToHashSet();
            foreach (var (item, place) in items.Select((item, place) => (item, place)).Where(each => lately.Contains(Asked(each.item))))
            {
                var pair = item.Part == SetPart.Agree ? (items[place], items[place + 1])
                    : item.Part == SetPart.Differ ? (items[place - 1], items[place]) : default((SetItem, SetItem)?);
                Assert.Empty(pair is var (agree, differ)
                    ? from first in Open(course.Held, request, agree, gone)
                      from second in Open(course.Held, request, differ, gone)
                      where first.Task == second.Task ? PairDistance.CanPair(first.Time, second.Time) : first.Time == second.Time
                      select first
                    : Open(course.Held, request, item, gone));
            }
        }
    });

    private static (ClockTask, ClockTime) Asked(SetItem item) => (item.Item.Task, item.Item.Time);

    /// <summary>What could stand in an item's place: of its task, and telling or not as it is.</summary>
    private static IEnumerable<Item> Open(HeldPattern held, SetRequest request, SetItem item, HashSet<(ClockTask, ClockTime)> gone)
    {
        var task = item.Item.Task != ClockTasks.Judge ? item.Item.Task
            : item.Item.Claim is WordsAnswer ? ClockTasks.ReadWords : ClockTasks.ReadDigital;
        if (item.Item.Task == ClockTasks.RepairClock) task = ClockTasks.SetFromDigital;
        return ItemBank.ForSitting(SetMaker.StageFor(request), [task])
            .Where(other => (item.Part.IsTelling() ? held.IsTelling(other) : held.ComesRight(other))
                && !gone.Contains((item.Item.Task, other.Time)));
    }

    [Fact]
    public void Claims_are_true_half_the_time_never_three_alike_running_and_move_their_place() => Assert.All(Courses, course =>
    {
        var claims = course.Sets.SelectMany(set => set.Items).Where(item => item.Item.Task == ClockTasks.Judge)
            .Select(item => item.Item.ClaimIsRight).ToList();
        Assert.InRange(claims.Sum(isTrue => isTrue ? 1 : -1), -1, 1);
        Assert.DoesNotContain(claims.Index().Skip(2), claim =>
            claims[claim.Index - 1] == claim.Item && claims[claim.Index - 2] == claim.Item);
        Assert.All(course.Sets.Select(set => set.Items.Index().Where(item => item.Item.Part == SetPart.Judge).Select(item => item.Index))
            .Select(places => places.ToList()).Pairwise().Where(pair => pair.Later.Count > 0),
            pair => Assert.NotEqual(pair.Earlier, pair.Later));
    });

    [Fact]
    public void Of_one_hand_alone_a_set_has_two_at_most() => Assert.All(Courses.SelectMany(course => course.Sets), set =>
        Assert.True(set.Items.Count(item => item.Item.Task.Stimulus is Stimulus.HourHand or Stimulus.MinuteHand) <= 2));

    [Fact]
    public void No_two_children_have_the_same_first_set_nor_a_child_the_same_set_twice_running()
    {
        Assert.All(Courses, course => Assert.All(course.Sets.Select(Clocks).Pairwise(), pair => Assert.NotEqual(pair.Earlier, pair.Later)));
        Assert.Equal(Children, Courses.Select(course => course.Held.Pattern.Id + Clocks(course.Sets[0])).Distinct().Count());
    }

    private static string Clocks((SetRequest Asked, IReadOnlyList<SetItem> Items) set) =>
        string.Join(' ', set.Items.Select(item => $"{item.Item.Task.Id} {item.Item.Time}"));

    [Fact]
    public void What_the_chance_is_drawn_from_is_the_same_each_time_and_another_for_each()
    {
        var (child, other) = (new Guid("6f1c3d1e-0000-0000-0000-000000000001"), new Guid("6f1c3d1e-0000-0000-0000-000000000002"));
        var (coming, swapped) = (Model.Patterns[1], Model.Patterns[0]);
        var one = new EarlierSets([[]]);
        int[] seeds = [EarlierSets.None.SeedFor(child, coming), EarlierSets.None.SeedFor(other, coming),
            EarlierSets.None.SeedFor(child, swapped), one.SeedFor(child, coming), EarlierSets.None.SeedFor(child, coming, variant: 1)];
        Assert.Equal(seeds.Length, seeds.Distinct().Count());
        Assert.Equal(seeds[0], new EarlierSets([]).SeedFor(child, coming));
    }
}
