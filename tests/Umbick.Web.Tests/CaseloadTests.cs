using System.Net;
using OpenQA.Selenium;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>The caseload: a child is found on it, however long it is.</summary>
public sealed class CaseloadTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task A_child_is_found_by_part_of_the_name_as_it_is_typed()
    {
        var children = new List<Child>();
        for (var i = 0; i < 11; i++) children.Add(await site.Child(site.A));
        var (found, other) = (children[4].Alias, children[7].Alias);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/children");
        browser.Await($"[data-child='{other}']");
        browser.TabTo("Letters of the alias");
        browser.Type(found[3..].ToUpperInvariant());
        browser.AwaitGone($"[data-child='{other}']");
        Assert.Equal(1, browser.Count("[data-child]"));
        Assert.Equal("One child found", browser.Find("#found").GetAttribute("textContent"));
        browser.TabTo(found);
        browser.Type(Keys.Enter);
        browser.AwaitText(found);
        browser.AwaitPath($"/children/{children[4].Id}");
    }

    [Fact]
    public async Task In_the_middle_of_a_sitting_the_list_tells_what_was_said_so_far_and_at_what_time()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        for (var answered = 0; answered < 3; answered++)
            await teacher.Send($"/ask/{sitting}", "Next", new() { ["raw"] = answered == 1 ? "." : "8:05" });
        // Whoever looks at the list asks for it; it is worked out beside the requests.
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        var row = "";
        while (!row.Contains("so far, at", StringComparison.Ordinal))
        {
            row = (await teacher.Page("/children")).QuerySelector($"[data-child='{child.Alias}']")!.TextContent;
            patience.Token.ThrowIfCancellationRequested();
        }
        Assert.DoesNotContain("Nothing has been asked", row, StringComparison.Ordinal);
        Assert.Matches(@"so far, at \d{1,2}:\d\d", row);
        await teacher.Send($"/ask/{sitting}", "Stop here", []);
        var page = await teacher.Page("/children");
        Assert.DoesNotContain("so far", page.QuerySelector($"[data-child='{child.Alias}']")!.TextContent, StringComparison.Ordinal);
        Assert.Null(page.QuerySelector("[data-behind]"));
    }

    [Fact]
    public void A_child_is_added_by_keyboard_and_the_child_s_page_says_what_to_do_first()
    {
        var alias = $"Fern {Guid.NewGuid():N}"[..12];
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/children");
        browser.TabTo("Add a child");
        browser.Type(Keys.Enter);
        browser.Await("[name=alias]:focus");
        browser.Type(alias);
        browser.TabTo("Add the child");
        browser.Type(Keys.Enter);
        browser.AwaitText("Ask about ten times");
        Assert.Contains(alias, browser.Find("h1").Text, StringComparison.Ordinal);

        browser.Open("/children/new");
        browser.Type(alias + Keys.Enter);
        browser.AwaitText($"{alias} is on the caseload already.");
        Assert.Equal(alias, browser.Find("[name=alias]").GetAttribute("value"));
        browser.Click($"To {alias}");
        browser.AwaitText("Ask about ten times");
    }

    [Fact]
    public async Task What_grows_year_by_year_shows_the_latest_and_the_rest_on_a_press()
    {
        var child = await site.Child(site.A);
        await site.App.InSchool(site.A, async connection =>
        {
            var asking = new Casework.Asking(site.Model, TimeProvider.System);
            for (var i = 0; i < 14; i++)
            {
                var sitting = (await asking.Start(connection, child.Id))!.Value;
                await asking.Answer(connection, sitting,
                    new Casework.Submission(Guid.NewGuid(), 1, "4:00", Core.Items.AnswerMode.Said, null), null);
                await asking.Stop(connection, sitting);
            }
            for (var i = 0; i < 22; i++)
                await Screenings.Add(connection,
                    new Screening
                    {
                        Id = Guid.NewGuid(),
                        Title = $"Year {i}",
                        Stage = Core.Items.Stage.OClock,
                        Length = 8,
                        Form = "A",
                        StartedAt = DateTime.UtcNow.AddDays(-i)
                    }, []);
        });
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await AssertEnds($"/children/{child.Id}", "[data-sitting]", 12, 14);
        await AssertEnds("/classes", "section li", 20, 22);

        async Task AssertEnds(string path, string row, int first, int all)
        {
            var page = await teacher.Page(path);
            Assert.Equal(first, page.QuerySelectorAll(row).Length);
            var rest = page.QuerySelectorAll("a")
                .Single(link => link.TextContent.StartsWith($"Show {all - first} earlier", StringComparison.Ordinal)).GetAttribute("href")!;
            Assert.Equal(all, (await teacher.Page(rest)).QuerySelectorAll(row).Length);
        }
    }

    [Theory]
    [InlineData("", "8", "Give the child an alias.")]
    [InlineData("   ", "8", "Give the child an alias.")]
    [InlineData("A name that goes on and on and on, and never comes to any end at all", "8", "An alias has 60 letters at most.")]
    [InlineData("Two\nlines", "8", "An alias stands on one line.")]
    [InlineData("Sorrel", "77", "Choose what has been taught so far.")]
    public async Task What_cannot_be_added_is_said_and_what_was_typed_stays(string alias, string stage, string told)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = await teacher.Send("/children/new", "Add the child", new() { ["alias"] = alias, ["stage"] = stage });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var page = await Visitor.Read(answer);
        Assert.Equal(told, page.QuerySelector("[role=alert]")!.TextContent.Trim());
        Assert.Equal(alias.Trim(), page.QuerySelector("[name=alias]")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_child_is_given_another_alias_and_goes_off_the_caseload_and_on_again_with_her_answers()
    {
        var (child, other) = (await site.Child(site.A), await site.Child(site.A));
        await site.Sitting(site.A, child.Id);
        var alias = $"Rush {Guid.NewGuid():N}"[..12];
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/children/{child.Id}/teaching");
        browser.Fill("[name=alias]", other.Alias);
        browser.Click("Change the alias");
        browser.AwaitText($"“{other.Alias}” is another child's alias.");
        Assert.Equal(other.Alias, browser.Find("[name=alias]").GetAttribute("value"));
        browser.Fill("[name=alias]", alias);
        browser.Click("Change the alias");
        browser.AwaitPath($"/children/{child.Id}");
        Assert.Equal(alias, browser.Find("h1").Text);

        browser.Open($"/children/{child.Id}/teaching");
        browser.Click($"Take {alias} off the caseload");
        browser.AwaitPath("/children");
        browser.Await($"[data-child='{other.Alias}']");
        Assert.False(browser.Has($"[data-child='{alias}']"));
        browser.Open($"/children/{child.Id}/teaching");
        browser.Click($"Put {alias} on the caseload");
        browser.AwaitPath($"/children/{child.Id}");
        browser.Open("/children");
        browser.Await($"[data-child='{alias}']");
        Assert.Single((await site.Record(site.A, child.Id)).SittingsAsked);
    }

    [Fact]
    public async Task Another_school_cannot_rename_a_child_or_take_her_off()
    {
        var (child, theirs) = (await site.Child(site.A), await site.Child(site.B));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfB);
        var (_, fields) = await teacher.Form($"/children/{theirs.Id}/teaching", "Change the alias");
        foreach (var (handler, field, value) in new[] { ("rename", "alias", "Taken"), ("caseload", "on", "false") })
            Assert.Equal(HttpStatusCode.NotFound,
                (await teacher.Post($"/children/{child.Id}/teaching?handler={handler}", new(fields) { [field] = value })).StatusCode);
        var after = (await site.Record(site.A, child.Id)).Child;
        Assert.Equal((child.Alias, true), (after.Alias, after.OnCaseload));
    }

    [Fact]
    public async Task Nobody_found_is_said_and_works_without_script()
    {
        for (var i = 0; i < 11; i++) await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page("/children?find=Zzyzx");
        Assert.Empty(page.QuerySelectorAll("[data-child]"));
        Assert.Contains("Nobody on the caseload has “Zzyzx” in the name.", page.QuerySelector("#caseload")!.TextContent,
            StringComparison.Ordinal);
        Assert.Equal("Zzyzx", page.QuerySelector("[name=find]")!.GetAttribute("value"));
        Assert.NotEmpty((await teacher.Page("/children?find=pIP")).QuerySelectorAll("[data-child]"));
    }

    [Fact]
    public async Task A_short_caseload_has_nothing_to_find_in()
    {
        var school = Guid.NewGuid();
        await site.Owner.InSchool(school, async connection =>
        {
            await Schools.Add(connection, new School(school, "Noss"));
            await People.Add(connection, $"teacher@{school:N}.example", "Teacher", Site.PasswordHash);
        });
        try
        {
            using var teacher = await Visitor.TeacherOf(site, $"teacher@{school:N}.example");
            var empty = await teacher.Page("/children");
            Assert.Contains("Nobody is on the caseload yet.", empty.QuerySelector("#caseload")!.TextContent, StringComparison.Ordinal);
            var child = await site.Child(school);
            var page = await teacher.Page("/children");
            Assert.NotNull(page.QuerySelector($"[data-child='{child.Alias}']"));
            Assert.Null(page.QuerySelector("[name=find]"));
        }
        finally
        {
            await site.Owner.InSchool(school, Schools.Erase);
        }
    }
}
