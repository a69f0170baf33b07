using System.Globalization;
using OpenQA.Selenium;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>Loose hands go exactly where they are put, and geared ones keep the law of a clock.</summary>
public sealed class LooseHandsTests(Site site, SharedTablet tablet) : IClassFixture<Site>, IClassFixture<SharedTablet>
{
    private const double HourWithin = 0.025;
    private const double MinuteWithin = 0.5;

    private static readonly (double Hour, double Minute)[] Places =
        [.. Enumerable.Range(0, 30).Select(i => ((i * 4.37) % 12, (i * 23.0) % 60))];

    [Fact]
    public async Task Thirty_places_are_reached_by_pointer()
    {
        await AtLooseHands();
        foreach (var (hour, minute) in Places)
        {
            ChildAtScreen.Place(tablet.Browser, "minute", minute, 60, byTouch: true);
            ChildAtScreen.Place(tablet.Browser, "hour", hour, 12, byTouch: true);
            AssertAt(hour, minute);
        }
    }

    [Fact]
    public async Task Thirty_places_are_reached_by_arrow_keys()
    {
        await AtLooseHands();
        foreach (var (hour, minute) in Places)
        {
            ChildAtScreen.Place(tablet.Browser, "minute", minute, 60, byTouch: false);
            ChildAtScreen.Place(tablet.Browser, "hour", hour, 12, byTouch: false);
            AssertAt(hour, minute);
        }
    }

    [Theory]
    [InlineData("7.33", "20")]
    [InlineData("0", "59.5")]
    [InlineData("11.99", "0.2")]
    public async Task A_place_can_be_typed(string hour, string minute)
    {
        await AtLooseHands();
        tablet.Browser.Find("[data-by-numbers] summary").Click();
        tablet.Browser.Find("[data-put=hour]").SendKeys(hour);
        tablet.Browser.Find("[data-put=minute]").SendKeys(minute);
        AssertAt(Number(hour), Number(minute));
    }

    [Theory]
    [InlineData("12:00")]
    [InlineData("1:05")]
    [InlineData("6:33")]
    public async Task Both_hands_can_be_taken_where_they_overlap(string at)
    {
        var together = HandPositions.Showing(ClockTime.TryParse(at)!.Value);
        await AtLooseHands();
        ChildAtScreen.Place(tablet.Browser, "minute", together.Minute, 60, byTouch: false);
        ChildAtScreen.Place(tablet.Browser, "hour", together.Hour, 12, byTouch: false);
        var turned = together.Minute * 6;
        tablet.Browser.Turn("[data-hands]", turned, turned + 60, 0.8);
        Assert.Equal((together.Minute + 10) % 60, Value("minute"), MinuteWithin);
        Assert.Equal(together.Hour, Value("hour"), HourWithin);
        tablet.Browser.Turn("[data-hands]", turned + 60, turned, 0.8);
        tablet.Browser.Turn("[data-hands]", together.Hour * 30, (together.Hour * 30) - 45, 0.35);
        Assert.Equal(0, HandPositions.HoursApart(together.Hour - 1.5, Value("hour")), HourWithin);
        Assert.Equal(together.Minute, Value("minute"), MinuteWithin);
    }

    [Theory]
    [InlineData(720)]
    [InlineData(-720)]
    public void Geared_hands_keep_the_law_all_the_way_round_both_ways(int degrees)
    {
        using var browser = SignedIn();
        browser.Open("/clock");
        browser.Script<object?>(
            "window.seen = []; document.addEventListener('umbick:turned', e => seen.push([e.detail.hour, e.detail.minute]))");
        var start = Value(browser, "minute") * 6;
        browser.Turn("[data-hands]", start, start + degrees, 0.8);
        AssertLaw(browser);
        // Two rounds of the long hand are two hours of the short one.
        Assert.Equal(0, HandPositions.HoursApart((10 + (10 / 60.0)) + (degrees / 360.0), Value(browser, "hour")), HourWithin);
    }

    [Fact]
    public void A_geared_clock_turns_by_its_short_hand_and_by_keys_and_shows_its_time()
    {
        using var browser = SignedIn();
        browser.Open("/clock");
        browser.Script<object?>(
            "window.seen = []; document.addEventListener('umbick:turned', e => seen.push([e.detail.hour, e.detail.minute]))");
        browser.Turn("[data-hands]", 305, 305 + 75, 0.4);
        AssertLaw(browser);
        Assert.Equal(0, HandPositions.HoursApart((10 + (10 / 60.0)) + 2.5, Value(browser, "hour")), HourWithin);
        browser.Focus("[data-hand=minute]");
        browser.Type(Keys.Home);
        AssertLaw(browser);
        browser.Type(string.Concat(Enumerable.Repeat(Keys.ArrowLeft, 3)));
        AssertLaw(browser);
        browser.ClickOn("[data-toggle=figures]");
        browser.ClickOn("[data-toggle=words]");
        browser.AwaitText("11:57");
        browser.AwaitText("three minutes to twelve");
    }

    private static void AssertLaw(Browser browser)
    {
        var seen = (IReadOnlyCollection<object>)browser.Script<object>("return window.seen");
        Assert.NotEmpty(seen);
        Assert.All(seen.Cast<IReadOnlyCollection<object>>(), pair =>
        {
            var (hour, minute) = (Convert.ToDouble(pair.First(), Invariant), Convert.ToDouble(pair.Last(), Invariant));
            Assert.Equal(hour - (minute / 60), Math.Round(hour - (minute / 60)), HourWithin);
        });
    }

    private async Task AtLooseHands()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, ClockTasks.SetFromDigital.Id);
        ChildAtScreen.Enter(tablet.Browser, await site.Code(site.A, sitting));
        tablet.Browser.Await("[data-hands]");
    }

    private void AssertAt(double hour, double minute)
    {
        Assert.Equal(0, HandPositions.HoursApart(hour, Value("hour")), HourWithin);
        Assert.Equal(0, HandPositions.MinutesApart(minute, Value("minute")), MinuteWithin);
    }

    private double Value(string hand) => Number(tablet.Browser.Find($"[data-hand-value={hand}]").GetAttribute("value")!);

    private static double Value(Browser browser, string hand) => Number(browser.Find($"[data-hand={hand}]").GetAttribute("aria-valuenow")!);

    private static double Number(string text) => double.Parse(text, Invariant);

    private static CultureInfo Invariant => CultureInfo.InvariantCulture;

    private Browser SignedIn() => Browser.SignedIn(site.Address, site.TeacherOfA);
}
