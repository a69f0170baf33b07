using OpenQA.Selenium;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// A morning by keys: sign in, the day's slot with its visit of two, a child's set, back, and a decision about a third. What is next has
/// the focus and figures bring the adult back; without either, the same presses are reached by Tab and the password.
/// </summary>
public sealed class MorningTests(Site site, MorningSite morning) : IClassFixture<Site>, IClassFixture<MorningSite>
{
    private const string Figures = "493827";

    [Fact]
    public async Task A_morning_takes_at_most_half_of_the_keys_that_it_took()
    {
        var name = (await site.Colleague(site.A, PersonRole.Teacher)).UserName!;
        await site.App.InSchool(site.A, connection => Pins.Allow(connection, true));
        using (var teacher = await Visitor.TeacherOf(site, name))
            await teacher.Send("/you", "Switch it on", new() { ["current"] = Site.Password, ["figures"] = Figures });
        var (visit, children) = await site.Visit(site.A, 2);
        var (set, _) = await site.Set(site.A, children[0], "next-hour");
        await MorningSite.SlotNow(site, children);
        var third = await site.Colds("iiii", "riii", "riii", "iiii");
        using var browser = new Browser(morning.Address);
        var (now, before) = (0, 0);

        browser.Open("/");
        SignIn(browser, name);
        Both(name.Length + Site.Password.Length + 4);

        // The slot that is on: what is next in it, a visit of two, has the focus.
        browser.Await("[data-begin] .press-next:focus");
        before += TabsTo(browser, "Go on with the visit") + 1;
        browser.Type(Keys.Enter);
        now += 1;
        browser.AwaitPath($"/visits/{visit}");
        browser.Open($"/practise/{set}");
        browser.AwaitText("Hand over to");
        // What hands over is pressed on purpose: by the key to it, and Enter.
        before += TabsTo(browser, "Hand over to") + 1;
        browser.TypeWithControl(Keys.Enter);
        browser.Await(".press-next:focus");
        browser.Type(Keys.Enter);
        now += 3;
        browser.AwaitPath("/turn");

        // Back to the adult: six figures, or the name and the password.
        browser.Open("/back");
        browser.Await("#figures:focus");
        browser.Type(Figures + Keys.Enter);
        now += Figures.Length + 2;
        before += name.Length + Site.Password.Length + 5;
        browser.AwaitPath($"/practise/{set}");

        // Another child's page, found by letters or by the list, and what the cold starts suggest decided there.
        before += TabsTo(browser, "Children") + 1;
        browser.Open("/children");
        before += TabsTo(browser, third.Alias) + 1;
        browser.Open("/patterns");
        browser.Type("/");
        browser.Await("#finder [name=letters]:focus");
        browser.Type(third.Alias[^4..] + Keys.Enter);
        now += 6;
        browser.AwaitPath($"/children/{third.Id}");
        browser.Await(".press-next:focus");
        before += TabsTo(browser, "Change the approach") + 1;
        now += browser.TabTo("Change the approach") + 1;
        browser.Type(Keys.Enter);
        browser.AwaitText("approach changed");

        TestContext.Current.TestOutputHelper?.WriteLine($"{now} keys, {before} before");
        if (Environment.GetEnvironmentVariable("UMBICK_HEARD") is { } file) await File.WriteAllTextAsync(file, $"{now} keys, {before} before");
        Assert.InRange(now, 1, before / 2);

        void Both(int keys) => (now, before) = (now + keys, before + keys);
    }

    private static void SignIn(Browser browser, string name)
    {
        browser.Find("[name=userName]").SendKeys(name + Keys.Tab + Site.Password + Keys.Enter);
        browser.AwaitPath("/day");
    }

    /// <summary>How many times Tab leads from the top of the page to something with these words.</summary>
    private static int TabsTo(Browser browser, string words) => (int)browser.Script<long>(
        $$"""
        const seen = [...document.querySelectorAll("a[href], button, input, select, textarea, summary, [tabindex='0']")]
          .filter((part) => part.checkVisibility() && !part.disabled && part.tabIndex >= 0);
        return seen.findIndex((part) => part.textContent.includes({{System.Text.Json.JsonSerializer.Serialize(words)}})) + 1;
        """);
}
