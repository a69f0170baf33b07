using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>
/// What is right is right however it is said; reading and setting are two skills; a sitting goes as a teacher would hold it.
/// </summary>
public sealed class MeaningTests
{
    private static readonly ReadingModel Model = new();

    [Fact]
    public void What_scores_right_is_what_reading_rightly_gives_for_every_task_and_every_way_of_saying_it()
    {
        var looked = 0;
        foreach (var item in ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain))
        {
            foreach (var said in Sayings(item.Time).Append(item.Right.Short(Wording.Usual)))
            {
                var answer = item.Read(said);
                if (!Scoring.IsRight(item, answer, item.Task.Taken, Stage.EveryMinute)) continue;
                var seen = Assert.Single(Model.Observe(new ItemAnswer(item, answer, item.Task.Taken)));
                Assert.True(seen.IsRight && seen.ChanceOf(0) > 0.99, $"{item.Task.Id} {item.Time} “{said}”");
                looked++;
            }
        }
        Assert.True(looked > 3900, $"{looked} ways");
    }

    [Theory]
    [InlineData("6:40", "forty past six")]
    [InlineData("6:40", "six forty")]
    [InlineData("6:30", "half to 7")]
    [InlineData("6:30", "half an hour past 6")]
    [InlineData("6:45", "45 past 6")]
    public void A_child_who_says_times_their_own_way_is_not_taken_for_guessing(string time, string said)
    {
        var belief = new Belief(Model);
        foreach (var hour in new[] { 0, 120, 300, 420 })
        {
            var shown = ClockTime.TryParse(time)!.Value.Plus(hour);
            var words = said.Replace("six", $"{shown.Hour}", StringComparison.Ordinal).Replace(" 6", $" {shown.Hour}",
                StringComparison.Ordinal).Replace(" 7", $" {Hours.After(shown.Hour)}", StringComparison.Ordinal);
            belief.Update(new ItemAnswer(new Item(ClockTasks.ReadWords, shown), AnswerParser.Parse(words), AnswerMode.Said));
        }
        Assert.True(belief.Guessing < 0.01, $"guessing {belief.Guessing}");
        Assert.All(Model.Patterns, pattern => Assert.True(belief.ProbabilityOf(pattern) < ModelParameters.PossibleFrom, pattern.Id));
    }

    [Theory]
    [InlineData("7.67|40", "3.33|20", true)]
    [InlineData("6.67|40", "2.33|20", false)]
    public void Who_reads_the_coming_hour_may_set_a_clock_rightly(string first, string second, bool setsRightly)
    {
        var belief = new Belief(Model);
        foreach (var (shown, said) in new[] { ("6:20", "7:20"), ("2:40", "3:40"), ("9:10", "10:10"), ("4:50", "5:50") })
            belief.Update(new ItemAnswer(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(shown)!.Value), AnswerParser.Parse(said),
                AnswerMode.Said));
        foreach (var (asked, placed) in new[] { ("7:40", first), ("3:20", second), ("7:40", first), ("3:20", second) })
            belief.Update(new ItemAnswer(new Item(ClockTasks.SetFromDigital, ClockTime.TryParse(asked)!.Value), AnswerParser.Parse(placed),
                AnswerMode.Placed));
        Assert.True(belief.ProbabilityOf(Catalogue.Find("next-hour")!) > ModelParameters.LikelyFrom);
        var believed = belief.MarginalAt(Step.Setting)[1];
        Assert.True(setsRightly ? believed > 0.9 : believed < 0.1, $"sets rightly {believed}");
        Assert.Equal(setsRightly ? ShownWhere.Reading : ShownWhere.Both, belief.WhereShown(Catalogue.Find("next-hour")!));
        Assert.Equal(ShownWhere.Setting, belief.WhereShown(Catalogue.Find("hour-hand-behind")!));
    }

    /// <summary>Two skills the other way round: it is found, said so, and practised by setting.</summary>
    [Fact]
    public void Who_reads_rightly_may_set_the_coming_hour()
    {
        ItemAnswer[] answers =
        [
            .. new[] { "6:20", "2:40", "9:10", "4:50", "11:25" }.Select(shown => Answered(ClockTasks.ReadDigital, shown, shown)),
            .. new[] { ("7:40", "6.67|40"), ("3:20", "2.33|20"), ("10:10", "9.17|10"), ("5:55", "4.92|55") }
                .Select(set => Answered(ClockTasks.SetFromDigital, set.Item1, set.Item2)),
        ];
        var replay = Replay.Run(Model, [new SittingAnswers(new DateOnly(2026, 3, 2), answers, [])]);
        var called = Assert.Single(replay.Now.Likely);
        Assert.Equal(("next-hour", ShownWhere.Setting), (called.Pattern.Id, called.Shows));
        Assert.Equal(new EvidenceCount(4, 4, 0), called.Evidence.Count);
        var held = Practice.HeldPattern.From(Model, called.Pattern, replay.Belief);
        Assert.True(held.IsTelling(new Item(ClockTasks.SetFromDigital, new ClockTime(8, 20))));
        Assert.True(held.ComesRight(new Item(ClockTasks.ReadDigital, new ClockTime(8, 20))));
        // What is practised, and what is measured, is set: at the child's own stage.
        var set = new Practice.SetMaker().Make(new(held, Stage.FiveMinutesTo, Support.Most, 1)).Items.Select(item => item.Item).ToList();
        var cold = Practice.ColdStart.Make(held, Stage.FiveMinutesTo, _ => true, 1);
        Assert.All(set.Concat(cold), item => Assert.True(Stage.FiveMinutesTo.Has(item.Time.Minute), $"{item.Time}"));
        Assert.InRange(set.Count(held.IsTelling), 3, 8);
        Assert.Equal(Practice.ColdStart.Telling, cold.Count(held.IsTelling));
    }

    /// <summary>An hour back, and half past known as a whole: what looks like two mistakes that cancel is none.</summary>
    [Fact]
    public void What_comes_right_by_two_patterns_together_calls_neither()
    {
        ItemAnswer[] answers =
        [
            .. new[] { ("6:20", "5:20"), ("2:40", "1:40"), ("9:10", "8:10"), ("4:50", "3:50") }
                .Select(read => Answered(ClockTasks.ReadWords, read.Item1, read.Item2)),
            .. new[] { "7:30", "1:30", "10:30" }.Select(half => Answered(ClockTasks.ReadWords, half, half)),
        ];
        var replay = Replay.Run(Model, [new SittingAnswers(new DateOnly(2026, 3, 2), answers, [])]);
        Assert.Equal(["previous-hour"], replay.Now.Likely.Select(finding => finding.Pattern.Id));
    }

    private static ItemAnswer Answered(ClockTask task, string time, string answer) =>
        new(new Item(task, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(answer), task.Taken);

    [Fact]
    public void A_sitting_is_held_as_a_teacher_would_hold_it()
    {
        var study = new Study(Model);
        var sittings = Enumerable.Range(0, 24)
            .Select(seed => study.Adaptive(DrawnChild.With(seed % 3, new Random(seed)), 12, seed).Answers.Select(answer => answer.Item)
            .ToList()).ToList();
        Assert.All(sittings, items =>
        {
            Assert.Contains(items[0].Task, new[] { ClockTasks.ReadDigital, ClockTasks.ReadWords });
            Assert.NotEqual(12, items[0].Time.Hour);
            Assert.DoesNotContain(Enumerable.Range(0, items.Count - 3),
                i => items.Skip(i).Take(4).Select(item => item.Task).Distinct().Count() == 1);
            Assert.True(items.GroupBy(item => item.Task).Max(same => same.Count()) <= 6);
        });
        Assert.True(sittings.Select(items => items[0]).Distinct().Count() > 7,
            string.Join(" ", sittings.Select(items => $"{items[0].Task.Id} {items[0].Time},")));
        Assert.InRange(sittings.Average(items => items.Count(item => item.Time.Hour == 12)), 0, 2.2);
    }

    [Fact]
    public void Placed_hands_are_right_to_the_model_where_they_score_right_and_tell_of_no_pattern_then() =>
        Gen.Select(Gen.Int[0, 719], Gen.Double[-0.3, 0.3], Gen.Int[-2, 2]).Sample((minutes, hourOff, minuteOff) =>
        {
            var item = new Item(ClockTasks.SetFromDigital, new ClockTime(12, 0).Plus(minutes));
            var right = HandPositions.Showing(item.Time);
            var hands = HandPositions.Wrapped(right.Hour + hourOff, right.Minute + minuteOff);
            var placed = new PlacedAnswer(hands.Hour, hands.Minute);
            var seen = Assert.Single(Model.Observe(new ItemAnswer(item, placed, AnswerMode.Placed)));
            var scored = Scoring.IsRight(item, placed, AnswerMode.Placed, Stage.EveryMinute);
            return seen.IsRight == scored
                && (!scored || Model.Patterns.All(pattern =>
                !Model.IsTelling(pattern, item) || seen.ChanceOf(Model.Space.PlaceOf([pattern])) < ModelParameters.FittingFrom));
        });

    [Theory]
    [InlineData(Stage.HalfPast)]
    [InlineData(Stage.QuarterTo)]
    [InlineData(Stage.FiveMinutesPast)]
    [InlineData(Stage.EveryMinute)]
    public void With_nothing_to_find_a_sitting_may_stop_before_twelve_at_every_stage(Stage stage)
    {
        var study = new Study(Model, stage);
        var row = new StudyRow([
            .. Enumerable.Range(0, 15).Select(seed => study.Adaptive(VariedChild.Careless(new Random(seed)), 12, seed))]);
        Assert.InRange(row.ClearWithin(12), 0.8, 1);
    }

    [Fact]
    public void One_answer_again_and_again_is_believed_in_whatever_order_it_came()
    {
        var answers = new[] { ("6:20", "3:30"), ("7:45", "3:30"), ("1:10", "3:30"), ("10:55", "3:30"), ("3:30", "3:30"), ("8:05", "8:05") }
            .Select(each => new ItemAnswer(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(each.Item1)!.Value),
            AnswerParser.Parse(each.Item2), AnswerMode.Said)).ToList();
        var same = Catalogue.Find(Catalogue.SameAnswer)!;
        double[] beliefs = [.. new[] { answers, [.. Enumerable.Reverse(answers)] }.Select(order =>
        {
            var belief = new Belief(Model);
            foreach (var answer in order) belief.Update(answer);
            return belief.ProbabilityOf(same);
        })];
        Assert.InRange(beliefs[0], 0.9, 1);
        Assert.Equal(beliefs[0], beliefs[1], 9);
    }

    private static IEnumerable<string> Sayings(ClockTime time)
    {
        var (hour, minutes, coming) = (time.Hour, time.Minute, Hours.After(time.Hour));
        if (minutes == 0) return [$"{hour} o'clock", $"{hour}:00"];
        List<string> ways = [$"{minutes} past {hour}", $"{60 - minutes} to {coming}", $"{hour} {minutes:00}", $"{hour}:{minutes:00}"];
        if (minutes == 30) ways.AddRange([$"half past {hour}", $"half to {coming}", $"half an hour past {hour}"]);
        if (minutes == 15) ways.Add($"quarter past {hour}");
        if (minutes == 45) ways.Add($"quarter to {coming}");
        return ways;
    }
}
