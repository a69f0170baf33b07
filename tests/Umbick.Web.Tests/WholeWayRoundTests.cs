using Umbick.Store;
using OpenQA.Selenium;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>One child, all the way round, in a real browser.</summary>
public sealed class WholeWayRoundTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Asked_named_practised_and_compared()
    {
        var child = await site.Child(site.A);
        var simulated = site.Simulated("next-hour");
        using var browser = new Browser(site.Address);

        // Signing in and asking, by keyboard alone.
        browser.Open("/");
        SignIn(browser);
        browser.TabTo("Children");
        browser.Type(Keys.Enter);
        browser.AwaitPath("/children");
        browser.TabTo(child.Alias);
        browser.Type(Keys.Enter);
        browser.AwaitPath("/children/");
        browser.TabTo("Begin asking");
        browser.Type(Keys.Enter);
        browser.AwaitPath("/ask/");
        for (var answered = 0; answered < 10; answered++)
        {
            browser.Await($"[data-answered='{answered}'] #raw:focus");
            var item = (await Current(child.Id)).Item;
            browser.Type(simulated.Answer(item, item.Task.Aloud) + Keys.Enter);
        }
        browser.Await("[data-answered='10'] #raw:focus");
        browser.TabTo("Stop here");
        browser.Type(Keys.Enter);
        browser.AwaitText($"{child.Alias} takes the hour that is coming, not the one the short hand has passed.");
        browser.AwaitText("came out that way");

        // From what the answers say to a set that is given: at most three presses.
        browser.TabTo($"To {child.Alias}");
        browser.Type(Keys.Enter);
        browser.AwaitPath("/children/");
        Assert.Contains("takes the hour that is coming", browser.Find("[data-finding]").Text, StringComparison.Ordinal);
        Assert.Matches(@"Of \d+ telling answers \d+ came out that way", browser.Find("[data-evidence]").Text);
        var presses = 0;
        foreach (var press in new[] { "See the set", $"Give {child.Alias} this set" })
        {
            browser.TabTo(press);
            browser.Type(Keys.Enter);
            presses++;
        }
        browser.AwaitText($"Hand over to {child.Alias}");
        Assert.InRange(presses, 1, 3);
        browser.TabTo("Hand over");
        browser.Type(Keys.Enter);
        browser.AwaitPath("/turn");

        // The child's side: the first one as they always did, the rest rightly.
        await Practise(browser, child.Id);
        browser.AwaitText("Please give this back to your teacher.");
        browser.Back();
        browser.Open($"/children/{child.Id}");
        Assert.DoesNotContain(child.Alias, browser.Text, StringComparison.Ordinal);

        // The teacher again: first and now.
        browser.Open("/");
        SignIn(browser);
        browser.Open($"/children/{child.Id}");
        var compared = browser.Find("[data-first-and-now]");
        Assert.Contains("first", compared.Text, StringComparison.Ordinal);
        Assert.Contains("right", compared.Text, StringComparison.Ordinal);
        Assert.Equal(2, browser.Count("[data-sitting]"));
        Assert.Contains("Ask again", browser.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task One_key_back_and_stop_and_resume()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var browser = new Browser(site.Address);
        browser.Open("/");
        SignIn(browser);
        browser.Open($"/ask/{sitting}");
        browser.Await("#raw:focus");
        browser.Type("1:11" + Keys.Enter);
        browser.Await("[data-answered='1'] #raw:focus");
        browser.Type(Keys.Backspace);
        browser.Await(".strip-now");
        Assert.Equal("1:11", browser.Find("#raw").GetAttribute("value"));
        browser.Type("2:22" + Keys.Enter);
        browser.Await("[data-answer='2:22']");
        Assert.False(browser.Has("[data-answer='1:11']"));

        // Left in the middle, it is on the caseload and goes on where it was.
        var place = browser.Find("[name=place]").GetAttribute("value");
        browser.Open("/children");
        browser.Find($"[data-child='{child.Alias}'] a[href='/ask/{sitting}']").Click();
        browser.Await("[data-answered='1'] #raw:focus");
        Assert.Equal(place, browser.Find("[name=place]").GetAttribute("value"));
    }

    [Fact]
    public async Task Belief_is_folded_until_it_is_opened()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var browser = new Browser(site.Address);
        browser.Open("/");
        SignIn(browser);
        browser.Open($"/ask/{sitting}");
        Assert.Null(browser.Find("[data-belief]").GetAttribute("open"));
    }

    [Theory]
    [InlineData(33, 12)]
    [InlineData(300, 200)]
    [InlineData(190, 350)]
    [InlineData(5, 90)]
    public async Task Loose_hands_go_where_they_are_dragged(double minuteDegrees, double hourDegrees)
    {
        using var browser = await AtLooseHands();
        browser.Drag("[data-hands]", (Value(browser, "minute") * 6, 0.8), (minuteDegrees, 0.8));
        browser.Drag("[data-hands]", (Value(browser, "hour") * 30, 0.4), (hourDegrees, 0.4));
        Assert.Equal(minuteDegrees / 6, Value(browser, "minute"), 0.5);
        Assert.Equal(hourDegrees / 30, Value(browser, "hour"), 0.04);
    }

    [Fact]
    public async Task Loose_hands_turn_by_arrow_keys_and_say_where_they_are()
    {
        using var browser = await AtLooseHands();
        browser.TabTo("Long hand");
        browser.Type(Keys.Home + Keys.PageUp + Keys.PageUp + Keys.ArrowLeft);
        Assert.Equal(9, Value(browser, "minute"));
        Assert.Equal("between 1 and 2", browser.Find("[data-hand=minute]").GetAttribute("aria-valuetext"));
        browser.TabBack();
        browser.Type(Keys.Home + Keys.ArrowLeft);
        Assert.Equal(11.95, Value(browser, "hour"));
        Assert.Equal("between 11 and 12", browser.Find("[data-hand=hour]").GetAttribute("aria-valuetext"));
        browser.Type(Keys.Home);
        Assert.Equal("at 12", browser.Find("[data-hand=hour]").GetAttribute("aria-valuetext"));
    }

    private async Task<Browser> AtLooseHands()
    {
        var child = await site.Child(site.A);
        var (set, sitting) = await site.Set(site.A, child.Id, "hour-hand-on-numeral");
        var both = (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]
            .First(asked => asked.Item.Task == ClockTasks.SetFromDigital);
        await site.App.InSchool(site.A, connection => Sittings.MoveTo(connection, sitting, both.Place));
        var browser = new Browser(site.Address);
        browser.Open("/");
        SignIn(browser);
        browser.Open($"/practise/{set}");
        browser.Click("Hand over");
        browser.Await("[data-hands]");
        return browser;
    }

    private static double Value(Browser browser, string hand) =>
        double.Parse(browser.Find($"[data-hand-value={hand}]").GetAttribute("value")!, System.Globalization.CultureInfo.InvariantCulture);

    private async Task Practise(Browser browser, ChildId child)
    {
        var total = (await site.Record(site.A, child)).SittingsAsked[^1].Questions.Count;
        var looked = false;
        for (var done = 0; done < total; done++)
        {
            browser.Await($"#turn[data-done='{done}'] [data-question]");
            var item = (await Current(child)).Item;
            if (!looked && item.Task == ClockTasks.ReadDigital && item.Time.Minute != 0) LookAgain(browser, item);
            else Answer(browser, item);
            looked |= item.Task == ClockTasks.ReadDigital && item.Time.Minute != 0;
            browser.Await("[data-on]");
            browser.ClickOn("[data-on]");
        }
    }

    /// <summary>A wrong answer is shown as a clock before anything is told; the right one then settles it.</summary>
    private static void LookAgain(Browser browser, Item item)
    {
        Key(browser, Wording.Usual.Digital(item.Time.Plus(60)));
        browser.Click("Done");
        browser.Await("[data-feedback=look-again] .hand-shadow");
        Assert.DoesNotContain(Wording.Usual.Digital(item.Time), browser.Text, StringComparison.Ordinal);
        Key(browser, Wording.Usual.Digital(item.Time));
        browser.Click("Done");
        browser.Await("[data-feedback=right]");
    }

    private static void Answer(Browser browser, Item item)
    {
        browser.AwaitOpen();
        if (item.Task == ClockTasks.SetFromDigital)
        {
            var hands = HandPositions.Showing(item.Time);
            browser.Drag("[data-hands]", (Value(browser, "minute") * 6, 0.8), (hands.Minute * 6, 0.8));
            browser.Drag("[data-hands]", (Value(browser, "hour") * 30, 0.4), (hands.Hour * 30, 0.4));
            browser.Click("Done");
        }
        else if (item.Task == ClockTasks.HourOnly)
        {
            browser.ClickOn($"label:has([name=hourOf][value='{item.Time.Hour}'])");
            browser.ClickOn($"label:has([name=placeOf][value='{HourPlaces.PlaceOf(item.Time.Minute) switch { HourPlace.On => "on", HourPlace.LittlePast => "little past", HourPlace.Halfway => "halfway", _ => "nearly next" }}'])");
            browser.Click("Done");
        }
        else
        {
            // Typed with keys, and sent with Enter: also where a press that agrees stands before it.
            browser.Find("#entry").SendKeys(Wording.Usual.Digital(item.Time) + Keys.Enter);
        }
        browser.Await("[data-feedback=right]");
    }

    /// <summary>Presses the keys on the screen.</summary>
    private static void Key(Browser browser, string time)
    {
        foreach (var key in time) browser.Find($"[data-key='{key}']").Click();
        Assert.Equal(time, browser.Find("#entry").GetAttribute("value"));
    }

    private void SignIn(Browser browser)
    {
        browser.TabTo("Name or address");
        browser.Type(site.TeacherOfA + Keys.Tab + Site.Password + Keys.Enter);
        browser.AwaitPath("/day");
    }

    private async Task<Rows.AskedItem> Current(ChildId child)
    {
        var sitting = (await site.Record(site.A, child)).SittingsAsked[^1];
        return sitting.Questions.Single(question => question.Asked.Place == sitting.Sitting.CurrentPlace).Asked;
    }
}
