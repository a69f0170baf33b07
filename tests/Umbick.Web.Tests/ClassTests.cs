using System.Net;
using OpenQA.Selenium;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>A class screened from paper.</summary>
public sealed class ClassTests(Site site) : IClassFixture<Site>
{
    private const int Children = 30;

    [Fact]
    public async Task Thirty_children_are_entered_with_few_keys_and_half_entered_work_survives_a_closed_browser()
    {
        var id = await Start(Children);
        var items = await Items(id);
        var keys = 0;
        using (var browser = Browser.SignedIn(site.Address, site.TeacherOfA))
        {
            browser.Open($"/classes/{id}/grid");
            browser.Focus("[data-place]");
            keys += Enter(browser, items, 0, Children / 2);
            browser.AwaitText($"{Children / 2 * items.Count} kept");
        }
        using (var browser = Browser.SignedIn(site.Address, site.TeacherOfA))
        {
            browser.Open($"/classes/{id}/grid");
            browser.AwaitText($"{Children / 2 * items.Count} kept of {Children * items.Count}");
            browser.Focus($"tr:nth-child({(Children / 2) + 1}) [data-place]");
            keys += Enter(browser, items, Children / 2, Children);
            browser.AwaitText($"{Children * items.Count} kept");
            browser.Click("Keep all, and sort the class");
            browser.Await("[data-group=Secure]");
            Assert.Equal(Children - (Children / 3), browser.Count("[data-group=Secure] [data-child]"));
            Assert.Equal(Children / 3, browser.Count("[data-group=Join] [data-child]"));
            // A third of the class takes the coming hour: five keys an answer of answered at most, one for a right one.
            Assert.InRange(keys, Children * items.Count, Children * items.Count * 3);
            TestContext.Current.SendDiagnosticMessage($"{keys} keys for {Children * items.Count} answers");

            var joins = browser.Find("[data-group=Join] [data-child]").GetAttribute("data-child")!;
            browser.Click($"Take {joins} in");
            browser.Await($"[data-group=Join] [data-child='{joins}'] a[href^='/children/']");
            browser.ClickOn("[data-take-all-in]");
            browser.AwaitGone("[data-take-all-in]");
            Assert.Equal(Children / 3, browser.Count("[data-group=Join] [data-child] a[href^='/children/']"));
            browser.Open("/children");
            browser.AwaitText(joins);
        }
    }

    [Fact]
    public async Task Without_script_the_grid_is_kept_as_a_whole()
    {
        var id = await Start(2);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (_, fields) = await teacher.Form($"/classes/{id}/grid", "Keep all");
        var boxes = fields.Keys.Where(name => name.StartsWith("a-", StringComparison.Ordinal)).ToList();
        fields[boxes[0]] = "4:12";
        fields[boxes[1]] = new string('8', 500);
        // What is not kept is told, and stands in its box.
        var answer = await teacher.Post($"/classes/{id}/grid", fields);
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains("this one has 500", (await Visitor.Read(answer)).QuerySelector("[data-not-kept]")!.TextContent,
            StringComparison.Ordinal);
        var (_, after) = await teacher.Form($"/classes/{id}/grid", "Keep all");
        Assert.Equal("4:12", after[boxes[0]]);
        Assert.Equal("", after[boxes[1]]);

        // Another typed into the same box meanwhile: the page is old, and the answer that differs is not dropped in silence.
        after[boxes[0]] = "4:20";
        after[$"s-{boxes[0][2..]}"] = "";
        var late = await teacher.Post($"/classes/{id}/grid", after);
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        var old = await Visitor.Read(late);
        Assert.Contains("“4:20” was not kept", old.QuerySelector("[data-not-kept]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("4:20", old.QuerySelector($"[name='{boxes[0]}']")!.GetAttribute("value"));
        var (_, again) = await teacher.Form($"/classes/{id}/grid", "Keep all");
        again[boxes[0]] = "4:20";
        await Visitor.AssertSentTo($"/classes/{id}", await teacher.Post($"/classes/{id}/grid", again));

        // An assistant sees that the box is filled, and not with what; sent as it stands, it changes nothing.
        using var assistant = await Visitor.AssistantOf(site, site.A);
        Assert.DoesNotContain("4:20", (await assistant.Page($"/classes/{id}/grid")).QuerySelector("[data-grid]")!.InnerHtml,
            StringComparison.Ordinal);
        var (_, seen) = await assistant.Form($"/classes/{id}/grid", "Keep all");
        Assert.Equal("•", seen[boxes[0]]);
        await Visitor.AssertSentTo($"/classes/{id}/grid", await assistant.Post($"/classes/{id}/grid", seen));
        Assert.Equal("4:20", (await teacher.Form($"/classes/{id}/grid", "Keep all")).Fields[boxes[0]]);
    }

    [Theory]
    [InlineData("", "Class", "one a line")]
    [InlineData("Kelp\nKelp", "Class", "stands twice")]
    [InlineData("Kelp", "", "Give the class a name")]
    public async Task A_list_that_cannot_be_taken_is_told_plainly_and_kept(string aliases, string title, string told)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = await teacher.Send("/classes", "Make the form", new() { ["aliases"] = aliases, ["title"] = title, ["stage"] = "9" });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var page = await Visitor.Read(answer);
        Assert.Contains(told, page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(aliases, page.QuerySelector("textarea")!.TextContent);
    }

    [Fact]
    public async Task Another_school_s_class_is_not_there()
    {
        var id = await Start(1);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        foreach (var path in new[] { $"/classes/{id}", $"/classes/{id}/grid" })
            Assert.Equal(HttpStatusCode.NotFound, (await other.Get(path)).StatusCode);
    }

    [Fact]
    public async Task A_child_of_the_class_answers_the_form_on_a_screen()
    {
        var id = await Start(1);
        var found = (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, id)))!;
        var sitting = found.Children[0].Sitting.Sitting.Id;
        using var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        for (var done = 0; done < found.Items.Count; done++)
        {
            tablet.Await($"#turn[data-done='{done}'] [data-question]");
            ChildAtScreen.Answer(tablet, found.Items[done], byTouch: true);
        }
        ChildAtScreen.AwaitFinished(tablet);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains($"{found.Items.Count} of {found.Items.Count} right", (await teacher.Page($"/classes/{id}")).Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task Codes_for_a_class_open_each_child_s_own_form()
    {
        var id = await Start(3);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await Visitor.Read(await teacher.Send($"/classes/{id}", "Codes for screens"));
        var codes = page.QuerySelectorAll("[data-child]").ToDictionary(row => row.GetAttribute("data-child")!,
            row => row.QuerySelector("[data-code]")!.GetAttribute("data-code")!);
        Assert.Equal(3, codes.Values.Distinct().Count());
        var (alias, code) = codes.Last();
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = code });
        await tablet.Send("/turn", "Done", new() { ["raw"] = "4:12" });
        var found = (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, id)))!;
        Assert.Equal([alias], found.Children.Where(child => child.Sitting.Answered.Any()).Select(child => child.Child.Alias));
    }

    private int Enter(Browser browser, IReadOnlyList<Item> items, int from, int to)
    {
        var keys = 0;
        for (var child = from; child < to; child++)
        {
            // The pages' own keys: the mark for right goes on by itself, everything else is ended with Enter.
            var simulated = site.Simulated("next-hour");
            var row = string.Concat(items.Select(item =>
            {
                if (child % 3 != 0) return ".";
                var answered = simulated.Answer(item, AnswerMode.Written);
                return AnswerParser.Parse(answered).Equals(item.Right) ? "."
                    : answered.Replace(":", "", StringComparison.Ordinal) + Keys.Enter;
            }));
            browser.Type(row);
            keys += row.Length;
        }
        browser.Script<object?>("document.activeElement.blur()");
        return keys;
    }

    private async Task<ScreeningId> Start(int children)
    {
        var aliases = Enumerable.Range(1, children).Select(i => $"Pupil {i} {Guid.NewGuid():N}"[..18]).ToList();
        return await site.Class(site.A, Stage.FiveMinutesTo, [.. aliases]);
    }

    private async Task<IReadOnlyList<Item>> Items(ScreeningId id) =>
        (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, id)))!.Items;
}
