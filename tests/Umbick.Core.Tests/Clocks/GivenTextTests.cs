using System.Globalization;
using System.Text;
using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Tests;

/// <summary>Whatever a keyboard can write is read, or said to be unread; nothing throws, now or when it is read again in a year.</summary>
public sealed class GivenTextTests
{
    private static readonly string[] Templates = ["{0}", "3:{0}5", "{0}:05", "1{0}", "{0}|40", "quarter to {0}", "A={0}; B=7:45",
        "between {0} and 8, 5", "|25 {0}:25", "{0} little past"];

    [Theory]
    [InlineData("٣:٠٥", "3:05")]
    [InlineData("१२:३०", "12:30")]
    [InlineData("１２：３０", "12:30")]
    [InlineData("৮.৩৫", "8:35")]
    [InlineData("᠗꞉᠒᠐", "7:20")]
    [InlineData("𝟠:𝟛𝟝", "8:35")]
    [InlineData("\u200e8:35\u200f", "8:35")]
    [InlineData("8\u00a0:\u00a035", "8:35")]
    public void Figures_of_any_script_are_figures(string raw, string read) =>
        Assert.Equal(read, AnswerParser.Parse(raw).Short(Wording.Usual));

    [Theory]
    [InlineData("ｑｕａｒｔｅｒ ｔｏ ９", "quarter to 9")]
    [InlineData("twenty‐five to ٧", "25 to 7")]
    public void Words_are_read_in_full_width_and_with_other_figures(string raw, string read) =>
        Assert.Equal(read, AnswerParser.Parse(raw).Short(Wording.Usual));

    [Fact]
    public void Every_sign_there_is_can_be_written_in_an_answer_to_a_clock()
    {
        for (var value = 0; value <= 0x10FFFF; value++)
        {
            var sign = value is >= 0xD800 and <= 0xDFFF ? ((char)value).ToString() : char.ConvertFromUtf32(value);
            // Three places of four stand for no sign, and are alike: some of them will do.
            if (CharUnicodeInfo.GetUnicodeCategory(value) is UnicodeCategory.OtherNotAssigned or UnicodeCategory.PrivateUse
                && value % 101 != 0) continue;
            var raw = string.Format(CultureInfo.InvariantCulture, Templates[value % Templates.Length], sign);
            Assert.True(AnswerParser.Parse(raw) is not Unread unread || unread.Raw == raw, raw);
        }
    }

    [Fact]
    public void Every_figure_of_every_script_can_be_written_in_an_answer_to_every_task()
    {
        var figures = Enumerable.Range(0, 0x110000).Where(value => value is < 0xD800 or > 0xDFFF).Select(value => new Rune(value))
            .Where(sign => Rune.GetUnicodeCategory(sign) is UnicodeCategory.DecimalDigitNumber or UnicodeCategory.OtherNumber
            or UnicodeCategory.LetterNumber).ToList();
        var items = ClockTasks.All.Select(task =>
            task.IsQuestion ? OtherSkillItems.All.First(item => item.Task == task) : new Item(task, new ClockTime(8, 35))).ToList();
        Assert.True(figures.Count > 1000);
        foreach (var figure in figures)
        {
            foreach (var item in items)
            {
                foreach (var template in Templates)
                {
                    var answer = item.Read(string.Format(CultureInfo.InvariantCulture, template, figure), Typist.Child);
                    Scoring.IsRight(item, answer, AnswerMode.Written, Stage.EveryMinute);
                    Assert.NotEqual("", answer.Short(Wording.Usual));
                }
            }
        }
    }

    [Fact]
    public void Any_text_at_all_is_read_by_every_task_and_again_just_as_before() =>
        Gen.Select(Gen.String[Gen.Char, 0, 220], OneOf.These([.. ClockTasks.All])).Sample((raw, task) =>
        {
            var item = task.IsQuestion ? OtherSkillItems.All.First(each => each.Task == task) : new Item(task, new ClockTime(6, 40));
            Assert.Equal(item.Read(raw, Typist.Child), item.Read(raw, Typist.Child));
            // What is kept of it is read as it was.
            Assert.Equal(item.Read(GivenText.Kept(raw)).GetType(), item.Read(GivenText.Kept(GivenText.Kept(raw))).GetType());
        });

    [Theory]
    [InlineData("4\0:00", "4\uFFFD:00")]
    [InlineData("half past 6", "half past 6")]
    [InlineData(null, "")]
    public void What_a_database_cannot_hold_is_kept_as_a_mark(string? raw, string kept) => Assert.Equal(kept, GivenText.Kept(raw));

    [Fact]
    public void Half_of_a_pair_is_kept_as_a_mark() => Assert.Equal("4\uFFFD5", GivenText.Kept($"4{'\ud83d'}5"));

    [Theory]
    [InlineData("read-digital", ".")]
    [InlineData("read-digital", "ok")]
    [InlineData("read-words", "right")]
    [InlineData("set-from-digital", "OK")]
    [InlineData("infer-minute-hand", "|20 .")]
    [InlineData("infer-minute-hand", "|20 ok")]
    [InlineData("choose-names", "ok; right")]
    [InlineData("ground", ".")]
    public void A_teacher_s_short_signs_mean_nothing_from_a_child(string task, string raw)
    {
        var known = ClockTasks.Find(task)!;
        var item = known.IsQuestion ? OtherSkillItems.All.First(each => each.Task == known) : new Item(known, new ClockTime(6, 20));
        Assert.False(Scoring.IsRight(item, item.Read(raw, Typist.Child), AnswerMode.Written, Stage.EveryMinute));
    }

    [Theory]
    [InlineData(".")]
    [InlineData("ok")]
    [InlineData("right")]
    public void From_a_teacher_they_mean_that_it_was_right(string raw)
    {
        var item = new Item(ClockTasks.ReadDigital, new ClockTime(6, 20));
        Assert.True(Scoring.IsRight(item, item.Read(raw), AnswerMode.Said, Stage.EveryMinute));
    }

    [Theory]
    [InlineData("6:20", true)]
    [InlineData("7:20", false)]
    public void Yes_to_a_claim_is_right_where_the_claim_is_whoever_says_it(string claim, bool right)
    {
        var item = new Item(ClockTasks.Judge, new ClockTime(6, 20), AnswerParser.Parse(claim));
        foreach (var by in new[] { Typist.Child, Typist.Teacher })
            Assert.Equal(right, Scoring.IsRight(item, item.Read("yes", by), AnswerMode.Chosen, Stage.EveryMinute));
        Assert.False(Scoring.IsRight(item, item.Read(".", Typist.Child), AnswerMode.Written, Stage.EveryMinute));
    }
}
