using System.Net;
using Umbick.Casework;
using Umbick.Core.Patterns;

namespace Umbick.Web.Tests;

/// <summary>
/// Deciding on the child's page, progress with its figures, every answer of a sitting, the caseload as it is chosen, and a pattern's page.
/// </summary>
public sealed class DecidingPageTests(Site site) : IClassFixture<Site>
{
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;

    [Fact]
    public async Task What_the_cold_starts_suggest_is_taken_by_one_press_and_can_be_taken_back()
    {
        var child = await site.Colds("iiii", "riii", "riii", "iiii");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page($"/children/{child.Id}");
        Assert.Contains("Three cold starts in a row with none or one right",
            page.QuerySelector("[data-offer=change-approach]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("1 of 4 right, 3 its way", page.QuerySelector("[data-cold-starts]")!.TextContent, StringComparison.Ordinal);
        var (_, fields) = await teacher.Form($"/children/{child.Id}", "Change the approach");
        await Visitor.AssertSentTo($"/children/{child.Id}#decided",
            await teacher.Send($"/children/{child.Id}", "Change the approach", new() { ["taken"] = "true" }));
        page = await teacher.Page($"/children/{child.Id}");
        Assert.Null(page.QuerySelector("[data-offer]"));
        Assert.Contains("approach changed", page.QuerySelector("[data-decided]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("0 of 4 on", page.QuerySelector("[data-decided]")!.TextContent, StringComparison.Ordinal);
        // An answer that is put right afterwards changes what follows, and not what was shown then.
        await PutRight(child.Id);
        page = await teacher.Page($"/children/{child.Id}");
        Assert.Contains("1 of 4 right, 3 its way", page.QuerySelector("[data-cold-starts]")!.QuerySelectorAll("tr")[^1].TextContent,
            StringComparison.Ordinal);
        Assert.Contains("0 of 4 on", page.QuerySelector("[data-decided]")!.TextContent, StringComparison.Ordinal);
        // The next visit shows it another way.
        Assert.NotNull((await teacher.Page($"/visits/begin?pattern=next-hour&child={child.Id}")).QuerySelector("[data-change-approach]"));
        // A page that was opened before is told so, and decides nothing.
        var stale = await teacher.Post($"/children/{child.Id}?handler=Decide",
            new(fields) { ["taken"] = "false", ["decision"] = $"{Guid.NewGuid()}" });
        Assert.Contains("Nothing was decided",
            (await teacher.Page(stale.Headers.Location!.ToString())).QuerySelector("[data-stale]")!.TextContent, StringComparison.Ordinal);
        Assert.Single((await site.Record(site.A, child.Id)).Work.Decisions);
        var (back, form) = await teacher.Form($"/children/{child.Id}", "take it back");
        for (var press = 0; press < 2; press++) await Visitor.AssertSentTo($"/children/{child.Id}#decided", await teacher.Post(back, form));
        page = await teacher.Page($"/children/{child.Id}");
        Assert.NotNull(page.QuerySelector("[data-offer=change-approach]"));
        Assert.Contains("taken back", page.QuerySelector("[data-decided]")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_pattern_is_confirmed_or_ruled_out_with_a_reason_and_without_one_nothing_is_kept()
    {
        var child = await site.Colds("iiii");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var refused = await teacher.Send($"/children/{child.Id}", "Rule it out",
            new() { ["pattern"] = "next-hour", ["holds"] = "false", ["reason"] = "  " });
        Assert.Contains("noReason=true", refused.Headers.Location!.ToString(), StringComparison.Ordinal);
        var page = await teacher.Page(refused.Headers.Location.ToString());
        Assert.Contains("Nothing was kept", page.QuerySelector("#say-it [role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Empty((await site.Record(site.A, child.Id)).Work.Decisions);

        await teacher.Send($"/children/{child.Id}", "Rule it out",
            new() { ["pattern"] = "next-hour", ["holds"] = "false", ["reason"] = "<b>a joke</b>" });
        page = await teacher.Page($"/children/{child.Id}");
        Assert.DoesNotContain("hour that is coming", page.QuerySelector("[data-finding]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("ruled out by you (“<b>a joke</b>”)", page.QuerySelector("[data-decision=rule-out]")!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_page_the_table_and_the_file_have_the_same_figures()
    {
        var child = await site.Colds("iiii", "riii", "rrii", "rrri");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page($"/children/{child.Id}/progress");
        Assert.Equal("GettingBetter", page.QuerySelector("h1")!.GetAttribute("data-says"));
        Assert.Contains("0, 1, 2, 3", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(16, page.QuerySelectorAll(".chart circle.mark-right, .chart circle.mark-childs, .chart circle.mark-otherwise").Length);
        var answer = await teacher.Get($"/children/{child.Id}/progress?handler=csv");
        Assert.Equal("text/csv", answer.Content.Headers.ContentType!.MediaType);
        var lines = (await answer.Content.ReadAsStringAsync()).TrimEnd('\n').Split('\n');
        Assert.Equal("day,what,about,value,of", lines[0]);
        Assert.Equal(["0", "1", "2", "3"],
            lines.Where(line => line.Contains(",cold,", StringComparison.Ordinal)).Select(line => line.Split(',')[3]));
        Assert.Equal(lines.Length - 1, page.QuerySelectorAll("table")[0].QuerySelectorAll("tbody tr").Length);
    }

    [Theory]
    [InlineData(8.27, 11.69)]
    [InlineData(8.5, 11)]
    public async Task Progress_prints_on_one_sheet_of_either_paper(double width, double height)
    {
        var child = await site.Colds("iiii", "riii", "rrii", "rrri");
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/children/{child.Id}/progress");
        browser.Await(".chart");
        Assert.Equal(1, browser.PagesPrinted(width, height));
    }

    [Fact]
    public async Task A_cycle_begins_and_ends_with_a_reason()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var refused = await teacher.Send($"/children/{child.Id}/progress", "Begin a cycle", new() { ["reason"] = "", ["weeks"] = "8" });
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("No cycle was begun", (await Visitor.Read(refused)).QuerySelector("[role=alert]")!.TextContent,
            StringComparison.Ordinal);
        await teacher.Send($"/children/{child.Id}/progress", "Begin a cycle", new() { ["reason"] = "class screening", ["weeks"] = "8" });
        Assert.Contains("Form A is due now",
            (await teacher.Page($"/children/{child.Id}/progress")).QuerySelector("[data-cycle=open]")!.TextContent,
            StringComparison.Ordinal);
        // The form is the next thing to do, and one press asks it.
        var page = await teacher.Page($"/children/{child.Id}");
        Assert.Contains("Begin form A", page.Body!.TextContent, StringComparison.Ordinal);
        await teacher.Send($"/children/{child.Id}", "Begin form A");
        Assert.Equal("A", (await site.Record(site.A, child.Id)).SittingsAsked.Single().Sitting.Form);
        await teacher.Send($"/children/{child.Id}/progress", "End it now", new() { ["reason"] = "goal reached" });
        Assert.Contains("goal reached",
            (await teacher.Page($"/children/{child.Id}/progress")).QuerySelector("[data-cycle=ended]")!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_day_of_the_strip_opens_into_every_answer()
    {
        var child = await site.Colds("riii");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var link = (await teacher.Page($"/children/{child.Id}")).QuerySelector("[data-sitting] a")!.GetAttribute("href")!;
        var page = await teacher.Page(link);
        Assert.Equal(5, page.QuerySelectorAll("[data-answer]").Length);
        Assert.Contains("Cold · 2 of 5 answers right", page.Body!.TextContent, StringComparison.Ordinal);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get(link)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound,
            (await teacher.Get($"/children/{(await site.Child(site.A)).Id}/sittings/{link.Split('/')[^1]}")).StatusCode);
    }

    [Fact]
    public async Task The_caseload_is_chosen_by_what_is_waited_for_by_class_and_by_pattern()
    {
        var (deciding, unknown) = (await site.Colds("iiii", "iiii", "riii", "iiii"), await site.Child(site.A));
        await site.App.InSchool(site.A, connection => Store.Children.SetClass(connection, deciding.Id, "Quay class"));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        foreach (var (query, shown, hidden) in new[]
        {
            ("waiting=decision", deciding, unknown), ("waiting=firstAsking", unknown, deciding), ("class=Quay+class", deciding, unknown),
            ("pattern=next-hour", deciding, unknown),
        })
        {
            var page = await teacher.Page($"/children?{query}");
            Assert.NotNull(page.QuerySelector($"[data-child='{shown.Alias}']"));
            Assert.Null(page.QuerySelector($"[data-child='{hidden.Alias}']"));
        }
        Assert.Contains("Change the approach?",
            (await teacher.Page("/children")).QuerySelector($"[data-child='{deciding.Alias}']")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Nobody on the caseload is as chosen", (await teacher.Page("/children?class=Nowhere")).Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_child_who_is_stuck_is_told_of_with_the_clocks_that_stay_wrong_and_with_what_to_ask_after()
    {
        var child = await site.Colds("iiii", "rrii", "rrii", "rrii", "rrii", "rrii", "rrii", "rrii");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page($"/children/{child.Id}");
        var offer = page.QuerySelector("[data-offer=change-approach]")!;
        Assert.Contains("Stuck at 2 of 4", offer.TextContent, StringComparison.Ordinal);
        Assert.StartsWith("Wrong ", offer.QuerySelector("[data-stays-wrong]")!.TextContent.Trim(), StringComparison.Ordinal);
        Assert.Equal(4, page.QuerySelectorAll("[data-ask-after]").Length);
    }

    [Fact]
    public async Task A_pattern_s_page_shows_it_tells_it_apart_and_says_who_has_it()
    {
        var child = await site.Colds("iiii", "iiii");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        foreach (var pattern in Catalogue.All)
        {
            var page = await teacher.Page($"/patterns/{pattern.Id}");
            Assert.NotEmpty(page.QuerySelectorAll("[data-showing] svg"));
            Assert.Equal(page.QuerySelectorAll("[data-alike]").Select(element => element.GetAttribute("data-alike")).Distinct().Count(),
                page.QuerySelectorAll("[data-alike]").Length);
            Assert.Superset(pattern.Alike.ToHashSet(),
                page.QuerySelectorAll("[data-alike]").Select(element => element.GetAttribute("data-alike")!).ToHashSet());
        }
        Assert.Contains(child.Alias, (await teacher.Page("/patterns/next-hour")).QuerySelector("[data-who]")!.TextContent,
            StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await teacher.Get("/patterns/none-such")).StatusCode);
    }

    /// <summary>Puts the first answer of a child's last cold start right.</summary>
    private async Task PutRight(ChildId child)
    {
        var cold = (await site.Record(site.A, child)).Sittings[^1];
        var given = cold.Questions[0].Given!;
        await site.App.InSchool(site.A,
            connection => new Asking(site.Model, TimeProvider.System).Answer(connection, cold.Sitting.Id,
                new Submission(Guid.NewGuid(), 1, ".", given.AnswerMode, null) { Corrects = given.Id }, Guid.NewGuid()));
    }
}
