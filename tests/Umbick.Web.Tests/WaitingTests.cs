using OpenQA.Selenium;
using Umbick.Core.Items;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>Sessions that end meanwhile, second presses, and a site that does not answer: what is told, and that nothing is lost.</summary>
public sealed class WaitingTests(Site site) : IClassFixture<Site>
{
    private static readonly string[] Tasks = ["read-digital", "minutes-only", "words-to-digital", "read-digital"];

    [Fact]
    public async Task A_child_s_answers_outlive_the_child_s_own_session()
    {
        var (child, sitting, items, tablet) = await AtAList();
        using var closed = tablet;
        tablet.Network(offline: true);
        var given = new List<string>();
        for (var i = 0; i < 3; i++)
        {
            tablet.Await($"#turn[data-done='{i}'] [data-question={Tasks[i]}]");
            given.Add(ChildAtScreen.Answer(tablet, items[i], byTouch: false));
        }
        tablet.AwaitText("3 answers are kept on this device");
        tablet.ForgetCookies();
        tablet.Network(offline: false);
        tablet.AwaitText("Ask your teacher for a new code");
        tablet.AwaitText("3 answers are kept on this device");
        Assert.Empty(await Raws(child));
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("#turn[data-done='3']");
        tablet.Await("#waiting[hidden][data-waiting='0']");
        Assert.Equal(given, await Raws(child));
    }

    [Fact]
    public async Task A_grid_keeps_what_was_typed_after_the_session_ended_and_sends_it_after_signing_in()
    {
        var id = await site.Class(site.A, Stage.FiveMinutesTo, $"Pupil {Guid.NewGuid():N}", $"Pupil {Guid.NewGuid():N}");
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/classes/{id}/grid");
        browser.Focus("[data-place]");
        browser.Type("7:20" + Keys.Enter);
        browser.AwaitText("1 kept of 16");
        browser.ForgetCookies();
        browser.Type("8:35" + Keys.Enter + ".9:05" + Keys.Enter);
        browser.AwaitText("You are signed out. 3 answers are kept on this device");
        browser.AwaitText("1 kept of 16");
        browser.Click("Keep all");
        Assert.Equal($"/classes/{id}/grid", browser.Path);
        // Signed in again on the same page's way.
        browser.SignIn(site.TeacherOfA);
        browser.Open($"/classes/{id}/grid");
        browser.AwaitText("4 kept of 16");
        browser.Await("#waiting[hidden][data-waiting='0']");
        var found = (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, id)))!;
        Assert.Equal(["7:20", "8:35", ".", "9:05"], found.Children[0].Sitting.Answered.Select(question => question.Given!.Raw));
    }

    [Fact]
    public async Task On_the_asking_page_a_session_that_ended_is_told_in_its_place()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        browser.Await("#raw:focus");
        browser.ForgetCookies();
        browser.Type("4:12" + Keys.Enter);
        browser.AwaitText("You are signed out. 1 answer is kept on this device");
        Assert.True(browser.Has("#asking [data-stage]"));
        Assert.False(browser.Has("#asking [name=password]"));
        browser.SignIn(site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        browser.Await("#asking[data-answered='1']");
        Assert.Equal(["4:12"], await Raws(child.Id));
    }

    [Fact]
    public async Task A_second_press_a_quarter_of_a_second_later_answers_nothing_unseen()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, Tasks);
        using var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.AwaitOpen();
        tablet.DoubleClick("[data-dont-know]", 250);
        tablet.Await($"#turn[data-done='1'][data-open=yes] [data-question={Tasks[1]}]");
        Assert.Equal(["?"], await Raws(child.Id));
    }

    [Fact]
    public async Task Done_with_hands_that_nobody_touched_says_so_and_keeps_nothing()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, "set-from-digital");
        using var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("[data-hand=minute]");
        tablet.Click("Done");
        tablet.AwaitText("Move both hands first");
        tablet.Turn("[data-hands]",
            double.Parse(tablet.Find("[data-hand=hour]").GetAttribute("aria-valuenow")!,
                System.Globalization.CultureInfo.InvariantCulture) * 30, 200, 0.45);
        tablet.AwaitScript("return !document.querySelector('[data-hand-value=hour]').disabled");
        tablet.Click("Done");
        // The reason stands there since the first press: the second is over when the hand that was left alone has the focus.
        tablet.Await("#turn[data-sending=no] [data-hand=minute]:focus");
        Assert.Contains("Move both hands first", tablet.Text, StringComparison.Ordinal);
        Assert.Empty(await Raws(child.Id));
        // What was put stays put, and to touch the other is enough.
        tablet.Type(" ");
        tablet.AwaitScript("return !document.querySelector('[data-hand-value=minute]').disabled");
        tablet.Click("Done");
        ChildAtScreen.AwaitFinished(tablet);
        Assert.Single(await Raws(child.Id));
    }

    [Fact]
    public async Task A_teacher_who_moves_on_takes_nothing_out_of_the_child_s_hands()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, "read-digital", "read-digital", "minutes-only");
        using var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("#entry");
        tablet.Find("#entry").Click();
        tablet.Type("4:1");
        await site.App.InSchool(site.A, connection => new Asking(site.Model, TimeProvider.System).Skip(connection, sitting, 1));
        tablet.AwaitText("Your teacher has gone on");
        tablet.Type("2");
        tablet.Click("Done");
        tablet.Await("#turn[data-done='1']");
        Assert.Equal(["4:12"], await Raws(child.Id));
    }

    [Theory]
    [InlineData("hang", "There is no reply yet")]
    [InlineData("500", "Something is wrong at the other end")]
    [InlineData("page", "Something is wrong at the other end")]
    public async Task A_failure_is_told_in_one_line_with_what_is_kept_and_sent_again_by_itself(string fault, string told)
    {
        await using var proxy = await FaultProxy.Start([site.Address], new Random(1));
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, Tasks);
        var items = (await site.Record(site.A, child.Id)).SittingsAsked[0].Questions.Select(question => question.Asked.Item).ToList();
        using var tablet = new Browser(proxy.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("#turn[data-ahead-ready]");
        proxy.Always = fault;
        var given = ChildAtScreen.Answer(tablet, items[0], byTouch: false);
        tablet.AwaitText(told);
        tablet.AwaitText("Your answer is kept on this device, and goes as soon as it can");
        proxy.Always = null;
        tablet.Await("#waiting[hidden][data-waiting='0']");
        Assert.Equal([given], await Raws(child.Id));
    }

    [Fact]
    public async Task A_press_that_does_not_arrive_is_told_and_changes_nothing()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        browser.Await("#raw:focus");
        var top = browser.TopOf("#raw");
        browser.Network(offline: true);
        browser.Click("Leave out");
        browser.AwaitText("No connection. Nothing was changed: press again.");
        Assert.Equal(top, browser.TopOf("#raw"));
        browser.Network(offline: false);
        browser.Focus("#raw");
        browser.Type("4:12" + Keys.Enter);
        browser.Await("#asking[data-answered='1']");
        Assert.Equal(["4:12"], await Raws(child.Id));
    }

    [Theory]
    [InlineData(1024, 768)]
    [InlineData(390, 780)]
    public async Task What_is_told_moves_nothing_that_a_finger_is_on(int width, int height)
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        using var tablet = new Browser(site.Address, width, height);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("#turn[data-kept]");
        var top = tablet.TopOf("[data-done-button]");
        tablet.Network(offline: true);
        tablet.AwaitText("No connection. This page catches up by itself.");
        Assert.Equal(top, tablet.TopOf("[data-done-button]"));
        Assert.InRange(tablet.TopOf("#trouble"), 0, height - 20);
    }

    private async Task<(ChildId Child, SittingId Sitting, List<Item> Items, Browser Tablet)> AtAList()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, Tasks);
        var items = (await site.Record(site.A, child.Id)).SittingsAsked[0].Questions.Select(question => question.Asked.Item).ToList();
        var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("#turn[data-kept][data-ahead-ready]");
        return (child.Id, sitting, items, tablet);
    }

    private async Task<List<string>> Raws(ChildId child) =>
        [.. (await site.Record(site.A, child)).Sittings.SelectMany(sitting => sitting.Answered).Select(question => question.Given!.Raw)];
}
