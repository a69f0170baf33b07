using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>
/// Each task on a laptop, a tablet, a phone held either way, zoomed to twice its size, and in a reader's own few colours.
/// </summary>
public sealed class EveryScreenTests(Site site) : IClassFixture<Site>
{
    /// <summary>
    /// The screen, and how large the clock is at least: 1280 × 800 at 200 % is half as many pixels, where the clock is 563.
    /// </summary>
    private static readonly (int Width, int Height, int Clock, bool ByFinger)[] Screens = [(1280, 800, 560, true), (768, 1024, 340, true),
        (360, 740, 230, true), (740, 360, 320, true), (640, 400, 300, false)];

    [Fact]
    public async Task Done_is_in_view_keys_are_large_enough_and_the_clock_grows()
    {
        var child = await site.Child(site.A, Stage.EveryMinute);
        string[] tasks = [.. ClockTasks.All.Select(task => task.Id)];
        var sitting = await site.OnScreen(site.A, child.Id, tasks);
        using var browser = new Browser(site.Address);
        ChildAtScreen.Enter(browser, await site.Code(site.A, sitting));
        for (var done = 0; done < tasks.Length; done++)
        {
            browser.Await($"#turn[data-done='{done}'] [data-question]");
            foreach (var (width, height, clock, byFinger) in Screens)
            {
                browser.Resize(width, height);
                var told = $"{tasks[done]} at {width} × {height}";
                Assert.True(browser.Script<long>("return document.documentElement.scrollWidth") <= width, $"{told} is too wide");
                Assert.True(browser.Script<bool>(
                    "const done = document.querySelector('[data-done-button]').getBoundingClientRect(); return done.top >= 0 && "
                        + "done.bottom <= innerHeight"), $"{told}: Done is out of view");
                var face = browser.Script<long>(
                    "return Math.round(document.querySelector('.turn-face')?.getBoundingClientRect().width ?? 9999)");
                Assert.True(face >= clock, $"{told}: the clock is {face} wide");
                var small = byFinger ? browser.SmallTargets() : [];
                Assert.True(small.Count == 0, $"{told}: {string.Join("; ", small)}");
            }
            foreach (var forced in new[] { true, false })
            {
                browser.ForcedColours(forced);
                var found = browser.Axe();
                Assert.True(found.Count == 0, $"{tasks[done]}{(forced ? " in forced colours" : "")}: {string.Join("; ", found)}");
            }
            browser.Resize(1280, 800);
            // Three in a row without an answer would be the end.
            if (done % 3 == 2) ChildAtScreen.Answer(browser, (await site.Current(site.A, sitting)).Item, byTouch: true);
            else browser.Click("I don’t know");
        }
        browser.Await("[data-finished]");
    }

    [Theory]
    [InlineData("read-words", "[name=amount][value='10']", "label")]
    [InlineData("choose-clock", "[name=raw]", "label")]
    [InlineData("choose-time", "[name=raw]", "label")]
    public async Task In_forced_colours_what_is_chosen_is_outlined(string task, string choice, string round)
    {
        var child = await site.Child(site.A);
        using var browser = new Browser(site.Address);
        ChildAtScreen.Enter(browser, await site.Code(site.A, await site.OnScreen(site.A, child.Id, task)));
        browser.ForcedColours(true);
        browser.Tap(browser.LabelOf(choice));
        browser.Script<object?>("document.activeElement.blur()");
        Assert.Equal([1L, 0L], browser.Script<IReadOnlyCollection<object>>(
            $"const outlined = all => all.filter(e => getComputedStyle(e).outlineStyle === 'solid').length; const labels = "
                + $"[...document.querySelectorAll('#turn {round}')]; return [outlined(labels.filter(e => e.querySelector(':checked'))), "
                + $"outlined(labels.filter(e => !e.querySelector(':checked')))]").Cast<long>());
        browser.ForcedColours(false);
    }

    [Fact]
    public async Task Look_again_holds_on_the_narrowest_screen()
    {
        var child = await site.Child(site.A);
        var (_, practice) = await site.Set(site.A, child.Id, "next-hour");
        using var browser = new Browser(site.Address, 320, 640);
        ChildAtScreen.Enter(browser, await site.Code(site.A, practice));
        browser.AwaitOpen();
        browser.Type("7:11" + OpenQA.Selenium.Keys.Enter);
        browser.Await("[data-feedback=look-again]");
        Assert.InRange(browser.Script<long>("return document.documentElement.scrollWidth"), 1, 320);
        // The child's clock and what is said of it stand beside each other, and Done is in view.
        Assert.True(browser.Script<bool>(
            "const [clock, words] = [...document.querySelector('[data-feedback]').children].map(e => e.getBoundingClientRect()); return "
                + "clock.right <= words.left && words.right <= innerWidth"));
        Assert.True(browser.Script<bool>(
            "return document.querySelector('[data-done-button]').getBoundingClientRect().bottom <= innerHeight"));
    }
}
