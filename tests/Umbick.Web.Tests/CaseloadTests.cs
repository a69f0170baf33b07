using OpenQA.Selenium;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>The caseload: a child is found on it, however long it is.</summary>
[Collection("site")]
public sealed class CaseloadTests(Site site)
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
        browser.TabTo("Find a child");
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
    public async Task Nobody_found_is_said_and_works_without_script()
    {
        for (var i = 0; i < 11; i++) await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page("/children?find=Zzyzx");
        Assert.Empty(page.QuerySelectorAll("[data-child]"));
        Assert.Contains("Nobody on the caseload has “Zzyzx” in the name.", page.QuerySelector("#caseload")!.TextContent, StringComparison.Ordinal);
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
            await Schools.AddPerson(connection, school, $"teacher@{school:N}.example", "Teacher", Site.Password);
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
