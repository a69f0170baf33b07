using Umbick.Core.Clocks;

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
    [InlineData("4", "4")]
    [InlineData("4:", "4")]
    [InlineData(":30", ":30")]
    [InlineData("125", "1:25")]
    [InlineData("25", "25")]
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
    // plain words are figures
    [InlineData("six thirty", "6:30")]
    [InlineData("nine oh five", "9:05")]
    [InlineData("twelve forty-five", "12:45")]
    [InlineData("six", "6")]
    // hands
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
    public void Reads(string raw, string expected) =>
        Assert.Equal(expected, AnswerParser.Parse(raw).Short(Wording.Usual));

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
