using System.Net;
using OpenQA.Selenium;
using Umbick.Casework;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>A second adult's device at a visit: it asks, is let in on the first, and writes in that visit until it is over.</summary>
public sealed class SecondAdultTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Two_adults_go_through_a_visit_together_with_reloads_and_a_lost_connection()
    {
        var (visit, children) = await site.Visit(site.A, 2);
        using var first = Browser.SignedIn(site.Address, site.TeacherOfA);
        first.Open($"/visits/{visit}");
        first.Click("Another device");
        using var second = new Browser(site.Address, 1024, 768);
        second.Open("/go");
        second.Find("#code").SendKeys(first.Find("[data-code]").GetAttribute("data-code") + Keys.Enter);
        second.AwaitPath("/screen");
        second.Click("join this visit");
        var number = second.Find("[data-waits]").GetAttribute("data-waits");
        second.Reload();
        second.Await($"[data-waits='{number}']");
        Assert.Empty(second.Axe());
        first.Await($"[data-asks='{number}']");
        first.Await("[data-code][hidden]");
        Assert.Empty(first.Axe());
        first.DoubleClick("[data-let-in]", 30);
        first.Await($"[data-second='{number}']");
        second.AwaitPath("/beside");

        // One child answers here, the other there; each page then shows both, and the next face.
        second.Click("No clock here");
        first.Await("[data-part=cold][data-place='1'] [data-box]:focus");
        Type(second, children[0], "4:00");
        second.Await($"[data-box='{children[0]}'][data-kept='4:00']");
        first.Await($"[data-box='{children[0]}'][data-kept='4:00']");
        Type(first, children[1], "4:05");
        first.Await("[data-place='2'] [data-box]:focus");
        second.Await("[data-place='2']");
        Assert.Empty(second.Axe());

        // What is being typed is not swept away, and is kept for the clock that it was typed for.
        second.Find($"[data-box='{children[0]}']").SendKeys("11:1");
        first.Click("Leave this one out");
        second.AwaitText("The other device has gone on.");
        second.Find($"[data-box='{children[0]}']").SendKeys("5");
        second.Click("Keep them all");
        second.Await("[data-place='3'] [data-box]:focus");

        second.Network(offline: true);
        Type(second, children[1], "1:15");
        second.Await("[data-waiting='1']");
        Type(first, children[0], "1:10");
        first.Await($"[data-box='{children[0]}'][data-kept='1:10']");
        second.Network(offline: false);
        first.Await("[data-place='4']");
        second.Await("[data-place='4']");
        second.Reload();
        second.Await("[data-place='4'] [data-box]");

        first.Click("Stop here");
        second.Await("[data-over]");
        Assert.DoesNotContain((await site.Record(site.A, children[0])).Child.Alias, second.Text, StringComparison.Ordinal);
        var at = (await site.App.InSchool(site.A, connection => VisitState.Load(connection, visit)))!;
        Assert.Equal([(1, "4:00"), (2, "11:15"), (3, "1:10")], Kept(at.Children[0]));
        Assert.Equal([(1, "4:05"), (3, "1:15")], Kept(at.Children[1]));
    }

    private static void Type(Browser browser, ChildId child, string text)
    {
        browser.Find($"[data-box='{child}']").SendKeys(text);
        browser.Click("Keep them all");
    }

    private static IEnumerable<(int, string)> Kept(ChildInVisit child) =>
        child.Cold!.Answered.Select(question => (question.Asked.Place, question.Given!.Raw));

    [Fact]
    public async Task Before_it_is_let_in_after_it_was_taken_out_and_once_the_visit_is_over_nothing_is_written()
    {
        var (visit, children) = await site.Visit(site.A, 1);
        var (other, others) = await site.Visit(site.A, 1);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        using var device = await At(teacher, visit);
        await Visitor.AssertSentTo("/screen", await device.Get("/beside"));
        Assert.Equal(HttpStatusCode.NotFound, (await Answer(device, children[0], 1)).StatusCode);
        await Visitor.AssertSentTo("/screen", await device.Send("/screen", "join this visit"));
        Assert.Equal(HttpStatusCode.NotFound, (await Answer(device, children[0], 1)).StatusCode);

        await LetIn(teacher, visit);
        await Visitor.AssertSentTo("/beside", await device.Get("/screen"));
        Assert.Equal(HttpStatusCode.OK, (await Answer(device, children[0], 1)).StatusCode);
        // Another visit's child is not in this one, and no other page opens.
        Assert.Equal(HttpStatusCode.NotFound, (await Answer(device, others[0], 1)).StatusCode);
        foreach (var path in new[] { $"/visits/{visit}", $"/visits/{other}", $"/children/{children[0]}", "/day", "/practise" })
            Assert.Equal(HttpStatusCode.Redirect, (await device.Get(path)).StatusCode);
        // It neither ends the visit nor lets another in.
        var page = await device.Page("/beside");
        Assert.Empty(page.QuerySelectorAll("[data-stop], [data-let-in], [action*=code]"));
        foreach (var handler in new[] { "stop", "letIn", "takeOut", "code" })
            Assert.Equal(HttpStatusCode.NotFound, (await Post(device, handler, [])).StatusCode);

        await teacher.Send($"/visits/{visit}", "Take it out");
        Assert.Equal(HttpStatusCode.Redirect, (await device.Get("/beside")).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await Post(device, "on", [])).StatusCode);

        using var again = await At(teacher, visit);
        await again.Send("/screen", "join this visit");
        await LetIn(teacher, visit);
        await teacher.Send($"/visits/{visit}", "Stop here");
        Assert.NotNull((await again.Page("/beside")).QuerySelector("[data-over]"));
        Assert.Equal(HttpStatusCode.NotFound, (await Post(again, "note",
            new() { ["child"] = $"{children[0]}", ["note"] = "went-well", ["holds"] = "true" })).StatusCode);
        Assert.Single((await Load(visit)).Children[0].Cold!.Answered);
        Assert.Empty((await Load(other)).Children[0].Cold!.Answered);
    }

    [Fact]
    public async Task One_is_in_at_a_time_a_screen_beside_it_goes_on_and_whoever_let_it_in_answers_for_it()
    {
        var (visit, children) = await site.Visit(site.A, 1);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        using var one = await At(teacher, visit);
        await one.Send("/screen", "join this visit");
        await LetIn(teacher, visit);
        using var screen = await At(teacher, visit);
        await Visitor.AssertSentTo("/beside", await one.Get("/screen"));
        Assert.Equal(HttpStatusCode.OK, (await screen.Get("/screen")).StatusCode);
        await Answer(one, children[0], 1);
        var by = await site.App.InSchool(site.A, connection => connection.ExecuteScalarAsync<Guid>(
            "select given_by from answer join sitting on sitting.id = answer.sitting where visit = @visit", new { visit }));
        Assert.Equal((await site.App.InSchool(site.A, connection => connection.ExecuteScalarAsync<Guid>(
            "select let_in_by from session where let_in_at is not null and ended_at is null and sitting in "
                + "(select id from sitting where visit = @visit)", new { visit }))), by);

        await screen.Send("/screen", "join this visit");
        await LetIn(teacher, visit);
        await Visitor.AssertSentTo("/beside", await screen.Get("/screen"));
        Assert.Equal(HttpStatusCode.Redirect, (await one.Get("/beside")).StatusCode);
        Assert.Single((await teacher.Page($"/visits/{visit}")).QuerySelectorAll("[data-second]"));
    }

    /// <summary>A device that a code has opened at a visit.</summary>
    private async Task<Visitor> At(Visitor teacher, VisitId visit)
    {
        var made = await Visitor.Read(await teacher.Send($"/visits/{visit}", "Another device"));
        var device = new Visitor(site);
        await device.Send("/go", "Begin", new() { ["code"] = made.QuerySelector("[data-code]")!.GetAttribute("data-code")! });
        return device;
    }

    private static async Task LetIn(Visitor teacher, VisitId visit)
    {
        var number = (await teacher.Page($"/visits/{visit}")).QuerySelector("[data-asks]")!.GetAttribute("data-asks");
        await teacher.Send($"/visits/{visit}", $"Let {number} in");
    }

    private static Task<HttpResponseMessage> Answer(Visitor device, ChildId child, int place) => Post(device, "answer",
        new()
        {
            ["child"] = $"{child}",
            ["part"] = "Cold",
            ["place"] = $"{place}",
            ["raw"] = "4:00",
            ["answer"] = $"{Guid.NewGuid()}"
        });

    private static async Task<HttpResponseMessage> Post(Visitor device, string handler, Dictionary<string, string> fields)
    {
        fields["__RequestVerificationToken"] = await (await device.Get("/turn?handler=token")).Content.ReadAsStringAsync();
        return await device.Swap($"/beside?handler={handler}", fields);
    }

    private async Task<VisitState> Load(VisitId visit) =>
        (await site.App.InSchool(site.A, connection => VisitState.Load(connection, visit)))!;
}
