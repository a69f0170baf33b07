using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Tests;

/// <summary>The rules of the catalogue, row by row: the pattern, what is shown, what a child with it answers.</summary>
public sealed class PatternRuleTests
{
    private static readonly ReadingModel Model = new();

    [Theory]
    [InlineData("hands-swapped", "4:00", "12:20")]
    [InlineData("hands-swapped", "9:00", "12:45")]
    [InlineData("hands-swapped", "4:30", "6:20 6:22 6:23 6:25")]
    [InlineData("hands-swapped", "1:05", "1:05")]
    [InlineData("hands-swapped", "12:00", "12:00")]
    [InlineData("next-hour", "6:20", "7:20")]
    [InlineData("next-hour", "12:25", "1:25")]
    [InlineData("next-hour", "11:55", "12:55")]
    [InlineData("next-hour", "6:00", "6:00")]
    [InlineData("nearest-hour", "6:40", "7:40")]
    [InlineData("nearest-hour", "6:20", "6:20")]
    [InlineData("nearest-hour", "6:30", "6:30 7:30")]
    [InlineData("nearest-hour", "12:55", "1:55")]
    [InlineData("lower-numeral", "12:25", "1:25")]
    [InlineData("lower-numeral", "11:25", "11:25")]
    [InlineData("lower-numeral", "12:00", "12:00")]
    [InlineData("previous-hour", "6:20", "5:20")]
    [InlineData("previous-hour", "1:00", "12:00")]
    [InlineData("numeral-as-minutes", "8:35", "8:07")]
    [InlineData("numeral-as-minutes", "11:00", "11:12")]
    [InlineData("numeral-as-minutes", "5:18", "5:03 5:06 5:33")]
    [InlineData("numeral-as-minutes", "12:30", "12:06")]
    [InlineData("numeral-as-minutes", "12:55", "12:11")]
    [InlineData("fives-from-twelve", "3:20", "3:25")]
    [InlineData("fives-from-twelve", "3:00", "3:05")]
    [InlineData("fives-from-twelve", "3:55", "3:60")]
    [InlineData("hands-swapped", "12:30", "6:00 6:02 6:03 6:05")]
    [InlineData("hands-swapped", "6:55", "11:30 11:34 11:35")]
    [InlineData("hands-swapped", "6:18", "3:30 3:31 3:32")]
    [InlineData("next-hour", "12:05", "1:05")]
    [InlineData("next-hour", "6:55", "7:55")]
    [InlineData("next-hour", "6:18", "7:18")]
    [InlineData("nearest-hour", "6:05", "6:05")]
    [InlineData("nearest-hour", "6:00", "6:00")]
    [InlineData("nearest-hour", "12:31", "1:31")]
    [InlineData("lower-numeral", "12:05", "1:05")]
    [InlineData("lower-numeral", "12:30", "1:30")]
    [InlineData("lower-numeral", "6:55", "6:55")]
    [InlineData("previous-hour", "12:55", "11:55")]
    [InlineData("previous-hour", "6:05", "5:05")]
    [InlineData("numeral-as-minutes", "6:05", "6:01")]
    [InlineData("numeral-as-minutes", "6:55", "6:11")]
    [InlineData("numeral-as-minutes", "6:58", "6:11 6:14")]
    [InlineData("fives-from-twelve", "12:30", "12:35")]
    [InlineData("fives-from-twelve", "6:05", "6:10")]
    [InlineData("fives-from-one-as-nought", "3:20", "3:15")]
    [InlineData("fives-from-one-as-nought", "12:30", "12:25")]
    [InlineData("fives-from-one-as-nought", "3:05", "3:00")]
    [InlineData("fives-from-one-as-nought", "3:00", "3:00")]
    [InlineData("fives-from-one-as-nought", "3:55", "3:50")]
    [InlineData("fives-from-one-as-nought", "3:18", "3:13")]
    [InlineData("counts-in-twos", "3:20", "3:08")]
    [InlineData("counts-in-twos", "12:30", "12:12")]
    [InlineData("counts-in-twos", "3:00", "3:00")]
    [InlineData("counts-in-twos", "3:05", "3:02")]
    [InlineData("counts-in-twos", "3:55", "3:22")]
    [InlineData("counts-in-twos", "3:18", "3:09")]
    [InlineData("counts-in-tens", "3:20", "3:40")]
    [InlineData("counts-in-tens", "3:35", "3:70")]
    [InlineData("counts-in-tens", "12:30", "12:60")]
    [InlineData("counts-in-tens", "3:00", "3:00")]
    [InlineData("counts-in-tens", "3:05", "3:10")]
    [InlineData("counts-in-tens", "3:55", "3:110")]
    [InlineData("counts-in-tens", "3:18", "3:33")]
    [InlineData("whole-fives-only", "6:18", "6:15")]
    [InlineData("whole-fives-only", "12:59", "12:55")]
    [InlineData("nearest-five", "6:18", "6:20")]
    [InlineData("nearest-five", "6:17", "6:15")]
    [InlineData("nearest-five", "12:58", "1:00")]
    [InlineData("nearest-five", "12:57", "12:55")]
    [InlineData("nearest-five", "6:00", "6:00")]
    [InlineData("nearest-five", "6:30", "6:30")]
    [InlineData("nearest-five", "6:05", "6:05")]
    [InlineData("nearest-five", "6:55", "6:55")]
    [InlineData("counts-first-tick", "6:17", "6:18")]
    [InlineData("counts-first-tick", "12:59", "12:60")]
    [InlineData("counts-first-tick", "6:00", "6:00")]
    [InlineData("counts-first-tick", "6:05", "6:05")]
    [InlineData("counts-first-tick", "6:30", "6:30")]
    [InlineData("counts-first-tick", "6:55", "6:55")]
    [InlineData("ticks-in-fives", "6:17", "6:25")]
    [InlineData("ticks-in-fives", "12:01", "12:05")]
    [InlineData("ticks-in-fives", "6:59", "6:75")]
    [InlineData("ticks-in-fives", "6:00", "6:00")]
    [InlineData("ticks-in-fives", "6:05", "6:05")]
    [InlineData("ticks-in-fives", "6:30", "6:30")]
    [InlineData("ticks-in-fives", "6:55", "6:55")]
    [InlineData("restarts-at-six", "3:40", "3:10")]
    [InlineData("restarts-at-six", "3:30", "3:30")]
    [InlineData("restarts-at-six", "12:55", "12:25")]
    [InlineData("restarts-at-six", "3:05", "3:05")]
    [InlineData("restarts-at-six", "3:58", "3:28")]
    [InlineData("rounds-to-quarters", "3:20", "3:15")]
    [InlineData("rounds-to-quarters", "3:40", "3:45")]
    [InlineData("rounds-to-quarters", "12:55", "1:00")]
    [InlineData("rounds-to-quarters", "3:05", "3:00")]
    [InlineData("rounds-to-quarters", "3:30", "3:30")]
    [InlineData("rounds-to-quarters", "3:38", "3:45")]
    [InlineData("half-is-half-past-six", "4:30", "6:30")]
    [InlineData("half-is-half-past-six", "12:30", "6:30")]
    [InlineData("half-is-half-past-six", "6:30", "6:30")]
    [InlineData("half-is-half-past-six", "4:00", "4:00")]
    [InlineData("half-is-half-past-six", "4:05", "4:05")]
    [InlineData("half-is-half-past-six", "4:55", "4:55")]
    [InlineData("half-is-half-past-six", "4:33", "4:33")]
    [InlineData("says-sixty", "10:00", "10:60")]
    [InlineData("says-sixty", "12:00", "12:60")]
    [InlineData("says-sixty", "10:05", "10:05")]
    [InlineData("says-sixty", "10:30", "10:30")]
    [InlineData("says-sixty", "10:55", "10:55")]
    [InlineData("says-sixty", "10:58", "10:58")]
    [InlineData("between-is-half", "4:20", "4:30")]
    [InlineData("between-is-half", "12:55", "12:30")]
    [InlineData("between-is-half", "4:00", "4:00")]
    [InlineData("between-is-half", "4:30", "4:30")]
    [InlineData("between-is-half", "4:05", "4:30")]
    [InlineData("between-is-half", "4:17", "4:30")]
    [InlineData("whole-fives-only", "6:15", "6:15")]
    [InlineData("anticlockwise", "1:40", "1:20")]
    [InlineData("anticlockwise", "1:10", "1:50")]
    [InlineData("anticlockwise", "1:30", "1:30")]
    [InlineData("minutes-to-as-minutes", "5:50", "5:10 6:10")]
    [InlineData("minutes-to-as-minutes", "12:55", "12:05 1:05")]
    [InlineData("minutes-to-as-minutes", "5:20", "5:20")]
    [InlineData("minutes-ignored", "4:20", "4:00")]
    [InlineData("no-leading-zero", "9:05", "9:5")]
    [InlineData("no-leading-zero", "9:00", "9:0")]
    [InlineData("no-leading-zero", "9:30", "9:30")]
    [InlineData("zero-after", "9:05", "9:50")]
    [InlineData("zero-after", "9:00", "9:00")]
    [InlineData("minutes-first", "8:40", "40:8")]
    [InlineData("minutes-first", "12:30", "30:12")]
    [InlineData("hour-alone", "4:20", "4")]
    public void Read_in_figures(string pattern, string shown, string answers) =>
        Assert.Equal(answers, Answers(ClockTasks.ReadDigital, pattern, shown));

    [Theory]
    [InlineData("to-as-past", "6:40", "20 past 6|20 past 7")]
    [InlineData("to-as-past", "12:55", "5 past 1|5 past 12")]
    [InlineData("to-as-past", "6:30", "half past 6")]
    [InlineData("to-this-hour", "6:40", "20 to 6")]
    [InlineData("to-this-hour", "12:45", "quarter to 12")]
    [InlineData("to-without-turning", "6:40", "40 to 7")]
    [InlineData("past-to-exchanged", "7:20", "20 to 7")]
    [InlineData("past-to-exchanged", "7:40", "20 past 8")]
    [InlineData("past-to-exchanged", "12:55", "5 past 1")]
    [InlineData("past-to-exchanged", "7:30", "half past 7")]
    [InlineData("past-to-exchanged", "7:00", "7 o'clock")]
    [InlineData("past-as-to", "9:10", "10 to 10|10 to 9")]
    [InlineData("past-as-to", "9:00", "9 o'clock")]
    [InlineData("quarter-is-25", "11:25", "quarter past 11")]
    [InlineData("quarter-is-25", "11:35", "quarter to 12")]
    [InlineData("quarter-is-25", "11:15", "quarter past 11")]
    [InlineData("half-is-50", "6:50", "half past 6")]
    [InlineData("half-is-50", "12:50", "half past 12")]
    [InlineData("half-is-50", "6:30", "half past 6")]
    [InlineData("half-names-next", "8:30", "half past 9")]
    [InlineData("half-names-next", "12:30", "half past 1")]
    [InlineData("half-names-next", "8:55", "5 to 9")]
    [InlineData("half-is-half-past-six", "4:30", "half past 6")]
    [InlineData("fraction-is-numeral", "4:30", "half past 4")]
    [InlineData("counts-in-tens", "3:35", "70 past 3")]
    [InlineData("says-sixty", "10:00", "60 past 10")]
    [InlineData("next-hour", "6:40", "20 to 7|20 to 8")]
    [InlineData("next-hour", "6:20", "20 past 7")]
    [InlineData("numeral-as-minutes", "8:35", "7 past 8")]
    public void Read_in_words(string pattern, string shown, string answers) =>
        Assert.Equal(answers, Answers(ClockTasks.ReadWords, pattern, shown, "|"));

    [Theory]
    [InlineData("to-as-past", "6:40", "7:20")]
    [InlineData("to-this-hour", "6:40", "7:40")]
    [InlineData("to-without-turning", "6:40", "6:20")]
    [InlineData("past-to-exchanged", "7:20", "6:40")]
    [InlineData("past-to-exchanged", "7:40", "8:20")]
    [InlineData("past-to-exchanged", "12:30", "12:30")]
    [InlineData("past-as-to", "9:10", "8:50")]
    [InlineData("past-as-to", "9:30", "9:30")]
    [InlineData("to-as-past", "12:55", "1:05")]
    [InlineData("quarter-is-25", "11:15", "11:25")]
    [InlineData("quarter-is-25", "7:45", "7:35")]
    [InlineData("quarter-is-25", "12:30", "12:30")]
    [InlineData("half-is-50", "6:30", "6:50")]
    [InlineData("half-is-50", "12:30", "12:50")]
    [InlineData("half-is-50", "6:15", "6:15")]
    [InlineData("half-names-next", "8:30", "7:30")]
    [InlineData("half-names-next", "1:30", "12:30")]
    [InlineData("half-names-next", "8:45", "8:45")]
    [InlineData("fraction-is-numeral", "4:30", "4:06")]
    [InlineData("fraction-is-numeral", "12:15", "12:03")]
    [InlineData("fraction-is-numeral", "3:45", "3:57")]
    [InlineData("fraction-is-numeral", "4:20", "4:20")]
    [InlineData("fraction-is-numeral", "4:55", "4:55")]
    [InlineData("no-leading-zero", "12:05", "12:5")]
    public void Words_heard_and_written(string pattern, string time, string answers) =>
        Assert.Equal(answers, Answers(ClockTasks.WordsToDigital, pattern, time));

    [Theory]
    [InlineData("numeral-as-minutes", "2:10", "2.17|50 2.83|50")]
    [InlineData("numeral-as-minutes", "2:40", "2.67|40")]
    [InlineData("next-hour", "7:40", "6.67|40")]
    [InlineData("next-hour", "12:30", "11.5|30")]
    [InlineData("next-hour", "7:00", "7|0")]
    [InlineData("previous-hour", "6:20", "7.33|20")]
    [InlineData("lower-numeral", "12:25", "0.42|25")]
    [InlineData("hour-hand-on-numeral", "7:40", "7|40")]
    [InlineData("hour-hand-on-numeral", "12:55", "0|55")]
    [InlineData("hour-hand-halfway", "7:10", "7.5|10")]
    [InlineData("hour-hand-halfway", "7:00", "7|0")]
    [InlineData("hour-hand-behind", "7:40", "6.33|40")]
    [InlineData("hand-on-nearest-numeral", "7:40", "8|40")]
    [InlineData("hand-on-nearest-numeral", "7:20", "7|20")]
    [InlineData("hand-on-nearest-numeral", "12:30", "0|30")]
    [InlineData("hand-on-nearest-numeral", "12:45", "1|45")]
    [InlineData("hand-on-nearest-numeral", "11:35", "0|35")]
    [InlineData("restarts-at-six", "3:10", "3.17|10")]
    [InlineData("hour-hand-on-numeral", "1:05", "1.08|5")]
    [InlineData("half-is-half-past-six", "4:30", "4.5|30")]
    [InlineData("hands-swapped", "2:00", "0|10")]
    [InlineData("anticlockwise", "1:40", "1.33|20 1.67|20")]
    public void Hands_placed(string pattern, string time, string answers) =>
        Assert.Equal(answers, Answers(ClockTasks.SetFromDigital, pattern, time));

    [Fact]
    public void Two_patterns_compose_into_one_answer()
    {
        var both = Procedure("hands-swapped", "numeral-as-minutes");
        Assert.Equal("12:04", AnswersOf(ClockTasks.ReadDigital, both, "4:00", " "));
    }

    [Fact]
    public void Whoever_takes_every_step_rightly_is_right_everywhere()
    {
        foreach (var item in ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.OnOneTime))
        {
            var prediction = Model.Predict(item, AnswerMode.Written);
            Assert.Equal(prediction.RightId, prediction.LikeliestOf(0));
        }
    }

    [Fact]
    public void Setting_inverts_reading()
    {
        // Where a place exists at which their way of reading gives the time asked, that is where they put the hands.
        Gen.Select(OneOf.These("next-hour", "previous-hour", "numeral-as-minutes", "fives-from-twelve", "anticlockwise"), Gen.Int[0, 719])
            .Sample((id, minutes) =>
        {
            var time = new ClockTime(12, 0).Plus(minutes / 5 * 5);
            var placed = AnswersOf(ClockTasks.SetFromDigital, Procedure(id), time.ToString(), " ");
            return placed.Split(' ').All(place =>
            {
                var hands = ((PlacedAnswer)AnswerParser.Parse(place)).Hands!.Value;
                var shown = Catalogue.Find(id)!.Step == Step.Hour ? hands.Read() : new ClockTime(time.Hour, (int)hands.Minute);
                return shown == time || Answers(ClockTasks.ReadDigital, id, shown.ToString()).Split(' ').Contains(time.ToString());
            });
        });
    }

    [Fact]
    public void Every_entry_is_complete()
    {
        Assert.Equal(Catalogue.All.Count, Catalogue.All.Select(pattern => pattern.Id).Distinct().Count());
        foreach (var pattern in Catalogue.All)
        {
            Assert.Matches("^[a-z]+(-[a-z0-9]+)*$", pattern.Id);
            Assert.All(pattern.Alike, id => Assert.NotNull(Catalogue.Find(id)));
            var said = pattern.TextsIn(Wording.Usual);
            Assert.Contains("{child}", said.Finding, StringComparison.Ordinal);
            string[] texts = [said.Name, said.Family, said.Why, said.HourFirst, said.MinuteFirst, said.Practise];
            Assert.All(texts, text => Assert.True(text.Length is > 10 and < 220, text));
        }
    }

    [Theory]
    [InlineData("past", "to", ':')]
    [InlineData("after", "till", '.')]
    [InlineData("after", "before", '.')]
    public void What_is_said_of_a_pattern_has_the_school_s_own_words_and_mark(string past, string to, char mark)
    {
        var wording = new Wording(past, to, mark);
        foreach (var pattern in Catalogue.All)
        {
            var said = pattern.TextsIn(wording);
            foreach (var text in new[] { said.Name, said.FindingOf("Wren"), said.Reads, said.Family, said.Why, said.HourFirst,
                said.MinuteFirst, said.Practise })
            {
                Assert.DoesNotContain("{", text, StringComparison.Ordinal);
                if (mark != ':') Assert.DoesNotMatch(@"\d:\d", text);
                if (past != "past") Assert.DoesNotMatch("‘past’|[Hh]alf past|(five|ten|twenty) past", text);
                if (to != "to") Assert.DoesNotMatch("‘to’|(forty|ten|twenty) to ", text);
            }
        }
    }

    [Theory]
    [InlineData("to-as-past", "{child} says ‘after’ where it should be ‘till’.")]
    [InlineData("half-names-next", "{child} lets ‘half’ name the coming hour: half after eight is 7.30.")]
    public void A_finding_in_other_words(string id, string finding) =>
        Assert.Equal(finding, Catalogue.Find(id)!.TextsIn(new Wording("after", "till", '.')).Finding);

    [Fact]
    public void Every_pattern_but_a_placing_one_shows_in_some_item_that_can_be_asked_aloud()
    {
        var items = ItemBank.Upto(Stage.EveryMinute, ItemBank.AskedAloud);
        foreach (var pattern in Model.Patterns.Where(pattern => pattern.Step != Step.Placing))
        {
            var procedure = Procedure(pattern.Id);
            Assert.Contains(items, item =>
            {
                var prediction = Model.Predict(item, item.Task.Aloud);
                return prediction.LikeliestOf(prediction.SubSpace.PartOf(procedure)) != prediction.RightId;
            });
        }
    }

    private static int Procedure(params string[] ids) => Model.Space.PlaceOf(ids.Select(id => Catalogue.Find(id)!));

    private static string Answers(ClockTask task, string pattern, string time, string between = " ") =>
        AnswersOf(task, Procedure(pattern), time, between);

    private static string AnswersOf(ClockTask task, int procedure, string time, string between)
    {
        var prediction = Model.Predict(new Item(task, ClockTime.TryParse(time)!.Value), AnswerMode.Written);
        var part = prediction.SubSpace.PartOf(procedure);
        var answers = prediction.AnswersOf(part).Where(answer => answer.Share > 0).Select(answer => answer.Answer.Short(Wording.Usual));
        return string.Join(between, answers.Order(StringComparer.Ordinal));
    }
}
