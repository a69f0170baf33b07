using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>A replay that goes on from a point comes to the same as one from the first answer.</summary>
public sealed class ReplayPointTests
{
    private const double AsNear = 1e-6;
    private static readonly ReadingModel Model = new();
    private static readonly IReadOnlyList<Item> Bank = ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain);
    private static readonly DateOnly Monday = new(2026, 9, 7);

    [Fact]
    public void Fifty_courses_go_on_from_every_point_as_if_they_had_begun_at_the_first_answer() =>
        Assert.InRange(GoOnAsOne(0, 50), 100, 200);

    [Fact(Explicit = true)]
    [Trait("Kind", "Points")]
    public void Five_hundred_courses_go_on_from_every_point_as_if_they_had_begun_at_the_first_answer()
    {
        var sizes = new List<int>();
        var points = GoOnAsOne(0, 500, sizes);
        sizes.Sort();
        TestContext.Current.SendDiagnosticMessage(
            "points: {0} gone on from; {1} bytes in the middle, {2} at 95 %, {3} the largest", points, sizes[sizes.Count / 2],
            sizes[sizes.Count * 95 / 100], sizes[^1]);
    }

    [Theory]
    [InlineData("next-hour")]
    [InlineData("hands-swapped")]
    public void A_sitting_under_way_goes_on_from_what_is_remembered_without_the_answers_before_it(string id)
    {
        var child = new SimulatedChild(Model, [Catalogue.Find(id)!], 0.9, new Random(5));
        var forms = new FixedForms(Model).Make(Stage.FiveMinutesTo, 16, seed: 6, [ClockTasks.ReadDigital, ClockTasks.ReadWords]);
        var earlier = new List<SittingAnswers>();
        for (var week = 0; week < 6; week++)
        {
            if (week == 2) child.Unlearn(Catalogue.Find(id)!);
            var all = forms[week % 3].Items.Select(item =>
                new ItemAnswer(item, item.Read(child.Answer(item, AnswerMode.Said)), AnswerMode.Said)).ToList();
            // Two sittings of one day: on that day nothing is loosened.
            var day = Monday.AddDays(7 * (week - (week % 2)));
            for (var answered = 0; answered <= all.Count; answered += 8)
            {
                var sitting = new SittingAnswers(day, [.. all.Take(answered)], []);
                var whole = Replay.Run(Model, [.. earlier, sitting]);
                whole.Remember();
                AssertSame(whole, Replay.GoOn(Model, [.. earlier.Select(answers => answers.Name)], sitting)!);
            }
            earlier.Add(new SittingAnswers(day, all, []) { Id = $"{id} {week}" });
        }
    }

    [Fact]
    public void An_earlier_answer_that_was_put_right_is_not_taken_from_what_is_remembered()
    {
        var before = new SittingAnswers(Monday, [Said("6:20", "7:20"), Said("3:40", "4:40")], []) { Id = "as given" };
        var putRight = new SittingAnswers(Monday, [Said("6:20", "6:20"), Said("3:40", "4:40")], []) { Id = "put right" };
        var now = new SittingAnswers(Monday.AddDays(7), [Said("8:25", "9:25")], []);
        Replay.Run(Model, [before, now]).Remember();
        Assert.Null(Replay.GoOn(Model, [putRight.Name], now));
        Assert.NotNull(Replay.GoOn(Model, [before.Name], now));
        Replay.Forget(Model);
        Assert.Null(Replay.GoOn(Model, [before.Name], now));
    }

    [Fact]
    public void A_point_is_of_its_answers_its_days_what_was_practised_and_how_far_times_were_taught()
    {
        var sittings = Course(new Random(3)).Take(4).ToList();
        var point = Replay.Run(Model, sittings).Points.Values.Last();
        var others = new List<SittingAnswers>
        {
            sittings[1] with { Id = "put right" },
            sittings[1] with { Day = sittings[1].Day.AddDays(1) },
            sittings[1] with { Practised = [Step.Writing] },
            sittings[1] with { Stage = Stage.OClock },
        };
        Assert.Contains(point.Name, Replay.PointsFor([.. sittings.Select(sitting => sitting.Name)]));
        Assert.All(others, other =>
            Assert.DoesNotContain(point.Name,
                Replay.PointsFor([.. sittings.Select(sitting => (sitting == sittings[1] ? other : sitting).Name)])));
    }

    [Fact]
    public void A_point_that_cannot_be_read_is_passed_over()
    {
        var sittings = Course(new Random(4)).Take(5).ToList();
        var whole = Replay.Run(Model, sittings);
        var point = whole.Points.Values.Last();
        foreach (var broken in new byte[][] { [], [9], point.State[..^3], point.State[..5] })
            AssertSame(whole, Replay.Run(Model, sittings, [point with { State = broken }]));
    }

    /// <summary>Compares courses after each sitting with what comes of going on from every point that stood before it.</summary>
    /// <returns>From how many points was gone on.</returns>
    private static int GoOnAsOne(int first, int courses, List<int>? sizes = null)
    {
        var compared = 0;
        for (var seed = first; seed < first + courses; seed++)
        {
            var random = new Random(seed);
            var course = Course(random).ToList();
            // An answer of an earlier sitting is put right, and a word of the teacher is taken back: what stood before is as it was.
            var until = random.Next(ReplayPoint.FewestSittings, course.Count);
            var points = Replay.Run(Model, course[..until]).Points.Values.ToList();
            sizes?.AddRange(points.Select(point => point.State.Length));
            var late = random.Next(until - 1, until + 1);
            if (random.Next(2) == 0)
                course[late] = course[late] with { Answers = [.. course[late].Answers.Skip(1)], Words = [], Id = $"{late} put right" };
            var sittings = course[..random.Next(until, Math.Min(until + 2, course.Count) + 1)];
            var whole = Replay.Run(Model, sittings);
            foreach (var point in points)
            {
                AssertSame(whole, Replay.Run(Model, sittings, [point]));
                compared++;
            }
        }
        return compared;
    }

    /// <summary>
    /// The sittings of a child who changes suddenly: two on one day at times, practised or not, with a word of the teacher now and then.
    /// </summary>
    private static IEnumerable<SittingAnswers> Course(Random random)
    {
        var (day, child, has) = (Monday, (SimulatedChild?)null, new List<Pattern>());
        for (var sitting = 0; sitting < 8; sitting++)
        {
            if (child is null || random.Next(4) == 0)
            {
                has = [.. Model.Patterns.OrderBy(_ => random.Next()).DistinctBy(pattern => pattern.Step).Take(random.Next(3))];
                child = new SimulatedChild(Model, has, 0.6 + (0.4 * random.NextDouble()), random);
            }
            if (random.Next(4) > 0) day = day.AddDays(random.Next(1, 15));
            var asked = Enumerable.Range(0, random.Next(4, 13)).Select(_ => Bank[random.Next(Bank.Count)]);
            yield return new SittingAnswers(day,
                [.. asked.Select(item => new ItemAnswer(item, item.Read(child.Answer(item, item.Task.Taken)), item.Task.Taken,
                    Helped: random.Next(8) == 0))],
                has.Count > 0 && random.Next(2) == 0 ? [has[0].Step] : [])
            {
                Id = $"{sitting}",
                Stage = random.Next(2) == 0 ? Stage.EveryMinute : null,
                Words = random.Next(6) == 0 ? [new TeacherWord(Model.Patterns[random.Next(Model.Patterns.Count)], random.Next(2) == 0, "")]
                    : [],
            };
        }
    }

    private static void AssertSame(Replay whole, Replay other)
    {
        Assert.Equal(whole.Answers, other.Answers);
        foreach (var step in Model.Space.Steps)
        {
            foreach (var (one, same) in whole.Belief.MarginalAt(step).Zip(other.Belief.MarginalAt(step)))
                Assert.Equal(one, same, AsNear);
        }
        Assert.Equal(whole.Belief.Guessing, other.Belief.Guessing, AsNear);
        // What lies that near a threshold may fall to either side.
        double[] thresholds = [ModelParameters.WorthNaming, ModelParameters.ClearedBelow, ModelParameters.PossibleFrom,
            ModelParameters.NeverPassedOverFrom, ModelParameters.LikelyFrom, ModelParameters.GuessingFrom];
        if (Model.Patterns.Any(pattern =>
            Array.Exists(thresholds, threshold => Math.Abs(whole.Belief.ProbabilityOf(pattern) - threshold) < AsNear))) return;
        Assert.Equal(string.Join('\n', Told(whole.Now)), string.Join('\n', Told(other.Now)));

        static IEnumerable<string> Told(Conclusion now) =>
        [
            .. now.Findings.Select(finding =>
                $"{finding.Pattern.Id} {finding.Label} {finding.Belief:0.00} {finding.Evidence.Count} {finding.Shows}").Order(),
            .. now.OtherWays.Select(way => $"{way.Id} {way.Label} {string.Join(',', way.Answers)}"),
            string.Join(',', now.Unexplained),
            $"{now.Beside} {now.MostlyWrong}",
        ];
    }

    private static ItemAnswer Said(string time, string said) =>
        new(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(said), AnswerMode.Said);
}
