using AngleSharp.Html.Dom;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>What a school or a child's teacher has chosen changes what it says it changes, on both sides.</summary>
public sealed class SettingsTests(Site site) : IClassFixture<Site>, IAsyncDisposable
{
    [Theory]
    [InlineData("numerals", "roman", "VIII")]
    [InlineData("numerals", "quarters", "12 3 6 9")]
    [InlineData("numerals", "none", "")]
    public async Task Numerals(string setting, string choice, string seen)
    {
        var (teacher, tablet) = await With(setting, choice, ClockTasks.ReadDigital);
        foreach (var face in new[] { teacher.QuerySelector("[data-stage] svg")!, tablet.QuerySelector(".turn-face svg")! })
        {
            var numerals = face.QuerySelectorAll(".numeral").Select(element => element.TextContent).ToList();
            if (choice == "roman") Assert.Contains(seen, numerals);
            else Assert.Equal(seen.Split(' ', StringSplitOptions.RemoveEmptyEntries).Order(), numerals.Order());
        }
    }

    [Theory]
    [InlineData("all", 60)]
    [InlineData("fives", 12)]
    [InlineData("none", 0)]
    public async Task Ticks(string choice, int ticks)
    {
        var (teacher, tablet) = await With("ticks", choice, ClockTasks.ReadDigital);
        Assert.Equal(ticks, teacher.QuerySelectorAll("[data-stage] svg .tick").Length);
        Assert.Equal(ticks, tablet.QuerySelectorAll(".turn-face svg .tick").Length);
    }

    [Theory]
    [InlineData("second-hand", "thin", ".hand-second")]
    [InlineData("minute-numbers", "always", ".minute-number")]
    [InlineData("hand-colours", "blue-rust", "svg.hands-blue-rust")]
    public async Task Faces(string setting, string choice, string css)
    {
        var (teacher, tablet) = await With(setting, choice, ClockTasks.ReadDigital);
        Assert.NotNull(teacher.QuerySelector($"[data-stage] {css}"));
        Assert.NotNull(tablet.QuerySelector($".turn-face {css}"));
        var (usualTeacher, usualTablet) = await With("past", "past", ClockTasks.ReadDigital);
        Assert.Null(usualTeacher.QuerySelector($"[data-stage] {css}"));
        Assert.Null(usualTablet.QuerySelector($".turn-face {css}"));
    }

    [Theory]
    [InlineData("past", "after", " after ", " past ")]
    [InlineData("to", "till", " till ", " to ")]
    public async Task Words(string setting, string choice, string seen, string gone)
    {
        var (teacher, tablet) =
            await With(setting, choice, ClockTasks.WordsToDigital, words => words.Contains(seen, StringComparison.Ordinal));
        foreach (var page in new[] { teacher, tablet })
        {
            var words = page.QuerySelector(".in-words")!.TextContent;
            Assert.Contains(seen, words, StringComparison.Ordinal);
            Assert.DoesNotContain(gone, words, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task The_mark_between_hour_and_minutes()
    {
        var (teacher, tablet) = await With("mark", "stop", ClockTasks.SetFromDigital);
        Assert.Matches(@"\d\.\d\d", teacher.QuerySelector("h1")!.TextContent);
        Assert.Matches(@"\d\.\d\d", tablet.QuerySelector("h1")!.TextContent);
    }

    [Theory]
    [InlineData("reading", "minute-first", "long hand first")]
    [InlineData("reading", "hour-first", "short hand first")]
    [InlineData("setting", "minute-first", "long hand first")]
    public async Task The_routine_of_the_hands(string setting, string choice, string prompt)
    {
        var (_, tablet) = await With(setting, choice, ClockTasks.SetFromDigital);
        Assert.Contains(prompt, tablet.QuerySelector("[data-box]")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("hour-first", "hour hand first")]
    [InlineData("minute-first", "minute hand first")]
    public async Task What_to_show_before_a_set_begins_with_the_school_s_routine(string reading, string first)
    {
        var (child, _) = await Sitting("reading", reading, ClockTasks.ReadDigital);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page($"/practise/new/{child}?pattern=next-hour");
        Assert.Contains(first, page.QuerySelector("[data-routine] h2")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("geared", AnswerMode.Geared)]
    [InlineData("by-use", AnswerMode.Placed)]
    public async Task Hands_that_go_together_are_kept_as_such(string choice, AnswerMode mode)
    {
        await site.App.InSchool(site.A, connection => Schools.Choose(connection, new Dictionary<string, string> { ["hands"] = choice }));
        var child = await site.Child(site.A);
        var (_, sitting) = await site.Set(site.A, child.Id, "next-hour");
        var asked = (await site.Record(site.A, child.Id)).SittingsAsked[0].Questions.First(question =>
            question.Asked.Item.Task == ClockTasks.SetFromDigital).Asked;
        await site.App.InSchool(site.A, connection => Sittings.MoveTo(connection, sitting, asked.Place));
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        await tablet.Send("/turn", "Done", new() { ["hourHand"] = "7.67", ["minuteHand"] = "40" });
        Assert.Equal(mode, (await site.Record(site.A, child.Id)).Sittings[0].Answered.Single().Given!.AnswerMode);
    }

    [Fact]
    public async Task Timing_off_keeps_no_seconds()
    {
        var (child, sitting) = await Sitting("timing", "off", ClockTasks.ReadDigital);
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        Assert.Equal("no", (await tablet.Page("/turn")).QuerySelector("[data-answer-form]")!.GetAttribute("data-timed"));
        await tablet.Send("/turn", "Done", new() { ["raw"] = "4:00", ["seconds"] = "7", ["begun"] = "3" });
        var given = (await site.Record(site.A, child)).Sittings[0].Answered.Single().Given!;
        Assert.Null(given.Seconds);
        Assert.Null(given.BegunSeconds);
    }

    [Fact]
    public async Task The_form_keeps_the_school_s_choices_and_the_child_s_over_them()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await teacher.Send("/settings", "Keep these", new() { ["set-numerals"] = "roman", ["set-past"] = "after" });
        var school = await teacher.Page("/settings");
        Assert.Equal("roman", Selected(school, "set-numerals"));

        var page = await teacher.Page($"/children/{child.Id}/teaching");
        Assert.Equal("", Selected(page, "set-numerals"));
        await teacher.Send($"/children/{child.Id}/teaching", "Keep these",
            new() { ["set-numerals"] = "none", ["stage"] = "4", ["met"] = "read-digital" });
        var row = (await site.App.InSchool(site.A, connection => Children.Find(connection, child.Id)))!;
        Assert.Equal((Core.Teaching.Numerals.None, "after", Stage.HalfPast),
            (row.Preferences.Dial.Numerals, row.Preferences.Wording.Past, row.Stage));
        Assert.Equal(["read-digital"], row.TasksMet!);
    }

    [Theory]
    [InlineData("set-numerals", "upside down")]
    [InlineData("set-weather", "fine")]
    public async Task What_is_no_choice_is_left_aside(string field, string value)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await teacher.Send("/settings", "Keep these", new() { [field] = value });
        Assert.Equal("all", Selected(await teacher.Page("/settings"), "set-numerals"));
    }

    /// <summary>The school's choices are shared by the tests: each leaves them as it found them.</summary>
    public async ValueTask DisposeAsync() =>
        await site.App.InSchool(site.A, connection => Schools.Choose(connection, new Dictionary<string, string>()));

    private static string Selected(IHtmlDocument page, string name) => ((IHtmlSelectElement)page.QuerySelector($"[name={name}]")!).Value
        ?? "";

    private async Task<(ChildId Child, SittingId Sitting)> Sitting(string setting, string choice, ClockTask task, int chance = 1)
    {
        await site.App.InSchool(site.A, connection => Schools.Choose(connection, new Dictionary<string, string> { [setting] = choice }));
        var child = await site.Child(site.A);
        return (child.Id, await site.Sitting(site.A, child.Id,
            new AskingOptions(Plan.Chosen, DeliveryMode.OnChildsScreen) { Tasks = [task.Id], Id = Site.DrawnAlike(chance) }));
    }

    /// <summary>The teacher's page and the child's of a sitting with one task, where a school has chosen this.</summary>
    private async Task<(IHtmlDocument Teacher, IHtmlDocument Tablet)> With(
        string setting, string choice, ClockTask task, Func<string, bool>? fits = null)
    {
        for (var chance = 1; ; chance++)
        {
            var (_, sitting) = await Sitting(setting, choice, task, chance);
            using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
            using var tablet = new Visitor(site);
            await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
            var pages = (await teacher.Page($"/ask/{sitting}"), await tablet.Page("/turn"));
            if (fits is null || fits(pages.Item1.QuerySelector(".in-words")!.TextContent)) return pages;
            Assert.True(chance < 20, "no item of this kind came up");
        }
    }
}
