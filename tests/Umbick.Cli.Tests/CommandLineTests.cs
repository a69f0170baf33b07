using System.Diagnostics;
using System.Text.Json;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Cli.Tests;

/// <summary>The verbs that need no database.</summary>
public sealed class CommandLineTests
{
    [Fact]
    public async Task A_file_is_diagnosed_child_by_child()
    {
        var file = await Made(
            "child,date,task,given,answer\n"
            + "Fennel,2026-03-02,read-digital,4:00,12:20\nFennel,2026-03-02,read-digital,9:00,12:45\nFennel,2026-03-02,read-words,7:00,25 to 1\n"
            + "Plover,2026-03-02,read-digital,9:00,9:00\nFennel,2026-03-09,read-digital,2:30,6:10\nFennel,2026-03-09,read-digital,2:30,9:51\n");
        var (code, output, _) = await Run("diagnose", file);
        Assert.Equal(0, code);
        using var json = JsonDocument.Parse(output);
        var fennel = json.RootElement.GetProperty("children")[0];
        Assert.Equal("Fennel", fennel.GetProperty("child").GetString());
        Assert.Equal(5, fennel.GetProperty("answers").GetInt32());
        Assert.Equal([5], fennel.GetProperty("unexplained").EnumerateArray().Select(place => place.GetInt32()));
        var first = fennel.GetProperty("patterns")[0];
        Assert.Equal(["pattern", "step", "belief", "label", "shows", "telling", "itsWay", "right", "alike"],
            first.EnumerateObject().Select(property => property.Name));
        Assert.Equal(("hands-swapped", "hands", "likely"),
            (first.GetProperty("pattern").GetString(), first.GetProperty("step").GetString(), first.GetProperty("label").GetString()));
        Assert.Equal("Plover", json.RootElement.GetProperty("children")[1].GetProperty("child").GetString());
    }

    [Fact]
    public async Task A_broken_file_is_told_and_gives_nothing()
    {
        var (code, output, errors) =
            await Run("diagnose", await Made("child,date,task,given,answer\nFennel,soon,read-digital,4:00,12:20\n"));
        Assert.Equal(1, code);
        Assert.Empty(output);
        Assert.Contains("line 2, column 2", errors, StringComparison.Ordinal);
        Assert.Contains("Nothing was taken", errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_no_listed_pattern_is_told_on_the_page_and_in_the_file_with_its_answers()
    {
        var file = await Made(
            "child,date,task,given,answer\n"
            + string.Concat(new[] { ("3:20", "3:12"), ("7:10", "7:06"), ("9:35", "9:21"), ("1:50", "1:30"), ("4:25", "4:15") }.Select(
            each => $"Plover,2026-03-02,read-digital,{each.Item1},{each.Item2}\n"))
            + string.Concat(new[] { "6:20", "7:10", "9:35", "1:50" }.Select(shown => $"Sorrel,2026-03-02,read-digital,{shown},3:30\n"))
            + string.Concat(new[] { ("6:20", "2:45"), ("3:40", "11:10"), ("9:10", "5:05"), ("7:50", "1:30"), ("2:15", "8:00"),
            ("11:35", "4:20") }.Select(each => $"Teal,2026-03-02,read-digital,{each.Item1},{each.Item2}\n")));
        var (_, output, _) = await Run("diagnose", file);
        using var json = JsonDocument.Parse(output);
        var children = json.RootElement.GetProperty("children");
        Assert.Equal("other-minutes", children[0].GetProperty("patterns")[0].GetProperty("pattern").GetString());
        Assert.Equal([1, 2, 3, 4, 5],
            children[0].GetProperty("otherWays")[0].GetProperty("answers").EnumerateArray().Select(place => place.GetInt32()));
        Assert.Equal("same-answer", children[1].GetProperty("patterns")[0].GetProperty("pattern").GetString());
        Assert.Equal([1], children[1].GetProperty("unexplained").EnumerateArray().Select(place => place.GetInt32()));
        Assert.True(children[2].GetProperty("guessing").GetDouble() > 0.5);

        var (_, page, _) = await Run("diagnose", file, "--html");
        Assert.Contains("minutes: taken some other way. Look at these answers. <b>likely</b>: 5 of 5 telling answers its way, 0 right. "
            + "Answers 1, 2, 3, 4, 5.", page, StringComparison.Ordinal);
        Assert.Contains("Sorrel gives one answer again and again", page, StringComparison.Ordinal);
        Assert.Contains("do not follow the clock yet", page, StringComparison.Ordinal);
        Assert.DoesNotContain("unlikely", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_a_child_is_called_is_only_text_on_a_page()
    {
        var (_, output, _) = await Run("diagnose",
            await Made("child,date,task,given,answer\n<b>x,2026-03-02,read-digital,4:00,12:20\n"), "--html");
        Assert.DoesNotContain("<b>x", output, StringComparison.Ordinal);
        Assert.Contains("&lt;b&gt;x", output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_sitting_is_played_line_by_line_and_comes_out_the_same_again()
    {
        var child = new HashSet<string> { "numeral-as-minutes" };
        var first = await Played(child);
        Assert.Equal(first, await Played(child));
        using var json = JsonDocument.Parse(first[^1]);
        Assert.Contains(json.RootElement.GetProperty("patterns").EnumerateArray(), pattern =>
            pattern.GetProperty("pattern").GetString() == "numeral-as-minutes" && pattern.GetProperty("label").GetString() == "likely");
    }

    [Theory]
    [InlineData("nonsense")]
    [InlineData("{\"child\":\"a\",\"items\":0}")]
    [InlineData("{\"child\":\"a\",\"stage\":99}")]
    public async Task A_sitting_that_begins_wrongly_is_told(string line)
    {
        using var process = Start("sitting");
        await process.StandardInput.WriteLineAsync(line);
        process.StandardInput.Close();
        var told = await process.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
        Assert.Contains("error", told, StringComparison.Ordinal);
        await process.WaitForExitAsync(TestContext.Current.CancellationToken);
        Assert.Equal(1, process.ExitCode);
    }

    private static async Task<List<string>> Played(IReadOnlySet<string> patterns)
    {
        using var process = Start("sitting", "--seed", "7");
        await process.StandardInput.WriteLineAsync("{\"child\":\"a\",\"items\":8,\"stage\":10}");
        var lines = new List<string>();
        while (await process.StandardOutput.ReadLineAsync() is { } line)
        {
            lines.Add(line);
            using var json = JsonDocument.Parse(line);
            if (!json.RootElement.TryGetProperty("ask", out var ask)) break;
            Assert.Equal(["task", "given", "choices", "why"], ask.EnumerateObject().Select(property => property.Name));
            var task = ClockTasks.Find(ask.GetProperty("task").GetString())!;
            var time = AnswerParser.Parse(ask.GetProperty("given").GetString()).Meaning!.Value;
            var answer = SecondReading.Answers(task.Id, time.Hour, time.Minute, patterns, benchmarks: false)[0].Answer;
            await process.StandardInput.WriteLineAsync(JsonSerializer.Serialize(new { answer }));
        }
        process.StandardInput.Close();
        await process.WaitForExitAsync();
        Assert.Equal(0, process.ExitCode);
        return lines;
    }

    private static Task<VerbRun> Run(params string[] arguments) => VerbRun.Run(null, arguments);

    private static Process Start(params string[] arguments) => VerbProcess.Start(null, arguments);

    private static async Task<string> Made(string text)
    {
        var path = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.csv");
        await File.WriteAllTextAsync(path, text, TestContext.Current.CancellationToken);
        return path;
    }
}
