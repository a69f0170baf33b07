using OpenQA.Selenium;
using Umbick.Core.Clocks;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>The big clock: turned by steps and keys, with what is laid over it; and a demonstration, position by position.</summary>
public sealed class BigClockTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public void Steps_and_keys_turn_it_both_ways_and_its_hands_never_part_from_the_law()
    {
        using var browser = Opened();
        foreach (var (by, time) in new[] { ("60", "11:10"), ("30", "11:40"), ("15", "11:55"), ("5", "12:00"), ("1", "12:01"),
            ("-1", "12:00"), ("-5", "11:55"), ("-15", "11:40"), ("-30", "11:10"), ("-60", "10:10") })
        {
            browser.ClickOn($"[data-turn='{by}']");
            AssertShows(browser, time);
        }
        browser.Script<object?>("document.activeElement.blur()");
        foreach (var (key, time) in new[] { (Keys.ArrowRight, "10:11"), (Keys.ArrowUp, "10:16"), ("q", "10:31"), ("h", "11:01"),
            ("o", "12:01"), (Keys.ArrowLeft, "12:00"), (Keys.ArrowDown, "11:55") })
        {
            browser.Type(key);
            AssertShows(browser, time);
        }
        browser.TypeShifted("o");
        AssertShows(browser, "10:55");
    }

    [Fact]
    public void Three_turns_dragged_drop_no_hour()
    {
        using var browser = Opened();
        browser.Turn("[data-hands]", 60, 60 + 1080, 0.8);
        var hour = Convert.ToDouble(browser.Find("[data-hand=hour]").GetAttribute("aria-valuenow"),
            System.Globalization.CultureInfo.InvariantCulture);
        Assert.Equal(0, HandPositions.HoursApart((13 + (10 / 60.0)) % 12, hour), 0.05);
    }

    [Fact]
    public void What_is_laid_over_it_is_hidden_until_it_is_asked_for()
    {
        using var browser = Opened();
        foreach (var (toggle, shown) in new[] { ("figures", "[data-figures]"), ("words", "[data-words]"), ("minutes", "[data-minute='15']"),
            ("halves", ".half"), ("quarters", ".quarter"), ("space", "[data-space]"), ("second", "[data-second]"), ("line", "[data-line]"),
            ("day", ".day-strip") })
        {
            Assert.False(Visible(browser, shown), $"{toggle} is hidden at first");
            browser.Focus($"[data-toggle={toggle}]");
            browser.Type(" ");
            browser.AwaitScript($"return {VisibleScript(shown)}");
        }
        browser.AwaitText("10:10 a.m.");
        browser.ClickOn("[data-turn='60']");
        browser.ClickOn("[data-turn='60']");
        browser.AwaitText("12:10 · 12:10 p.m.");
        browser.ClickOn("[data-turn='-60']");
        browser.AwaitText("11:10 · 11:10 a.m.");
        Choose(browser, "[data-cover]", "minute");
        Assert.Equal("hidden", browser.Script<string>("return getComputedStyle(document.querySelector('.hand-minute')).visibility"));
        Choose(browser, "[data-colours]", "rust-blue");
        Assert.Contains("hands-rust-blue", browser.Find("[data-hands]").GetAttribute("class"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_line_bends_into_the_face_the_count_is_lit_and_an_impossible_clock_is_told()
    {
        using var browser = Opened();
        browser.ClickOn("[data-toggle=line]");
        Assert.Equal((0, 0, -113), Ends(browser));
        browser.Script<object?>(
            "const bend = document.querySelector('[data-bend]'); bend.value = 0; bend.dispatchEvent(new Event('input', { bubbles: true }))");
        var (first, last, _) = Ends(browser);
        Assert.True(last - first > 200, "straight, nought and sixty are far apart");
        foreach (var counted in new[] { "0", "5", "10" })
        {
            browser.Click("Count a five");
            Assert.Equal(counted, browser.Find("[data-told]").Text);
        }
        Assert.Equal(3, browser.Count(".lit"));
        browser.Click("count again");
        Assert.Equal(0, browser.Count(".lit"));
        browser.Click("an impossible clock");
        browser.AwaitText("No clock shows this");
        Assert.Equal("no", browser.Find("[data-hands]").GetAttribute("data-geared"));
    }

    /// <summary>Where nought and sixty stand on the number line, from left to right, and how high nought is when it is round.</summary>
    private static (double First, double Last, double Top) Ends(Browser browser)
    {
        double At(int number, string which) =>
            Math.Round(Convert.ToDouble(browser.Find($"[data-line-number='{number}']").GetAttribute(which),
                System.Globalization.CultureInfo.InvariantCulture));
        return (At(0, "x"), At(60, "x"), At(0, "y"));
    }

    [Fact]
    public async Task A_demonstration_asks_tells_and_goes_on_and_once_shown_another_is_offered()
    {
        var child = await site.Child(site.A);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/clock?show=has-it-arrived&pattern=next-hour&child={child.Id}");
        AssertShows(browser, "4:00");
        Assert.False(browser.Find("[data-say]").Displayed);
        browser.Click("Tell it");
        Assert.Equal("Exactly on the 4. Four o’clock.", browser.Find("[data-say]").Text);
        browser.Click("Next");
        // The children show where the hands will be before they turn.
        browser.AwaitText("Where will the hands be at 4:10?");
        AssertShows(browser, "4:00");
        browser.Click("Shown: turn it");
        AssertShows(browser, "4:10");
        Assert.False(browser.Find("[data-predicting]").Displayed);
        browser.Click("one back");
        AssertShows(browser, "4:00");
        browser.Click($"Shown to {child.Alias}");
        browser.AwaitPath($"/children/{child.Id}");
        browser.Await("[data-demonstrated]");
        Assert.Contains("Has it arrived?", browser.Find("[data-demonstrated]").Text, StringComparison.Ordinal);
        browser.Open($"/practise/new/{child.Id}?pattern=next-hour");
        var offered = browser.Find("[data-demonstrations]").Text;
        Assert.True(offered.IndexOf("The whole space", StringComparison.Ordinal) < offered.IndexOf("shown on", StringComparison.Ordinal),
            offered);
    }

    [Fact]
    public async Task What_was_shown_is_kept_once_and_only_for_a_child_of_this_school()
    {
        var (own, others) = (await site.Child(site.A), await site.Child(site.B));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (path, fields) = await teacher.Form($"/clock?show=over-the-top&pattern=lower-numeral&child={own.Id}", "Shown to");
        await teacher.Post(path, fields);
        await Visitor.AssertSentTo($"/children/{own.Id}", await teacher.Post(path, fields));
        Assert.Single(await site.App.InSchool(site.A, connection => Demonstrated.To(connection, own.Id)));
        Assert.Equal(System.Net.HttpStatusCode.NotFound,
            (await teacher.Post(path, new(fields) { ["child"] = others.Id.ToString()! })).StatusCode);
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, (await teacher.Post(path, new(fields) { ["show"] = "nothing" })).StatusCode);
        Assert.Equal(System.Net.HttpStatusCode.NotFound, (await teacher.Get($"/clock?show=over-the-top&pattern=next-hour")).StatusCode);
        Assert.Empty(await site.App.InSchool(site.B, connection => Demonstrated.To(connection, others.Id)));
    }

    private Browser Opened()
    {
        var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/clock");
        browser.Await("[data-big]");
        return browser;
    }

    private static void AssertShows(Browser browser, string time)
    {
        var hands = HandPositions.Showing(ClockTime.TryParse(time)!.Value);
        browser.AwaitScript(FormattableString.Invariant(
            $"const at = (hand) => Number(document.querySelector(`[data-hand=${{hand}}]`).getAttribute('aria-valuenow')); return Math.abs(at('hour') - {hands.Hour}) < 0.01 && Math.abs(at('minute') - {hands.Minute}) < 0.05"));
    }

    private static void Choose(Browser browser, string css, string value) =>
        browser.Script<object?>(
            $"const field = document.querySelector('{css}'); field.value = '{value}'; field.dispatchEvent(new Event('change', {{ bubbles: "
                + $"true }}))");

    private static bool Visible(Browser browser, string css) => browser.Script<bool>($"return {VisibleScript(css)}");

    private static string VisibleScript(string css) =>
        $"(shown => shown.getClientRects().length > 0 && getComputedStyle(shown).visibility !== "
            + $"'hidden')(document.querySelector(\"{css}\"))";
}
