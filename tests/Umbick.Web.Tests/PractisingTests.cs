using System.Globalization;
using AngleSharp.Html.Dom;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Casework;
using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>Practising on a screen, as a child meets it, and the set maker's page, as a teacher does.</summary>
public sealed class PractisingTests(Site site) : IClassFixture<Site>
{
    [Theory]
    [InlineData("hands-swapped", "Which hand is the short one")]
    [InlineData("next-hour", "Which number has the short hand passed")]
    [InlineData("numeral-as-minutes", "Start at the top and count in fives")]
    [InlineData("to-as-past", "on its way down, or on its way up")]
    [InlineData("half-names-next", "How far round does the long hand go for that")]
    [InlineData("no-leading-zero", "The minutes always have two figures")]
    [InlineData("hour-hand-on-numeral", "How far has the short hand moved on")]
    public async Task A_wrong_answer_is_shown_as_a_clock_then_looked_at_again_then_told(string pattern, string lookAgain)
    {
        var child = await site.Child(site.A);
        var (_, sitting) = await site.Set(site.A, child.Id, pattern);
        var held = HeldPattern.Plain(site.Model, Catalogue.Find(pattern)!);
        var asked = (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]
            .First(each => each.Item.Task == PracticeTasks.For(held.Pattern) && held.IsTelling(each.Item));
        await site.App.InSchool(site.A, connection => Sittings.MoveTo(connection, sitting, asked.Place));
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        var its = Fields(held.AnswerTo(asked.Item));
        await tablet.Send("/turn", "Done", its);
        var page = await tablet.Page("/turn");
        Assert.Equal("look-again", Feedback(page));
        Assert.NotNull(page.QuerySelector("[data-feedback] figure svg"));
        Assert.Contains(lookAgain, page.QuerySelector("[data-feedback]")!.TextContent, StringComparison.Ordinal);
        Assert.Empty(page.QuerySelectorAll("[data-explained]"));
        await tablet.Send("/turn", "Done", its);
        page = await tablet.Page("/turn");
        Assert.Equal("told", Feedback(page));
        Assert.NotEmpty(page.QuerySelectorAll("[data-explained]"));
        Assert.Equal([1, 2], (await site.App.InSchool(site.A, connection => Sittings.Rows(connection, sitting))).LatestAnswers.Where(
            answer => answer.Place == asked.Place).Select(answer => answer.Try));
    }

    private static string? Feedback(IHtmlDocument page) => page.QuerySelector("[data-feedback]")?.GetAttribute("data-feedback");

    private static Dictionary<string, string> Fields(Answer answer) => answer switch
    {
        PlacedAnswer placed => new() { ["hourHand"] = Number(placed.Hour), ["minuteHand"] = Number(placed.Minute) },
        WordsAnswer { Time: { Amount: { } amount, Hour: { } hour } time } =>
            new()
            {
                ["amount"] = amount is 15 ? "quarter" : amount is 30 ? "half" : $"{amount}",
                ["way"] = time.Form == SpokenForm.Past ? "past" : "to",
                ["hour"] = $"{hour}"
            },
        _ => new() { ["raw"] = answer.Short(Wording.Usual) },
    };

    private static string Number(double? place) => place?.ToString(CultureInfo.InvariantCulture) ?? "";

    [Fact]
    public async Task With_full_help_one_is_done_beside_the_item_and_on_a_bare_one_none()
    {
        var child = await site.Child(site.A);
        await site.App.InSchool(site.A,
            connection => Children.Teach(connection, child.Id, child.Stage, null, new Dictionary<string, string> { ["support"] = "full" }));
        var (_, sitting) = await site.Set(site.A, child.Id, "next-hour");
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        Assert.True((await tablet.Page("/turn")).QuerySelector("[data-worked]")!.HasAttribute("open"));
        await tablet.Send("/turn", "Done", new() { ["raw"] = "?" });
        Assert.Equal("No matter. Look once more.", (await tablet.Page("/turn")).QuerySelector("[data-feedback] h1")!.TextContent);
        await site.App.InSchool(site.A, connection => Sittings.MoveTo(connection, sitting, SetRequest.UsualLength));
        Assert.Null((await tablet.Page("/turn")).QuerySelector("[data-worked]"));
    }

    [Fact]
    public async Task What_is_put_together_is_seen_before_it_is_sent_and_the_hands_are_checked_after_it()
    {
        var child = await site.Child(site.A);
        await site.App.InSchool(site.A,
            connection => Children.Teach(connection, child.Id, child.Stage, null,
                new Dictionary<string, string> { ["hands-agree"] = "asked" }));
        var (_, sitting) = await site.Set(site.A, child.Id, "to-as-past");
        var asked = (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]
            .First(each => each.Item.Task == ClockTasks.ReadWords && each.Item.Time.Minute != 0);
        await site.App.InSchool(site.A, connection => Sittings.MoveTo(connection, sitting, asked.Place));
        using var browser = new Browser(site.Address);
        browser.Open("/go");
        browser.Fill("[name=code]", await site.Code(site.A, sitting));
        browser.Click("Begin");
        browser.Await("[data-question=read-words]");
        browser.AwaitOpen();
        browser.ClickOn("label:has([name=amount][value='20'])");
        browser.ClickOn("label:has([name=way][value='to'])");
        browser.ClickOn("label:has([name=hour][value='7'])");
        Assert.Equal("20 to 7", browser.Find("[data-together]").Text);
        foreach (var _ in new[] { 1, 2 })
        {
            var answer = browser.Find("[name=answer]").GetAttribute("value");
            browser.Click("I don’t know");
            browser.AwaitGone($"[name=answer][value='{answer}']");
        }
        var place = HourPlaces.PlaceOf(asked.Item.Time.Minute);
        var other = place == HourPlace.Halfway ? HourPlace.LittlePast : HourPlace.Halfway;
        browser.ClickOn($"label:has([name=agree][value='{other}'])");
        Assert.Contains(HourPlaces.InWords(asked.Item.Time), browser.Find("[data-agree-told]").Text, StringComparison.Ordinal);
        browser.ClickOn($"label:has([name=agree][value='{place}'])");
        Assert.Equal("Yes, they agree.", browser.Find("[data-agree-told]").Text);
    }

    [Fact]
    public async Task A_set_is_made_longer_with_less_help_and_one_item_changed()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var path = $"/practise/new/{child.Id}?pattern=next-hour&length=10&support=some";
        var before = await teacher.Page(path);
        Assert.Equal(10, before.QuerySelectorAll("[data-set-item]").Length);
        var another = before.QuerySelectorAll("[data-set-item] a")[0].GetAttribute("href")!;
        Assert.Contains("swaps=1", another, StringComparison.Ordinal);
        var after = await teacher.Page($"/practise/new/{child.Id}{another.Split('#')[0]}");
        var changed = Enumerable.Range(0, 10).Where(i => Item(before, i) != Item(after, i)).ToList();
        Assert.Contains(0, changed);
        Assert.DoesNotContain(9, changed);
        await teacher.Send($"/practise/new/{child.Id}{another.Split('#')[0]}", "Give");
        var given = await site.App.InSchool(site.A, connection => Sets.OfChild(connection, child.Id));
        Assert.Equal(Support.Some, Assert.Single(given).Support);
        var items = await site.App.InSchool(site.A, connection => Sets.Items(connection, given[0].Id));
        Assert.Equal(Enumerable.Range(0, 10).Select(i => Item(after, i)),
            items.Select(item => $"{Wording.Usual.Digital(item.Item.Time)} {item.Why}"));
    }

    [Fact]
    public async Task While_a_set_waits_another_is_not_given_and_both_pages_say_so()
    {
        var child = await site.Child(site.A);
        var (waits, _) = await site.Set(site.A, child.Id, "next-hour");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains($"/practise/{waits}",
            (await teacher.Page($"/practise/new/{child.Id}?pattern=hands-swapped")).QuerySelector("[data-waits]")!.InnerHtml,
            StringComparison.Ordinal);
        await Visitor.AssertSentTo($"/practise/{waits}?waited=true",
            await teacher.Send($"/practise/new/{child.Id}?pattern=hands-swapped", "Give"));
        Assert.NotNull((await teacher.Page($"/practise/{waits}?waited=true")).QuerySelector("[data-waited]"));
        Assert.Single(await site.App.InSchool(site.A, connection => Sets.OfChild(connection, child.Id)));
    }

    private static string Item(IHtmlDocument page, int place)
    {
        var item = page.QuerySelectorAll("[data-set-item]")[place];
        var why = item.QuerySelector("p br")!.NextSibling!.TextContent.Trim();
        return $"{item.QuerySelector("svg")!.GetAttribute("aria-label")} {why}";
    }

    [Theory]
    [InlineData("length=3")]
    [InlineData("length=17")]
    [InlineData("support=very")]
    [InlineData("swaps=0")]
    [InlineData("swaps=9")]
    [InlineData("swaps=1-x")]
    public async Task What_cannot_be_asked_of_a_set_is_refused(string asked)
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Equal(System.Net.HttpStatusCode.BadRequest,
            (await teacher.Get($"/practise/new/{child.Id}?pattern=next-hour&{asked}")).StatusCode);
    }

    [Fact]
    public async Task Three_do_their_sets_on_devices_of_their_own_by_code_and_the_adult_sees_where_each_is_and_takes_one_back()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await using var proxy = await FaultProxy.Start([site.Address], new Random(5));
        var (tablets, children, sets, codes) = (new List<Browser>(), new List<ChildId>(), new List<SetId>(), new List<string>());
        try
        {
            for (var i = 0; i < 3; i++)
            {
                var child = await site.Child(site.A);
                var (set, sitting) = await site.Set(site.A, child.Id, "next-hour");
                var (path, form) = await teacher.Form($"/practise/{set}", "On another device");
                using var shown = await teacher.Post(path, form);
                var code = (await Visitor.Read(shown)).QuerySelector("[data-code]")!.GetAttribute("data-code")!;
                var tablet = new Browser(proxy.Address, 1024, 768);
                ChildAtScreen.Enter(tablet, code);
                (tablets, children, sets, codes) = ([.. tablets, tablet], [.. children, child.Id], [.. sets, set], [.. codes, code]);
            }
            proxy.Share = 0.3;
            for (var place = 0; place < 2; place++)
            {
                foreach (var (tablet, child) in tablets.Zip(children))
                {
                    tablet.Await($"#turn[data-done='{place}'] [data-question]");
                    var item = (await site.Record(site.A, child)).SittingsAsked[0].Questions[place].Asked.Item;
                    ChildAtScreen.Answer(tablet, item, byTouch: true);
                    // Where a reply is lost the set goes on by itself: the answer is kept until it is there.
                    tablet.Await($"[data-on], #turn[data-done='{place + 1}'] [data-question]");
                    if (tablet.Has("[data-on]")) tablet.Tap("[data-on]");
                }
            }
            proxy.Share = 0;
            foreach (var tablet in tablets)
            {
                tablet.Await("#turn[data-done='2'] [data-question]");
                tablet.Await("#waiting[data-waiting='0']");
            }
            foreach (var child in children) Assert.Equal(2, (await site.Record(site.A, child)).Sittings[0].Answered.Count());
            Assert.Contains("2 of 8 done", (await teacher.Page("/practise")).QuerySelector($"[data-waiting-set='{sets[0]}']")!.TextContent,
                StringComparison.Ordinal);
            // A code opens one device, and a set that is taken back opens on none; the others go on.
            await Visitor.AssertSentTo($"/practise/{sets[0]}", await teacher.Send($"/practise/{sets[0]}", "Take it back"));
            Assert.Null((await teacher.Page($"/practise/{sets[0]}")).QuerySelector("[data-on-device]"));
            tablets[0].Open("/turn");
            tablets[0].AwaitPath("/");
            tablets[0].Open("/go");
            tablets[0].Find("#code").SendKeys(codes[0] + OpenQA.Selenium.Keys.Enter);
            tablets[0].AwaitText("does not open anything");
            tablets[1].Reload();
            tablets[1].Await("#turn[data-done='2'] [data-question]");
        }
        finally
        {
            foreach (var tablet in tablets) tablet.Dispose();
        }
    }

    [Fact]
    public async Task On_a_phone_what_is_needed_is_a_line_each_and_its_presses_come_when_it_is_begun()
    {
        await WithTheComingHour();
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA, 390, 844);
        browser.Open("/practise");
        Assert.InRange(browser.Script<long>("return document.querySelector('[data-need=next-hour]').offsetHeight"), 24, 72);
        Assert.False(browser.Find("[data-need=next-hour] .press").Displayed);
        browser.ClickOn("[data-need=next-hour] .need-box");
        browser.ClickOn("[data-need=next-hour] .press");
        browser.AwaitPath("/visits/begin");
    }

    [Fact]
    public async Task Several_children_are_given_sets_with_times_of_their_own_by_three_presses()
    {
        var (each, two) = (await WithTheComingHour(), await WithTheComingHour());
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.NotNull((await teacher.Page("/practise")).QuerySelector("[data-need=next-hour] a[href*=together]"));
        var together = $"/practise/new/{each.Id}?pattern=next-hour&together=true";
        Assert.NotNull((await teacher.Page(together)).QuerySelector($"[name=also][checked][value='{two.Id}']"));
        var (path, fields) = await teacher.Form(together, "Give each");
        await Visitor.AssertSentTo("/practise", await teacher.Post(path, new(fields) { ["also"] = $"{two.Id}" }));
        var sets = new List<IReadOnlyList<ClockTime>>();
        foreach (var child in new[] { each, two })
        {
            var set = Assert.Single(await site.App.InSchool(site.A, connection => Sets.OfChild(connection, child.Id)));
            sets.Add([.. (await site.App.InSchool(site.A, connection => Sets.Items(connection, set.Id))).Select(item => item.Item.Time)]);
        }
        Assert.Empty(sets[0].Intersect(sets[1]));
    }

    [Fact]
    public async Task A_cold_start_is_a_kind_of_its_own_and_its_result_stands_on_the_child_s_page()
    {
        var child = await WithTheComingHour();
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains("Five plain clocks", (await teacher.Page($"/ask/begin/{child.Id}")).Body!.TextContent, StringComparison.Ordinal);
        await teacher.Send($"/ask/begin/{child.Id}", "Begin", new() { ["plan"] = $"{Plan.ColdStart}" });
        var sitting = (await site.Record(site.A, child.Id)).Child.OpenAsking!.Value;
        var asked = (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting];
        var held = HeldPattern.Plain(site.Model, Catalogue.Find("next-hour")!);
        Assert.Equal(ColdStart.Telling, asked.Count(each => held.IsTelling(each.Item)));
        Assert.All(asked, each => Assert.Equal(Support.Bare, each.Support));
        // The first two of the telling ones as before, the others rightly.
        foreach (var (known, place) in asked.Select((each, place) => (each, place)))
        {
            var answer = place < 2 ? held.AnswerTo(known.Item) : known.Item.Right;
            await site.App.InSchool(site.A, connection => new Asking(site.Model, TimeProvider.System)
                .Answer(connection, sitting,
                new Submission(Guid.NewGuid(), known.Place, answer.Short(Wording.Usual), known.Item.Task.Aloud, null), null));
        }
        Assert.Equal([(2, 4)], (await site.Record(site.A, child.Id)).Work.CourseOf(held.Pattern).Colds.Select(cold =>
            (cold.Right, cold.Telling.Count)));
        Assert.Matches("2 of 4 right", (await teacher.Page($"/children/{child.Id}")).QuerySelector("[data-cold-starts]")!.TextContent);
    }

    [Fact]
    public async Task Without_a_pattern_to_work_on_there_is_no_cold_start()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.DoesNotContain("A cold start", (await teacher.Page($"/ask/begin/{child.Id}")).Body!.TextContent, StringComparison.Ordinal);
        var sitting = await site.Sitting(site.A, child.Id, new AskingOptions(Plan.ColdStart));
        Assert.Equal(Plan.Adaptive, (await site.Now(site.A, sitting)).Plan);
    }

    /// <summary>A child who was asked a clock ten times and took the coming hour.</summary>
    private async Task<Child> WithTheComingHour()
    {
        var child = await site.Child(site.A);
        await site.App.InSchool(site.A, async connection =>
        {
            var asking = new Asking(site.Model, TimeProvider.System);
            await Children.Teach(connection, child.Id, child.Stage, [ClockTasks.ReadDigital.Id], new Dictionary<string, string>());
            var sitting = (await asking.Start(connection, child.Id))!.Value;
            for (var place = 1; place <= 10; place++)
            {
                var time = (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(asked => asked.Place == place).Item.Time;
                var read = time.Minute == 0 ? time : time.Plus(60);
                await asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, $"{read}", AnswerMode.Said, null), null);
            }
            await asking.Stop(connection, sitting);
            await Children.Teach(connection, child.Id, child.Stage, null, new Dictionary<string, string>());
        });
        return child;
    }
}
