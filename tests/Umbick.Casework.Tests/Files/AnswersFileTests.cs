using System.Text;
using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Casework.Files;

namespace Umbick.Casework.Tests;

/// <summary>Files of answers: what is read, and what is told of what cannot be.</summary>
public sealed class AnswersFileTests
{
    private const string Header = "child,date,task,given,answer";

    [Theory]
    [InlineData("Fennel,2026-03-02,read-digital,4:00,12:20")]
    [InlineData("Fennel,2026-03-02T10:15:00Z,read-digital,4:00,12:20")]
    [InlineData("Fennel,2026-03-02,words-to-digital,quarter to nine,8:45")]
    [InlineData("Fennel,2026-03-02,set-from-digital,7:40,7.67|40")]
    [InlineData("Fennel,2026-03-02,read-words,7:40,\"20 to 8\"")]
    [InlineData("Fennel,2026-03-02,later,10:59 + 1,10:60")]
    [InlineData("Fennel,2026-03-02,read-digital,4:00,-")]
    [InlineData("Fennel,2026-03-02,read-digital,4:00,")]
    [InlineData("\"Fennel, of the lamp\",2026-03-02,read-digital,4:00,\"the \"\"big\"\" one\"")]
    [InlineData("'=Fennel,2026-03-02,read-digital,4:00,4:00")]
    [InlineData("=SUM(A1),2026-03-02,read-digital,4:00,4:00")]
    public void A_line_is_read(string line)
    {
        var (lines, errors) = Read($"{Header}\n{line}\n");
        Assert.Empty(errors);
        Assert.Equal(new DateOnly(2026, 3, 2), Assert.Single(lines).Day);
    }

    [Fact]
    public void A_clock_set_with_hands_that_go_together_and_a_hand_placed_with_a_time_told_are_read()
    {
        var (lines, errors) = Read(
            $"{Header},mode\nFennel,2026-03-02,set-from-digital,7:40,7.67|40,geared\nFennel,2026-03-02,infer-minute-hand,8:25,|25 8:25,\n");
        Assert.Empty(errors);
        Assert.Equal(AnswerMode.Geared, lines[0].Given.Mode);
        Assert.IsType<HandAndTimeAnswer>(lines[1].Given.Answer);
    }

    [Theory]
    [InlineData("child,date,tusk,given,answer\n", "line 1, column 3: No column is called “tusk”")]
    [InlineData("child,date,task,given\n", "line 1: The column “answer” is missing")]
    [InlineData("child,child,date,task,given,answer\n", "line 1, column 2: The column “child” stands there twice")]
    [InlineData("", "line 1: The file is empty")]
    [InlineData(Header + "\nFennel,2026-13-02,read-digital,4:00,12:20", "line 2, column 2: “2026-13-02” is no date")]
    [InlineData(Header + "\nFennel,tomorrow,read-digital,4:00,12:20", "line 2, column 2: “tomorrow” is no date")]
    [InlineData(Header + "\n,2026-03-02,read-digital,4:00,12:20", "line 2, column 1: The child is missing")]
    [InlineData(Header + "\nFennel,2026-03-02,read-minds,4:00,12:20", "line 2, column 3: No task is called “read-minds”")]
    [InlineData(Header + "\nFennel,2026-03-02,read-digital,25:00,12:20", "line 2, column 4: No clock can show “25:00”")]
    [InlineData(Header + "\nFennel,2026-03-02,later,teatime,12:20", "line 2, column 4: “teatime” is no question of later")]
    [InlineData(Header + "\nFennel,2026-03-02,read-digital,4:00,12:20,extra", "line 2, column 6: There are 6 cells")]
    [InlineData(Header + "\nFennel,2026-03-02,read-digital,4:00,\"12\"20",
        "line 2, column 5: There is a quotation mark where none is allowed")]
    [InlineData(Header + "\nFennel,2026-03-02,read-digital,4:00,4:00\nFennel,2026-03-02,read-digital,4:00,\"12:20\n",
        "line 3, column 5: There is a quotation mark")]
    [InlineData(Header + ",mode\nFennel,2026-03-02,read-digital,4:00,4:00,sung", "line 2, column 6: “sung” is not said, written")]
    [InlineData(Header + ",seconds\nFennel,2026-03-02,read-digital,4:00,4:00,soon", "line 2, column 6: “soon” is no number of seconds")]
    [InlineData(Header + ",seconds\nFennel,2026-03-02,read-digital,4:00,4:00,-1", "line 2, column 6: “-1” is no number of seconds")]
    [InlineData(Header + ",seconds\nFennel,2026-03-02,read-digital,4:00,4:00,NaN", "line 2, column 6: “NaN” is no number of seconds")]
    [InlineData(Header + ",kind\nFennel,2026-03-02,read-digital,4:00,4:00,teatime",
        "line 2, column 6: “teatime” is not asking, cold:PATTERN")]
    [InlineData(Header + ",kind\nFennel,2026-03-02,read-digital,4:00,4:00,cold:none", "line 2, column 6: “cold:none” is not asking")]
    [InlineData(Header + ",kind\nFennel,2026-03-02,read-digital,4:00,4:00,form:D", "line 2, column 6: “form:D” is not asking")]
    [InlineData(Header + ",by\nFennel,2026-03-02,read-digital,4:00,4:00,parent", "line 2, column 6: “parent” is neither teacher nor child")]
    [InlineData(Header + ",prompted\nFennel,2026-03-02,read-digital,4:00,4:00,maybe", "line 2, column 6: “maybe” is neither yes nor no")]
    [InlineData(Header + ",note\nFennel,2026-03-02,read-digital,4:00,4:00,this note is much too long to be the name of any way",
        "line 2, column 6: A note has 40 characters at most")]
    [InlineData(Header + "\n\u200b,2026-03-02,read-digital,4:00,4:00", "line 2, column 1: This alias would be invisible")]
    [InlineData(Header + "\nFen\u200bnel,2026-03-02,read-digital,4:00,4:00",
        "line 2, column 1: There is an invisible character in this alias")]
    [InlineData("child,date,task,given,answer,answer\n", "line 1, column 6: The column “answer” stands there twice")]
    [InlineData(Header + "\nFennel,2026-03-02T25:00:00Z,read-digital,4:00,4:00", "line 2, column 2: “2026-03-02T25:00:00Z” is no date")]
    [InlineData(Header + ",support\nFennel,2026-03-02,read-digital,4:00,4:00,lots", "line 2, column 6: “lots” is not full")]
    public void What_is_wrong_is_told_with_its_place_and_nothing_is_taken(string file, string told)
    {
        var (lines, errors) = Read(file);
        Assert.Empty(lines);
        Assert.Contains(errors, error => error.ToString().StartsWith(told, StringComparison.Ordinal));
    }

    [Fact]
    public void Every_error_is_told_and_good_lines_do_not_slip_in()
    {
        var (lines, errors) = Read(
            $"{Header}\nFennel,2026-03-02,read-digital,4:00,4:00\nx,bad,read-digital,4:00,4:00\ny,2026-03-02,bad,4:00,4:00\n");
        Assert.Empty(lines);
        Assert.Equal([(3, 2), (4, 3)], errors.Select(error => (error.Line, error.Column)));
    }

    [Fact]
    public void A_byte_order_mark_mixed_line_endings_and_blank_lines_are_no_fault()
    {
        var (lines, errors) = Read(
            $"\uFEFF{Header}\r\nA,2026-03-02,read-digital,4:00,4:00\n\r\nB,2026-03-02,read-digital,5:00,5:00\rC,2026-03-02,read-digital,6:00,6:00");
        Assert.Empty(errors);
        Assert.Equal(["A", "B", "C"], lines.Select(line => line.Child));
        Assert.Equal([2, 4, 5], lines.Select(line => line.Line));
    }

    [Fact]
    public void A_megabyte_in_a_cell_is_told_with_its_length()
    {
        var (lines, errors) = Read($"{Header}\nFennel,2026-03-02,read-digital,4:00,{new string('8', 1_000_000)}\n");
        Assert.Empty(lines);
        Assert.Equal("line 2, column 5: This cell has 1,000,000 characters; 1,000 is the most.", Assert.Single(errors).ToString());
    }

    [Fact]
    public void What_is_no_text_at_all_is_told()
    {
        var (lines, errors) = AnswersFile.Read(new MemoryStream([0xFF, 0xFE, 0x80, 0x81]));
        Assert.Empty(lines);
        Assert.Contains("UTF-8", Assert.Single(errors).What, StringComparison.Ordinal);
    }

    [Fact]
    public void Everything_that_stands_beside_an_answer_is_read()
    {
        var (lines, _) = Read($"{Header},choices,mode,seconds,support,prompted,first,note\nA,2026-03-02,choose-time,6:20,7:20,6:20;7:20;6:04,chosen,4.5,bare,no,,\nA,2026-03-02,read-digital,6:20,6:20,,said,,some,,7:20,counted in fives\n");
        Assert.Equal(3, lines[0].Given.Item.Choices.Count);
        Assert.Equal(AnswerMode.Chosen, lines[0].Given.Mode);
        Assert.True(lines[1].Given is { Helped: true, Mode: AnswerMode.Said, First: DigitalAnswer { Hour: 7 } });
    }

    [Fact]
    public void Nothing_that_is_read_as_a_file_throws()
    {
        var text = Gen.String[Gen.Char["child,date,task,given,answer\n\r\"'=:0123456789 read-digital"], 0, 200];
        text.Sample(body => Read($"{Header}\n{body}") is var (lines, errors) && (lines.Count == 0 || errors.Count == 0), iter: 2000);
    }

    [Fact]
    public void A_formula_is_written_with_an_apostrophe_and_read_back_without()
    {
        foreach (var text in new[] { "=1+1", "+44", "@you", "-5", "-", "4:00", "'quoted", "'=5", "''=5", "'-1", "'", "''", "" })
            Assert.Equal(text, SpreadsheetText.Read(SpreadsheetText.Write(text)));
        Assert.Equal("'=1+1", SpreadsheetText.Write("=1+1"));
        Assert.Equal("-", SpreadsheetText.Write("-"));
    }

    private static (IReadOnlyList<AnswerLine> Lines, IReadOnlyList<FileError> Errors) Read(string text) =>
        AnswersFile.Read(new MemoryStream(Encoding.UTF8.GetBytes(text)));
}
