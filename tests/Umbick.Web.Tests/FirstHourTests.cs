using Umbick.Casework;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>An empty school is led from its first child to its first set; each line goes when it is done.</summary>
public sealed class FirstHourTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Line_by_line_from_the_first_child_to_the_first_set()
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfB);
        browser.Open("/day");
        Assert.Equal(["AddChild", "Ask", "GiveSet"], Lines(browser));
        browser.TypeWithControl(OpenQA.Selenium.Keys.Enter);
        browser.AwaitPath("/children/new");
        browser.Type("Petrel" + OpenQA.Selenium.Keys.Enter);
        browser.AwaitText("Petrel");
        var child = ChildId.Parse(browser.Path.Split('/')[^1]);
        browser.Open($"/children/{child}/progress");
        browser.Await("[data-before-first]");
        Assert.False(browser.Has("svg.chart"));
        browser.Open("/day");
        Assert.Equal(["Ask", "GiveSet"], Lines(browser));
        browser.Click("Ask Petrel about ten clocks");
        browser.AwaitText("What shall Petrel be asked");
        var sitting = await site.Sitting(site.B, child);
        await site.App.InSchool(site.B, connection => new Asking(site.Model, TimeProvider.System).Answer(connection, sitting,
            new Submission(AnswerId.New(), 1, "4:12", AnswerMode.Said, null), null));
        browser.Open("/day");
        Assert.Equal(["GiveSet"], Lines(browser));
        await site.Set(site.B, child, "next-hour");
        browser.Open("/day");
        Assert.False(browser.Has("[data-first-hour]"));
    }

    private static IEnumerable<string> Lines(Browser browser) =>
        browser.Script<string>("return [...document.querySelectorAll('[data-first]')].map(line => line.dataset.first).join()").Split(',');
}
