using OpenQA.Selenium;
using Umbick.Casework;
using Umbick.Core.Patterns;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// A visit in a real browser: by script with three children, typed without looking, with the connection gone, and without scripts.
/// </summary>
public sealed class VisitTests(Site site) : IClassFixture<Site>
{
    private const int ColdItems = 5;
    private const int Practised = 4;
    private const int MostPresses = 45;

    [Fact]
    public async Task With_three_children_nothing_is_typed_but_answers_and_few_presses_are_made()
    {
        var children = new List<Child>();
        for (var i = 0; i < 3; i++) children.Add(await site.Child(site.A));
        var read = children.Select((_, i) => site.Simulated(i == 0 ? ["next-hour"] : [])).ToList();
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/visits/begin?pattern=next-hour&{string.Join('&', children.Select(child => $"child={child.Id}"))}");
        var presses = 0;
        Press("main form button");
        browser.Await("[data-part=room] [data-box]:focus");
        browser.Type(string.Concat(children.Select(_ => "quarter past 9" + Keys.Enter)));
        for (var place = 1; place <= ColdItems; place++) await Answer("cold", place);
        browser.Await("[data-part=show] [data-go-on]");
        var positions = browser.Count("[data-position]");
        for (var i = 0; i < 3 * positions && browser.Find("[data-go-on]").Text != "Once more from the start"; i++) Press("[data-go-on]");
        Assert.False(browser.Has("[data-own-turn][hidden]"));
        Press("[data-shown]");
        for (var place = 1; place <= Practised; place++)
        {
            await Answer("practise", place);
            browser.Await("[data-came]");
            foreach (var wrong in browser.Script<IReadOnlyCollection<object>>(
                "return [...document.querySelectorAll('[data-came][data-right=no]')].map(one => one.dataset.came)").Cast<string>())
            {
                Press($"[data-came='{wrong}'] [data-rung=hand-named]");
                browser.Await($"[data-came='{wrong}'] [data-rung=hand-named][aria-pressed=true]");
            }
            Press("[data-next]");
        }
        await Answer("close", Practised + 1);
        browser.Await("[data-came]");
        Press("[data-next]");
        browser.Await("[data-over]");
        Press($"[data-over-of='{children[0].Alias}'] [data-note=went-well]");
        browser.Await("[data-note=went-well][aria-pressed=true]");
        TestContext.Current.SendDiagnosticMessage($"{presses} presses, {positions} positions");
        Assert.True(presses <= MostPresses, $"{presses} presses");
        Assert.Contains("Next time begin with “look again”.", browser.Find($"[data-over-of='{children[0].Alias}'] [data-next-rung]").Text,
            StringComparison.Ordinal);
        Assert.Contains("No help is needed", browser.Find($"[data-over-of='{children[1].Alias}'] [data-next-rung]").Text,
            StringComparison.Ordinal);

        browser.Open($"/children/{children[0].Id}");
        Assert.Contains("name the hand", browser.Find("[data-help-taken]").Text, StringComparison.Ordinal);
        Assert.Contains("of 4 right", browser.Find("[data-cold-starts]").Text, StringComparison.Ordinal);
        Assert.Contains("it was not", browser.Find("[data-demonstrated]").Text, StringComparison.Ordinal);
        Assert.Contains("went well", browser.Find("[data-visits]").Text, StringComparison.Ordinal);
        Assert.Contains("quarter past 9", browser.Find("[data-visits]").Text, StringComparison.Ordinal);

        void Press(string css)
        {
            browser.ClickOn(css);
            presses++;
        }

        async Task Answer(string part, int place)
        {
            browser.Await($"[data-part={part}][data-place='{place}'] [data-box]:focus");
            var item = (await At(browser)).Asked!.Item;
            foreach (var alias in browser.Script<IReadOnlyCollection<object>>(
                "return [...document.querySelectorAll('[data-box-of]')].map(one => one.dataset.boxOf)").Cast<string>().ToList())
                browser.Type(read[children.FindIndex(child => child.Alias == alias)].Answer(item, item.Task.Aloud) + Keys.Enter);
        }
    }

    [Theory]
    [InlineData(1)]
    [InlineData(10)]
    [InlineData(60)]
    public async Task Typed_without_looking_every_answer_is_for_the_face_that_it_was_meant_for(int pace)
    {
        var (browser, child, visit) = await Begun();
        using (browser)
        {
            browser.Await("[data-box]:focus");
            // As quickly as keys can come: most of them while a face changes.
            browser.TypeBlind("9:05" + Keys.Enter + "1:01" + Keys.Enter + ".3:33" + Keys.Enter + ".", pace);
            browser.Await("[data-part=cold][data-place='5'] [data-box]:focus");
            var cold = (await Load(visit)).Children[0].Cold!;
            Assert.Equal(["1:01", ".", "3:33", "."], cold.Answered.Select(question => question.Given!.Raw));
            Assert.Equal("9:05", (await site.App.InSchool(site.A, connection => Store.Visits.RoomClockOf(connection, child)))[0].Raw);
        }
    }

    [Fact]
    public async Task What_cannot_be_read_stays_in_its_box_what_was_typed_on_is_told_and_sent_again_it_is_kept_so()
    {
        var (browser, _, visit) = await Begun();
        using (browser)
        {
            browser.Click("No clock here");
            browser.Await("[data-part=cold] [data-box]:focus");
            browser.Type("fishcakes" + Keys.Enter);
            browser.Await("[data-box-told]:not([hidden])");
            Assert.Equal("fishcakes", browser.Find("[data-box]").GetAttribute("value"));
            Assert.Contains("cannot be read", browser.Find("[data-box-told]").Text, StringComparison.Ordinal);
            Assert.Empty((await Load(visit)).Children[0].Cold!.Answered);
            browser.Await("[data-box]:focus");
            browser.Type(Keys.Enter);
            browser.Await("[data-place='2'] [data-box]:focus");
            Assert.Equal("fishcakes", Assert.Single((await Load(visit)).Children[0].Cold!.Answered).Given!.Raw);
        }
    }

    [Fact]
    public async Task Without_a_connection_answers_wait_and_are_kept_once()
    {
        var (browser, _, visit) = await Begun();
        using (browser)
        {
            browser.Click("No clock here");
            browser.Await("[data-part=cold] [data-box]:focus");
            browser.Network(offline: true);
            browser.Type("4:00" + Keys.Enter);
            browser.Await(".notices [data-waiting='1'], [data-waiting='1']");
            browser.Type(Keys.Enter);
            browser.Network(offline: false);
            browser.Await("[data-place='2'] [data-box]:focus");
            Assert.Equal("4:00", Assert.Single((await Load(visit)).Children[0].Cold!.Answered).Given!.Raw);
        }
    }

    /// <summary>The children see the adult's screen too.</summary>
    [Fact]
    public async Task What_gives_the_answer_away_is_folded_until_a_key_shows_it_and_stays_as_it_was()
    {
        var (browser, _, _) = await Begun();
        using (browser)
        {
            browser.Click("No clock here");
            browser.Await("[data-place='1'] [data-box]:focus");
            Assert.False(browser.Find("[data-put]").Displayed);
            browser.Type(Keys.F2);
            browser.Await("#visit[data-open] [data-fold][aria-expanded=true]");
            Assert.True(browser.Find("[data-put]").Displayed);
            browser.Type("4:00" + Keys.Enter);
            browser.Await("#visit[data-open][data-place='2'] [data-box]:focus");
            browser.ClickOn("[data-fold]");
            browser.Await("#visit:not([data-open]) [data-fold][aria-expanded=false]");
        }
    }

    [Fact]
    public async Task A_second_screen_shows_this_visit_s_clock_follows_it_and_writes_nothing()
    {
        var (browser, child, visit) = await Begun();
        using (browser)
        {
            browser.Click("Another device");
            var code = browser.Find("[data-code]").GetAttribute("data-code")!;
            using var screen = new Browser(site.Address, 1024, 768);
            screen.Open("/go");
            screen.Find("#code").SendKeys(code + Keys.Enter);
            screen.AwaitPath("/screen");
            screen.AwaitText("the clock on the wall");
            browser.Click("No clock here");
            screen.Await("[data-screen='Cold-1-False'] svg");
            browser.Await("[data-place='1'] [data-box]:focus");
            browser.Type("4:00" + Keys.Enter);
            screen.Await("[data-screen='Cold-2-False']");
            // The connection goes and comes, and the page is opened anew: it is where the visit is.
            screen.Network(offline: true);
            browser.Await("[data-place='2'] [data-box]:focus");
            browser.Type("." + Keys.Enter);
            browser.Await("[data-place='3'] [data-box]:focus");
            screen.Network(offline: false);
            screen.Await("[data-screen='Cold-3-False']");
            screen.Open("/turn");
            screen.AwaitPath("/screen");
            // Nothing can be answered from it, by whatever it is sent.
            var token = screen.Fetch("/turn?handler=token");
            Assert.Equal(404, screen.Script<long>("const sent = new XMLHttpRequest(); sent.open('POST', '/turn?handler=answer', false); "
                + "sent.setRequestHeader('Content-Type', 'application/x-www-form-urlencoded'); "
                + $"sent.send('__RequestVerificationToken={Uri.EscapeDataString(token)}&answer={Guid.NewGuid()}&place=3&raw=4:00'); "
                + "return sent.status;"));
            Assert.Equal(2, (await Load(visit)).Children[0].Cold!.Answered.Count());
            // The code opens one screen.
            using var other = new Browser(site.Address, 1024, 768);
            other.Open("/go");
            other.Find("#code").SendKeys(code + Keys.Enter);
            other.AwaitText("does not open anything");
            browser.Click("Stop here");
            screen.AwaitText("That is all for now.");
            Assert.DoesNotContain((await site.Record(site.A, child)).Child.Alias, screen.Source, StringComparison.Ordinal);
        }
    }

    /// <summary>
    /// Answers are lost, arrive twice, meet a session that is over or a fault, and their replies are lost after the commit.
    /// </summary>
    [Theory]
    [InlineData(3)]
    [InlineData(4)]
    public async Task Through_a_faulty_network_each_answer_is_kept_once_at_its_face(int seed)
    {
        var (visit, children) = await site.Visit(site.A, 2);
        await using var proxy = await FaultProxy.Start([site.Address], new Random(seed));
        using var browser = Browser.SignedIn(proxy.Address, site.TeacherOfA);
        browser.Open($"/visits/{visit}");
        browser.Click("No clock here");
        proxy.Share = 0.4;
        for (var place = 1; place <= ColdItems; place++)
        {
            browser.Await($"[data-part=cold][data-place='{place}'] [data-box]:focus");
            foreach (var turn in new[] { 1, 2 }) browser.Type($"{place}:{turn}0{Keys.Enter}");
        }
        browser.Await("[data-part=show]");
        Assert.True(proxy.Counted.Values.Sum() > 2, "nothing went wrong");
        var at = await Load(visit);
        foreach (var (child, turn) in at.Children.Select((child, turn) => (child, turn + 1)))
            Assert.Equal(Enumerable.Range(1, ColdItems).Select(place => $"{place}:{turn}0"),
                child.Cold!.Answered.Select(question => question.Given!.Raw));
        Assert.Equal(2 * ColdItems,
            (await site.App.InSchool(site.A,
                connection => Sittings.AnswersIn(connection, at.Children.Select(child => child.Cold!.Sitting.Id))))
                    .Sum(answers => answers.Count()));
    }

    [Fact]
    public async Task What_looks_copied_is_asked_about_and_noted_by_one_press()
    {
        var (browser, visit, _) = await BegunTogether(2);
        using (browser)
        {
            browser.Click("No clock here");
            browser.Await("[data-part=cold] [data-box]:focus");
            browser.Type("8:11" + Keys.Enter + "8:11" + Keys.Enter);
            browser.Await("[data-place='2'] [data-copied]");
            Assert.Equal(2, browser.Count("[data-copied-note]"));
            browser.ClickOn("[data-copied-note]");
            browser.AwaitText("noted as copied");
            Assert.Equal("copied", (await Load(visit)).Children[0].At(VisitPart.Cold, 1)!.Given!.How);
        }
    }

    [Fact]
    public async Task Without_scripts_all_boxes_are_sent_by_the_form()
    {
        var (browser, visit, children) = await BegunTogether(2);
        browser.Dispose();
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await teacher.Send($"/visits/{visit}", "No clock here");
        await teacher.Send($"/visits/{visit}", "Keep them all",
            new() { [$"raw-{children[0]}"] = "4:00", [$"raw-{children[1]}"] = "half past 4" });
        var at = await Load(visit);
        Assert.Equal((VisitPart.Cold, 2), (at.Visit.Part, at.Visit.Place));
        Assert.Equal(["4:00", "half past 4"], at.Children.Select(child => child.At(VisitPart.Cold, 1)!.Given!.Raw));
        // Gone back to, a box left as it is is no new answer, and one typed over puts it right.
        await teacher.Send($"/visits/{visit}", "One back");
        await teacher.Send($"/visits/{visit}", "Keep them all", new() { [$"raw-{children[1]}"] = "4:30" });
        var sittings = (await Load(visit)).Children.Select(child => child.Cold!.Sitting.Id).ToList();
        var rows = await Task.WhenAll(
            sittings.Select(sitting => site.App.InSchool(site.A, connection => Sittings.Rows(connection, sitting))));
        Assert.Equal([1, 2], rows.Select(row => row.Answers.Count));
        await teacher.Send($"/visits/{visit}", "Stop here");
        Assert.NotNull((await Load(visit)).Visit.EndedAt);
    }

    [Fact]
    public async Task A_sitting_of_a_visit_leads_to_the_visit_and_what_was_seen_before_is_only_called_to_mind()
    {
        var (browser, child, visit) = await Begun();
        using (browser)
        {
            browser.Open($"/ask/{(await Load(visit)).Children[0].Cold!.Sitting.Id}");
            browser.AwaitPath($"/visits/{visit}");
            browser.Open("/practise");
            browser.Await($"[data-open-visit='{visit}']");
            await site.App.InSchool(site.A, async connection =>
            {
                await Demonstrated.Keep(connection, Guid.NewGuid(), child, "next-hour", "has-it-arrived", Guid.NewGuid(), DateTime.UtcNow);
                await Store.Visits.MoveTo(connection, visit, VisitPart.Show, 1);
            });
            browser.Open($"/visits/{visit}");
            browser.AwaitText("Seen before");
            Assert.Equal(Core.Teaching.Demonstration.Find("has-it-arrived")!.Positions.Count(position => position.IsContrast),
                browser.Count("[data-position]"));
        }
    }

    [Fact]
    public async Task Three_cold_starts_without_success_offer_another_demonstration_and_a_showing_can_be_taken_back()
    {
        var child = (await site.Child(site.A)).Id;
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        for (var before = 0; before < 4; before++)
        {
            Assert.Null((await teacher.Page(Begin())).QuerySelector("[data-change-approach]"));
            await ColdStart(child, "8:11");
        }
        var page = await teacher.Page(Begin());
        Assert.NotNull(page.QuerySelector("[data-change-approach]"));
        Assert.NotEqual("has-it-arrived", page.QuerySelector("[name=show][checked]")!.GetAttribute("value"));
        Assert.NotNull((await teacher.Page($"/children/{child}")).QuerySelector("[data-offer=change-approach]"));

        await teacher.Send($"/children/{child}", "it was not");
        Assert.Equal(3, (await site.App.InSchool(site.A, connection => Demonstrated.To(connection, child))).Count);

        string Begin() => $"/visits/begin?pattern=next-hour&child={child}";
    }

    /// <summary>A visit that is stopped once the idea has been shown, with this answer to all that tells.</summary>
    private async Task ColdStart(ChildId child, string raw)
    {
        var visit = Guid.NewGuid();
        await site.App.InSchool(site.A, async connection =>
        {
            await site.Visiting.Begin(connection, visit, Catalogue.Find("next-hour")!, [child], "has-it-arrived", Guid.NewGuid());
            await site.Visiting.GoOn(connection, visit, VisitPart.Room, 1, null, Guid.NewGuid());
            for (var place = 1; place <= ColdItems; place++)
                await site.Visiting.Answer(connection, visit, child, VisitPart.Cold,
                    new Submission(Guid.NewGuid(), place, raw, Core.Items.AnswerMode.Said, null), Guid.NewGuid());
            await site.Visiting.GoOn(connection, visit, VisitPart.Show, 1, Core.Teaching.Demonstration.Find("has-it-arrived"),
                Guid.NewGuid());
            await site.Visiting.Stop(connection, visit);
        });
    }

    private async Task<(Browser Browser, ChildId Child, VisitId Visit)> Begun() => await BegunTogether(1) is var (browser, visit, children)
        ? (browser, children[0], visit) : default;

    private async Task<(Browser Browser, VisitId Visit, IReadOnlyList<ChildId> Children)> BegunTogether(int count)
    {
        var (visit, children) = await site.Visit(site.A, count);
        var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/visits/{visit}");
        return (browser, visit, children);
    }

    private Task<VisitState> At(Browser browser) => Load(VisitId.Parse(browser.Path.Split('/')[^1]));

    private async Task<VisitState> Load(VisitId visit) =>
        (await site.App.InSchool(site.A, connection => VisitState.Load(connection, visit)))!;
}
