using Umbick.Store;
using System.Net;
using System.Text.RegularExpressions;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>Two devices on one sitting, codes, child mode, and a connection that is lost.</summary>
public sealed class DeviceTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Two_browsers_agree_through_answers_skip_back_reload_a_cut_network_and_stop()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        using var teacher = Browser.SignedIn(site.Address, site.TeacherOfA);
        using var tablet = new Browser(site.Address, 768, 1024);
        teacher.Open($"/ask/{sitting}");
        teacher.Click("Ask another way");
        teacher.Click("On another device, by a code");
        ChildAtScreen.Enter(tablet, teacher.Find("[data-code]").GetAttribute("data-code")!);

        // An answer on the tablet is on the teacher's page.
        await Agree(teacher, tablet, sitting);
        await Answer(tablet, sitting);
        await Agree(teacher, tablet, sitting);
        teacher.Await("#asking[data-answered='1']");

        // The teacher leaves one out, goes back, and reloads; the tablet follows.
        Change(teacher, "[data-skip-form] button");
        await Agree(teacher, tablet, sitting);
        Change(teacher, "[data-back-form] button");
        await Agree(teacher, tablet, sitting);
        teacher.Reload();
        tablet.Reload();
        await Agree(teacher, tablet, sitting);
        await Answer(tablet, sitting);
        await Agree(teacher, tablet, sitting);

        // Without a network the answer is kept on the tablet; with it again, it is there once.
        var before = (await Kept(child.Id)).Count;
        tablet.Network(offline: true);
        ChildAtScreen.Answer(tablet, (await site.Current(site.A, sitting)).Item, byTouch: true);
        tablet.AwaitText("Your answer is kept");
        Assert.Equal(before, (await Kept(child.Id)).Count);
        Assert.True(teacher.Has($"#asking[data-answered='{before}']"));
        tablet.Network(offline: false);
        tablet.Await("#waiting[hidden][data-waiting='0']");
        teacher.Await($"#asking[data-answered='{before + 1}']");
        await Agree(teacher, tablet, sitting);
        Assert.Equal(before + 1, (await Kept(child.Id)).Count);

        teacher.Click("Stop here");
        ChildAtScreen.AwaitFinished(tablet);
        teacher.Await("[data-over]");
        var ids = await Kept(child.Id);
        Assert.Equal(ids.Count, ids.Distinct().Count());
    }

    [Fact]
    public async Task A_list_made_before_goes_on_without_a_network_and_a_reload_loses_nothing()
    {
        string[] tasks = ["read-digital", "minutes-only", "words-to-digital", "read-words"];
        var (child, items, tablet) = await AtAList(site.Address, tasks);
        using var closed = tablet;

        // The first goes with a network, the next two without.
        List<string> given = [ChildAtScreen.Answer(tablet, items[0], byTouch: false)];
        tablet.Await($"[data-question={tasks[1]}]");
        tablet.Network(offline: true);
        for (var i = 1; i < 3; i++)
        {
            tablet.Await($"[data-question={tasks[i]}]");
            given.Add(ChildAtScreen.Answer(tablet, items[i], byTouch: false));
        }
        tablet.Await($"[data-question={tasks[3]}]");
        tablet.AwaitText("2 answers are kept");
        Assert.Single(await Kept(child.Id));
        tablet.Network(offline: false);
        tablet.Reload();
        tablet.Await("#waiting[hidden][data-waiting='0']");
        tablet.Await("#turn[data-done='3']");
        given.Add(ChildAtScreen.Answer(tablet, items[3], byTouch: false));
        ChildAtScreen.AwaitFinished(tablet);
        Assert.Equal(given, await Kept(child.Id));
    }

    [Fact]
    public async Task A_page_that_comes_while_answers_cannot_go_opens_after_the_last_one_given()
    {
        string[] tasks = ["read-digital", "minutes-only", "words-to-digital"];
        var (child, items, tablet) = await AtAList(site.Address, tasks);
        using var closed = tablet;

        // What the page sends is lost; a reload goes through the worker, whose network is whole, and brings the first question.
        tablet.Network(offline: true);
        List<string> given = [ChildAtScreen.Answer(tablet, items[0], byTouch: true)];
        tablet.Await($"#turn[data-kept] [data-question={tasks[1]}]");
        tablet.Reload();
        tablet.Await($"[data-question={tasks[1]}]");
        given.Add(ChildAtScreen.Answer(tablet, items[1], byTouch: true));
        tablet.Await($"#turn[data-kept] [data-question={tasks[2]}]");
        tablet.Reload();
        tablet.Await($"[data-question={tasks[2]}]");
        tablet.AwaitText("2 answers are kept");
        Assert.Empty(await Kept(child.Id));

        tablet.Network(offline: false);
        tablet.Await("#waiting[hidden][data-waiting='0']");
        tablet.Await("#turn[data-done='2']");
        given.Add(ChildAtScreen.Answer(tablet, items[2], byTouch: true));
        ChildAtScreen.AwaitFinished(tablet);
        Assert.Equal(given, await Kept(child.Id));
    }

    [Fact]
    public async Task A_list_opens_again_without_a_server_where_the_child_was_and_all_is_sent_once()
    {
        string[] tasks = ["read-digital", "minutes-only", "words-to-digital", "read-words"];
        var server = await Site.Another();
        var (child, items, tablet) = await AtAList(server.Address, tasks);
        using var closed = tablet;
        List<string> given = [ChildAtScreen.Answer(tablet, items[0], byTouch: false)];
        tablet.Await($"#turn[data-kept] [data-question={tasks[1]}]");

        server.Dispose();
        for (var i = 1; i < 3; i++)
        {
            tablet.Reload();
            tablet.Await($"#turn[data-ahead-ready] [data-question={tasks[i]}]");
            given.Add(ChildAtScreen.Answer(tablet, items[i], byTouch: false));
            tablet.Await($"#turn[data-kept] [data-question={tasks[i + 1]}]");
        }
        tablet.Reload();
        tablet.AwaitText("2 answers are kept");
        Assert.Single(await Kept(child.Id));

        using var again = await SiteProcess.Start(server.Address);
        tablet.Await("#waiting[hidden][data-waiting='0']");
        tablet.Await($"#turn[data-done='3'] [data-question={tasks[3]}]");
        given.Add(ChildAtScreen.Answer(tablet, items[3], byTouch: false));
        ChildAtScreen.AwaitFinished(tablet);
        Assert.Equal(given, await Kept(child.Id));
        // What is over is not kept: nothing of it opens without a server.
        tablet.AwaitScript("return caches.has('umbick.turn').then(kept => !kept)");
    }

    [Fact]
    public async Task An_adaptive_sitting_opens_again_without_a_server_and_waits_with_the_answer_kept()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        var server = await Site.Another();
        using var tablet = new Browser(server.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("#turn[data-kept]");
        var item = (await site.Current(site.A, sitting)).Item;

        server.Dispose();
        tablet.Reload();
        tablet.Await("#turn[data-kept]");
        var given = ChildAtScreen.Answer(tablet, item, byTouch: true);
        tablet.AwaitText("Your answer is kept");
        tablet.AwaitScript("return caches.match('/turn').then(page => page.text()).then(text => text.includes('disabled'))");
        tablet.Reload();
        tablet.AwaitText("Your answer is kept");
        tablet.Await("[data-done-button]:disabled");
        Assert.Empty(await Kept(child.Id));

        using var again = await SiteProcess.Start(server.Address);
        tablet.Await("#turn[data-done='1'] [data-answer-form] [data-done-button]:enabled");
        Assert.Equal([given], await Kept(child.Id));
    }

    [Fact]
    public async Task A_practice_set_goes_on_without_a_network_and_its_answers_are_sent_later()
    {
        var child = await site.Child(site.A);
        var (_, sitting) = await site.Set(site.A, child.Id, "next-hour");
        var items = (await site.Record(site.A, child.Id)).SittingsAsked[0].Questions.Select(question => question.Asked.Item).ToList();
        using var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await("#turn[data-done='0'][data-ahead-ready]");
        tablet.Network(offline: true);
        var given = new List<string>();
        for (var done = 0; done < 2; done++)
        {
            tablet.Await($"#turn[data-done='{done}'] [data-question]");
            given.Add(ChildAtScreen.Answer(tablet, items[done], byTouch: true));
        }
        tablet.AwaitText("2 answers are kept");
        tablet.Await("#turn[data-done='2'] [data-question]");
        Assert.Empty(await Kept(child.Id));
        tablet.Network(offline: false);
        tablet.Await("#waiting[hidden][data-waiting='0']");
        Assert.Equal(given, await Kept(child.Id));
        Assert.Equal(3, (await site.Now(site.A, sitting)).CurrentPlace);
        // With the network back, an answer is looked at again.
        tablet.Await("#turn[data-done='2'] [data-question]");
        ChildAtScreen.Answer(tablet, items[2], byTouch: true);
        tablet.Await("[data-feedback=right]");
    }

    [Fact]
    public async Task A_stale_answer_from_the_other_device_is_refused_and_both_show_the_same_again()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        var (action, stale) = await tablet.Form("/turn", "Done");
        await teacher.Send($"/ask/{sitting}", "Next", new() { ["raw"] = "ok" });
        var answer = await tablet.Post(action, new(stale) { ["raw"] = "4:00" });
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        var now = await site.Current(site.A, sitting);
        Assert.Equal($"{now.Place}", (await Visitor.Read(answer)).QuerySelector("[name=place]")!.GetAttribute("value"));
        Assert.Equal(["ok"], await Kept(child.Id));

        var (skip, fields) = await teacher.Form($"/ask/{sitting}", "Leave out");
        await tablet.Send("/turn", "Done", new() { ["raw"] = "4:00" });
        Assert.Equal(HttpStatusCode.Conflict, (await teacher.Post(skip, fields)).StatusCode);
    }

    [Fact]
    public async Task A_code_opens_nothing_twice_and_limits_hold_across_two_server_processes()
    {
        var child = await site.Child(site.B);
        var sitting = await site.OnScreen(site.B, child.Id);
        using var second = await Site.Another();
        using var here = new Visitor(site);
        using var there = new Visitor(second.Address);
        var code = await site.Code(site.B, sitting);
        await Visitor.AssertSentTo("/turn", await here.Send("/go", "Begin", new() { ["code"] = code }));
        Assert.Equal(HttpStatusCode.BadRequest, (await there.Send("/go", "Begin", new() { ["code"] = code })).StatusCode);

        var mistyped = $"{code[..^1]}{(code[^1] == '9' ? '0' : '9')}";
        Assert.Contains("A letter or a figure is not right",
            await (await there.Send("/go", "Begin", new() { ["code"] = mistyped })).Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var wrong = new Rows.CodeText(code[..3], Rows.CodeText.Read(code)!.Figures == "9999999" ? "0000000" : "9999999").ToString();
        var told = new List<string>();
        for (var i = 0; i < 64; i++)
        {
            var answer = await (i % 2 == 0 ? here : there).Send("/go", "Begin", new() { ["code"] = wrong });
            told.Add((await Visitor.Read(answer)).QuerySelector("[role=alert]")!.TextContent);
        }
        // One wrong try was the used code, and the mistyped one counted for nothing; the limit counts both processes' tries together.
        Assert.Equal(59, told.Count(text => text.Contains("does not open anything", StringComparison.Ordinal)));
        var good = await site.Code(site.B, sitting);
        Assert.Contains("Too many codes", (await (await there.Send("/go", "Begin", new() { ["code"] = good })).Content.ReadAsStringAsync()),
            StringComparison.Ordinal);
        // The child who is already at work is not disturbed.
        await here.Page("/turn");
    }

    [Fact]
    public async Task A_device_turned_round_shows_nothing_of_the_teacher_s_by_back_reload_or_address()
    {
        var child = await site.Child(site.A);
        var other = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var device = Browser.SignedIn(site.Address, site.TeacherOfA);
        device.Open($"/children/{other.Id}");
        device.Open($"/ask/{sitting}");
        device.Click("Ask another way");
        device.Click("Turn this device round");
        device.AwaitPath("/turn");
        for (var i = 0; i < 3; i++)
        {
            device.Back();
            AssertNothingOfTheTeachers(device, child.Alias, other.Alias);
        }
        foreach (var path in new[] { "/children", $"/children/{other.Id}", $"/ask/{sitting}", "/settings", "/classes", "/ask" })
        {
            device.Open(path);
            AssertNothingOfTheTeachers(device, child.Alias, other.Alias);
            Assert.Equal("/", device.Path);
        }
        device.Open("/turn");
        device.Reload();
        device.Await("[data-question]");
    }

    [Fact]
    public async Task Nothing_on_the_child_s_side_holds_the_right_answer_the_belief_or_another_child_s_name()
    {
        var child = await site.Child(site.A);
        var other = await site.Child(site.A);
        string[] tasks = [.. ClockTasks.All.Where(task =>
            task == ClockTasks.ChooseClock
                || (task.Order.Count > 0 && !task.Chosen && task != ClockTasks.Judge && task != ClockTasks.Story
                && task.Stimulus is not Stimulus.Figures)).Select(task => task.Id)];
        var sitting = await site.OnScreen(site.A, child.Id, tasks);
        using var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        for (var done = 0; done < tasks.Length; done++)
        {
            tablet.Await($"#turn[data-done='{done}'] [data-question]");
            var (current, all) = (await site.Current(site.A, sitting),
                (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]);
            var item = current.Item;
            var ahead = tablet.Fetch("/turn?handler=ahead");
            foreach (var (name, text) in new[] { ("source", tablet.Source), ("ahead", ahead), ("tree", tablet.AccessibilityTree()) })
            {
                // By chance another question that lies ahead gives the time that this one asks for.
                if (name == "ahead" && all.Any(question => question.Place != current.Place && question.Item.Time == item.Time)) continue;
                var plain = text.Replace("\\u0022", "\"", StringComparison.Ordinal);
                foreach (var secret in Secrets(item).Append(child.Alias).Append(other.Alias)
                    .Concat(["Tells ", "next-hour", "hands-swapped", "belief", "likely"]))
                    Assert.False(plain.Contains(secret, StringComparison.OrdinalIgnoreCase), $"{name} of {item.Task.Id} holds “{secret}”");
            }
            // Three in a row without an answer would be the end.
            if (done % 3 == 2) ChildAtScreen.Answer(tablet, item, byTouch: true);
            else tablet.Click("I don’t know");
        }
        ChildAtScreen.AwaitFinished(tablet);
    }

    /// <summary>Where the answers to choose from hold the right one, nothing but what it says tells it from the others.</summary>
    [Theory]
    [InlineData("choose-time", "label", 4)]
    [InlineData("choose-clock", "label", 4)]
    [InlineData("choose-names", "label", 4)]
    [InlineData("match", "[data-join]", 5)]
    [InlineData("possible-time", "label", 2)]
    [InlineData("name-part", "label", 2)]
    [InlineData("duration-unit", "label", 5)]
    public async Task Nothing_marks_the_right_one_of_some_choices(string task, string css, int fewest)
    {
        var child = await site.Child(site.A, Stage.BeforeAndAfter);
        var sitting = await site.OnScreen(site.A, child.Id, task);
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        var choices = (await tablet.Page("/turn")).QuerySelectorAll($"[data-box] {css}").Select(choice => choice.OuterHtml).ToList();
        Assert.InRange(choices.Count, fewest, 12);
        // What is left without the words, the hands and the letters or values that stand for them.
        var shapes = choices.Select(choice =>
            Regex.Replace(choice, @"(?<= (value|data-join|transform|aria-label)="")[^""]*|(?<=>)[^<]+", "")).Distinct();
        Assert.Single(shapes);
    }

    /// <summary>The right answer in every form in which it might be written, where the question itself does not say it.</summary>
    private static IEnumerable<string> Secrets(Item item)
    {
        string[] forms = [Wording.Usual.Digital(item.Time), Wording.Usual.Words(item.Time), item.Right.Short(Wording.Usual)];
        var shown = item.Ask(Wording.Usual) + item.Given;
        return forms.Where(form => form.Length > 2 && !shown.Contains(form, StringComparison.Ordinal));
    }

    private static void AssertNothingOfTheTeachers(Browser device, params string[] names)
    {
        foreach (var name in names) Assert.DoesNotContain(name, device.Source, StringComparison.Ordinal);
    }

    /// <summary>A child at the first of some tasks on a tablet that has the rest of them, and could open its page again.</summary>
    private async Task<(Rows.Child Child, List<Item> Items, Browser Tablet)> AtAList(Uri address, string[] tasks)
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, tasks);
        var items = (await site.Record(site.A, child.Id)).SittingsAsked[0].Questions.Select(question => question.Asked.Item).ToList();
        var tablet = new Browser(address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        tablet.Await($"#turn[data-kept][data-ahead-ready] [data-question={tasks[0]}]");
        return (child, items, tablet);
    }

    /// <summary>Waits until both pages and the database tell of the same question.</summary>
    private async Task Agree(Browser teacher, Browser tablet, SittingId sitting)
    {
        var now = await site.Current(site.A, sitting);
        teacher.Await($"#asking [data-answer-form] [name=place][value='{now.Place}']");
        tablet.Await($"#turn [name=place][value='{now.Place}']");
    }

    private async Task Answer(Browser tablet, SittingId sitting)
    {
        var item = (await site.Current(site.A, sitting)).Item;
        var place = (await site.Current(site.A, sitting)).Place;
        tablet.Await($"#turn [name=place][value='{place}']");
        ChildAtScreen.Answer(tablet, item, byTouch: true);
        tablet.AwaitGone($"#turn [name=place][value='{place}']");
    }

    /// <summary>Presses something on the teacher's page, and waits until it shows another question.</summary>
    private static void Change(Browser teacher, string press)
    {
        var place = teacher.Find("[data-answer-form] [name=place]").GetAttribute("value");
        teacher.Find(press).Click();
        teacher.AwaitGone($"[data-answer-form] [name=place][value='{place}']");
    }

    private async Task<List<string>> Kept(ChildId child) =>
        [.. (await site.Record(site.A, child)).Sittings.SelectMany(sitting => sitting.Answered).Select(question => question.Given!.Raw)];
}
