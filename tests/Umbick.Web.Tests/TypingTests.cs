using OpenQA.Selenium;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>Typing without pause: what is kept is what was typed, however quickly, and nothing is taken out of a field.</summary>
public sealed class TypingTests(Site site) : IClassFixture<Site>
{
    [Theory]
    [InlineData(20)]
    [InlineData(40)]
    [InlineData(80)]
    public void Explaining_takes_every_key(int pace)
    {
        using var browser = new Browser(site.Address);
        browser.Open("/explain");
        browser.Find("#time").Clear();
        browser.Focus("#time");
        browser.TypeBlind("6:40" + Keys.Tab + "7:20" + Keys.Enter, pace);
        browser.Await("#explained[data-for='6:40 7:20'] [data-explanation]");
        Assert.Equal(("6:40", "7:20"),
            (browser.Script<string>("return document.getElementById('time').value"),
                browser.Script<string>("return document.getElementById('answer').value")));
    }

    [Theory]
    [InlineData(20)]
    [InlineData(40)]
    [InlineData(80)]
    public async Task Ten_answers_in_conversation_are_kept_as_typed_and_each_under_its_own_question(int pace)
    {
        string[] typed = ["7:20", "835", "qp6", "?", "12:05", "20 to 7", "-", "9:5", "half past 3", "11"];
        var (browser, child) = await Asking();
        using (browser)
        {
            browser.TypeBlind(string.Concat(typed.Select(answer => answer + Keys.Enter)), pace);
            browser.Await("#asking[data-answered='10'] #raw:focus");
            var answered = (await site.Record(site.A, child)).Sittings[0].Answered.ToList();
            Assert.Equal(typed, answered.Select(question => question.Given!.Raw));
            Assert.Equal(Enumerable.Range(1, 10), answered.Select(question => question.Asked.Place));
            Assert.Equal("", browser.Find("#raw").GetAttribute("value"));
        }
    }

    /// <summary>Also where the reply comes long after the last key: what was typed was meant for another question.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(900)]
    public async Task What_is_typed_after_an_answer_that_is_refused_is_shown_and_not_sent(int latency)
    {
        var (browser, child) = await Asking();
        using (browser)
        {
            browser.Network(offline: false, latency);
            browser.TypeBlind("half 8" + Keys.Enter + "720" + Keys.Enter, 20);
            browser.AwaitText("7:30 or 8:30");
            browser.AwaitText("Typed meanwhile, and not used: 720⏎");
            Assert.Equal("half 8", browser.Find("#raw").GetAttribute("value"));
            Assert.Empty((await site.Record(site.A, child)).Sittings);
            // The old text stands marked: after a pause, what is typed takes its place.
            browser.Await("#asking:not([data-typing-on])");
            browser.Type("7:30" + Keys.Enter);
            browser.Await("#asking[data-answered='1'] #raw:focus");
            Assert.Equal(["7:30"], await Raws(child));
        }
    }

    [Fact]
    public async Task Nonsense_is_told_and_Enter_once_more_keeps_it()
    {
        var (browser, child) = await Asking();
        using (browser)
        {
            browser.Type("xyzzy" + Keys.Enter);
            browser.AwaitText("cannot be read");
            browser.Await("#asking:not([data-typing-on])");
            browser.Type(Keys.Enter);
            browser.Await("#asking[data-answered='1'] #raw:focus");
            Assert.Equal(["xyzzy"], await Raws(child));
        }
    }

    [Fact]
    public async Task Keys_for_going_back_and_leaving_out_keep_their_order_among_answers()
    {
        var (browser, child) = await Asking();
        using (browser)
        {
            // One is left out, one answered, one gone back to and put right, one answered.
            browser.TypeBlind(Keys.ArrowRight + "4:11" + Keys.Enter + Keys.ArrowLeft + "4:12" + Keys.Enter + "5:12" + Keys.Enter, 20);
            browser.Await("#asking[data-answered='2'] #raw:focus");
            Assert.Equal(["4:12", "5:12"], await Raws(child));
        }
    }

    [Fact]
    public async Task A_field_that_is_typed_in_is_not_taken_away_when_the_child_answers_on_another_screen()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        browser.Await("#raw:focus");
        browser.Type("4:1");
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        await tablet.Send("/turn", "Done",
            new() { ["raw"] = "9:09", ["amount"] = "20", ["way"] = "past", ["hour"] = "9", ["hourHand"] = "1", ["minuteHand"] = "2" });
        var asked = browser.Script<long>(
            "return performance.getEntriesByType('resource').filter(entry => entry.name.includes('handler=state')).length");
        browser.AwaitScript($"return performance.getEntriesByType('resource').filter(entry => "
            + $"entry.name.includes('handler=state')).length > {asked} + 2");
        Assert.Equal("4:1", browser.Find("#raw").GetAttribute("value"));
        browser.Type("2" + Keys.Enter);
        // That question has the child's answer by now: the teacher is told, with what was typed.
        browser.AwaitText("“4:12” was not kept");
        browser.Await("#asking[data-answered='1']");
        Assert.DoesNotContain("4:12", await Raws(child.Id));
    }

    [Theory]
    [InlineData(20)]
    [InlineData(40)]
    [InlineData(80)]
    public async Task A_row_of_the_grid_is_kept_as_typed(int pace)
    {
        string[] typed = ["7:20", ".", "835", "-", "12:05", "xyzzy", ".", "9:5"];
        var id = await site.Class(site.A, Stage.FiveMinutesTo, $"Pupil {Guid.NewGuid():N}", $"Pupil {Guid.NewGuid():N}");
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/classes/{id}/grid");
        browser.Focus("[data-place]");
        browser.TypeBlind(string.Concat(typed.Select(answer => answer is "." or "-" ? answer : answer + Keys.Enter)), pace);
        browser.AwaitText($"{typed.Length} kept of {typed.Length * 2}");
        browser.AwaitText("cannot be read");
        var found = (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, id)))!;
        Assert.Equal(typed, found.Children[0].Sitting.Answered.Select(question => question.Given!.Raw));
    }

    private async Task<(Browser Browser, ChildId Child)> Asking()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        browser.Await("#raw:focus");
        return (browser, child.Id);
    }

    private async Task<List<string>> Raws(ChildId child) =>
        [.. (await site.Record(site.A, child)).Sittings.SelectMany(sitting => sitting.Answered).Select(question => question.Given!.Raw)];
}
