using OpenQA.Selenium;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>From signing in through a whole asking to a set that is given, by somebody who hears and types.</summary>
public sealed class BlindTeacherTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task The_whole_way_by_ear()
    {
        var child = await site.Child(site.A);
        var simulated = site.Simulated("next-hour");
        using var browser = new Browser(site.Address);
        var teacher = new Listener(browser);
        browser.Open("/");
        teacher.TabTo("Name or address");
        teacher.Type(site.TeacherOfA + Keys.Tab, "the name");
        teacher.AwaitFocus("Password");
        teacher.Type(Site.Password + Keys.Enter, "the password");
        browser.AwaitPath("/day");
        teacher.Type("/", "/");
        teacher.AwaitFocus("Find a child");
        teacher.Type(child.Alias[..5], "five letters");
        teacher.AwaitSaid(child.Alias);
        teacher.Type(Keys.Enter, "Enter");
        browser.AwaitPath($"/children/{child.Id}");
        teacher.AwaitFocus("Begin asking");
        teacher.Type(Keys.Enter, "Enter");

        var asked = 0;
        for (; asked < 12; asked++)
        {
            browser.Await($"#asking[data-answered='{asked}'] #raw:focus");
            teacher.AwaitFocus(child.Alias);
            var item = (await site.Record(site.A, child.Id)).SittingsAsked[^1].Questions[^1].Asked.Item;
            if (item.Task.ShowsClock)
            {
                // The first stands on the page; each later one is said.
                var clock = $"The clock to show: {Core.Clocks.Wording.Usual.Digital(item.Time)}";
                if (asked == 0) Assert.Contains(teacher.Named("image"), name => name.Contains(clock, StringComparison.Ordinal));
                else teacher.AwaitSaid(clock);
            }
            var given = simulated.Answer(item, item.Task.Aloud);
            teacher.Type(given + Keys.Enter, given);
        }
        browser.AwaitScript("return !document.querySelector('#asking') || document.querySelector('[data-over]') !== null || "
            + "document.querySelector('#asking').dataset.answered === '12'");
        if (!browser.Has("[data-over]"))
        {
            teacher.TabTo("Stop here");
            teacher.Type(Keys.Enter, "Enter");
        }
        teacher.AwaitSaid("takes the hour that is coming");
        teacher.AwaitFocus($"To {child.Alias}");
        teacher.Type(Keys.Enter, "Enter");
        browser.AwaitPath($"/children/{child.Id}");
        teacher.AwaitFocus("See the set");
        teacher.Type(Keys.Enter, "Enter");
        browser.AwaitPath("/practise/new/");
        teacher.AwaitFocus($"Give {child.Alias} this set");
        teacher.Type(Keys.Enter, "Enter");
        browser.AwaitText($"Hand over to {child.Alias}");
        Assert.Contains(teacher.Named("heading"), name => name.Contains("Practise", StringComparison.Ordinal));
        Assert.Single(await Sets(child.Id));
        foreach (var line in teacher.Heard) TestContext.Current.TestOutputHelper?.WriteLine(line);
        if (Environment.GetEnvironmentVariable("UMBICK_HEARD") is { } file) await File.WriteAllLinesAsync(file, teacher.Heard);
    }

    private async Task<IReadOnlyList<SittingId>> Sets(ChildId child) => await site.App.InSchool(site.A, async connection =>
        (IReadOnlyList<SittingId>)[.. await connection.QueryAsync<SittingId>(
            "select id from sitting where child = @child and kind = 'practice'", new { child })]);
}
