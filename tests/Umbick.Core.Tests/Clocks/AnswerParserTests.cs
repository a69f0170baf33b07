using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Tests;

public sealed class AnswerParserTests
{
    [Theory]
    // figures
    [InlineData("8:35", "8:35")]
    [InlineData("8.35", "8:35")]
    [InlineData(" 8 : 35 ", "8:35")]
    [InlineData("835", "8:35")]
    [InlineData("0835", "8:35")]
    [InlineData("20:35", "8:35")]
    [InlineData("0:20", "12:20")]
    [InlineData("8:35 pm", "8:35")]
    [InlineData("9:5", "9:5")]
    [InlineData("9:05", "9:05")]
    [InlineData("9:0", "9:0")]
    [InlineData("10:60", "10:60")]
    [InlineData("40:8", "40:8")]
    [InlineData("110:8", "110:8")]
    [InlineData("4", "4")]
    [InlineData("4:", "4")]
    [InlineData(":30", ":30")]
    [InlineData("125", "1:25")]
    [InlineData("25", "25")]
    [InlineData("12:00", "12:00")]
    [InlineData("12.05", "12:05")]
    [InlineData("00:30", "12:30")]
    [InlineData("13:05", "1:05")]
    [InlineData("23:59", "11:59")]
    [InlineData("24:00", "24:00")]
    [InlineData("8: 35", "8:35")]
    [InlineData("8 .35", "8:35")]
    [InlineData("08:35", "8:35")]
    [InlineData("8:35am", "8:35")]
    [InlineData("8:35 a.m.", "8:35")]
    [InlineData("1200", "12:00")]
    [InlineData("1259", "12:59")]
    [InlineData("2035", "8:35")]
    [InlineData("4025", "40:25")]
    [InlineData("100", "1:00")]
    [InlineData("905", "9:05")]
    [InlineData("9:7", "9:7")]
    [InlineData("3:70", "3:70")]
    [InlineData("12:100", "12:100")]
    [InlineData("5:94", "5:94")]
    [InlineData(":5", ":5")]
    [InlineData(".45", ":45")]
    [InlineData("12:", "12")]
    [InlineData("0", "0")]
    [InlineData("7", "7")]
    [InlineData("40", "40")]
    [InlineData("30:12", "30:12")]
    [InlineData("55:12", "55:12")]
    [InlineData("11:00", "11:00")]
    // past, to and o'clock
    [InlineData("half past 6", "half past 6")]
    [InlineData("hp6", "half past 6")]
    [InlineData("quarter to nine", "quarter to 9")]
    [InlineData("a quarter to nine", "quarter to 9")]
    [InlineData("q to 9", "quarter to 9")]
    [InlineData("qt9", "quarter to 9")]
    [InlineData("qp9", "quarter past 9")]
    [InlineData("25 past 6", "25 past 6")]
    [InlineData("Twenty-five past six", "25 past 6")]
    [InlineData("twenty five past six", "25 past 6")]
    [InlineData("20 minutes past 6", "20 past 6")]
    [InlineData("twenty to 7", "20 to 7")]
    [InlineData("ten till 7", "10 to 7")]
    [InlineData("ten of seven", "10 to 7")]
    [InlineData("ten before seven", "10 to 7")]
    [InlineData("five after 3", "5 past 3")]
    [InlineData("40 to 7", "40 to 7")]
    [InlineData("quarter past ?", "quarter past …")]
    [InlineData("? past 9", "… past 9")]
    [InlineData("5 o'clock", "5 o'clock")]
    [InlineData("five o’clock", "5 o'clock")]
    [InlineData("5oc", "5 o'clock")]
    [InlineData("noon", "12 o'clock")]
    [InlineData("h p 6", "half past 6")]
    [InlineData("HP 12", "half past 12")]
    [InlineData("q past 3", "quarter past 3")]
    [InlineData("h past 3", "half past 3")]
    [InlineData("q t 9", "quarter to 9")]
    [InlineData("qp12", "quarter past 12")]
    [InlineData("quarter after three", "quarter past 3")]
    [InlineData("a quarter past 12", "quarter past 12")]
    [InlineData("half an hour past 2", "half past 2")]
    [InlineData("quarter till 4", "quarter to 4")]
    [InlineData("quarter of five", "quarter to 5")]
    [InlineData("five to twelve", "5 to 12")]
    [InlineData("5 to 1 o'clock", "5 to 1")]
    [InlineData("one minute to one", "1 to 1")]
    [InlineData("two mins past 2", "2 past 2")]
    [InlineData("3 min to 3", "3 to 3")]
    [InlineData("nineteen past eleven", "19 past 11")]
    [InlineData("thirty past 6", "half past 6")]
    [InlineData("15 past 6", "quarter past 6")]
    [InlineData("45 past 6", "45 past 6")]
    [InlineData("fourty past 6", "40 past 6")]
    [InlineData("70 past 3", "70 past 3")]
    [InlineData("seventy past three", "70 past 3")]
    [InlineData("a hundred past 4", "100 past 4")]
    [InlineData("sixty past ten", "60 past 10")]
    [InlineData("nought past 4", "0 past 4")]
    [InlineData("zero past 4", "0 past 4")]
    [InlineData("half to 3", "half to 3")]
    [InlineData("quarter to ?", "quarter to …")]
    [InlineData("… to 9", "… to 9")]
    [InlineData("twelve o'clock", "12 o'clock")]
    [InlineData("1 o clock", "1 o'clock")]
    [InlineData("3 oclock", "3 o'clock")]
    [InlineData("3 oc", "3 o'clock")]
    [InlineData("midnight", "12 o'clock")]
    [InlineData("midday", "12 o'clock")]
    [InlineData("12 noon", "12 o'clock")]
    [InlineData("TWENTY  TO   SEVEN", "20 to 7")]
    [InlineData("twenty–five to 3", "25 to 3")]
    // plain words are figures
    [InlineData("six thirty", "6:30")]
    [InlineData("nine oh five", "9:05")]
    [InlineData("twelve forty-five", "12:45")]
    [InlineData("six", "6")]
    [InlineData("ten ten", "10:10")]
    [InlineData("eleven fifty-nine", "11:59")]
    [InlineData("eleven fifty nine", "11:59")]
    [InlineData("eight o five", "8:05")]
    [InlineData("one fifteen", "1:15")]
    [InlineData("three seventy", "3:70")]
    // hands
    [InlineData("0|0", "0|0")]
    [InlineData("11.99|59.5", "11.99|59.5")]
    [InlineData("6.5|30", "6.5|30")]
    [InlineData("7.67|40", "7.67|40")]
    [InlineData("7.67|", "7.67|")]
    [InlineData("|40", "|40")]
    // short hand
    [InlineData("-", "no answer")]
    [InlineData("", "no answer")]
    [InlineData("?", "don't know")]
    [InlineData("ok", "right")]
    [InlineData(".", "right")]
    // two meanings, or none
    [InlineData("half 8", "half 8?")]
    [InlineData("875", "“875”")]
    [InlineData("12|60", "“12|60”")]
    [InlineData("|", "“|”")]
    [InlineData(":", "“:”")]
    [InlineData("the big one", "“the big one”")]
    [InlineData("quarter past thirteen", "“quarter past thirteen”")]
    [InlineData("99999", "“99999”")]
    [InlineData("1299", "“1299”")]
    [InlineData("half nine", "half 9?")]
    [InlineData("half 13", "“half 13”")]
    [InlineData("? past ?", "“? past ?”")]
    [InlineData("nine oh fifteen", "“nine oh fifteen”")]
    [InlineData("past 6", "… past 6")]
    [InlineData("quarter 6", "“quarter 6”")]
    [InlineData("8:35:20", "“8:35:20”")]
    [InlineData("8-35", "8:35")]
    [InlineData("minus two", "“minus two”")]
    [InlineData("7.67|40|3", "“7.67|40|3”")]
    [InlineData("wrong", "wrong")]
    [InlineData("right", "right")]
    [InlineData("—", "no answer")]
    public void Reads(string raw, string expected) =>
        Assert.Equal(expected, AnswerParser.Parse(raw).Short(Wording.Usual));

    [Fact]
    public void Whatever_is_typed_is_read_or_kept_and_never_thrown_at()
    {
        var signs = Gen.Char["0123456789:.|?-’' abcdefghiklmnopqrstuwxyzé½☃\t\u0000"];
        Gen.String[signs, 0, 40].Sample(
            text => AnswerParser.Parse(text) switch
            {
                Unread unread => unread.Raw == text,
                var answer => answer.Short(Wording.Usual).Length > 0,
            },
            iter: 20_000);
    }

    [Fact]
    public void Every_item_reads_whatever_is_typed()
    {
        var items = ClockTasks.All.Where(task => task.Order.Count > 0).Select(task => new Item(task, new ClockTime(8, 35)))
            .Concat(OtherSkillItems.All.Take(20)).Append(new Item(ClockTasks.Match, new ClockTime(3, 0)) { Clocks = [new ClockTime(3, 0)] })
            .ToArray();
        Gen.Select(OneOf.These(items), Gen.String[0, 60]).Sample((item, text) => item.Read(text) is not null, iter: 5000);
    }

    [Fact]
    public void A_very_long_answer_is_kept_unread()
    {
        var raw = new string('8', 10_000);
        Assert.Equal(new Unread(raw), AnswerParser.Parse(raw));
    }

    [Theory]
    [InlineData("8:35", "8:35")]
    [InlineData("twenty-five to nine", "8:35")]
    [InlineData("half past twelve", "12:30")]
    [InlineData("quarter to one", "12:45")]
    [InlineData("40 to 7", "6:20")]
    [InlineData("10:60", null)]
    [InlineData("4", null)]
    [InlineData("quarter past ?", null)]
    public void Means(string raw, string? time) =>
        Assert.Equal(time, AnswerParser.Parse(raw).Meaning?.ToString());
}
