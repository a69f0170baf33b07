using OpenQA.Selenium;
using Umbick.Training;

namespace Umbick.Web.Tests;

/// <summary>Takes every picture in docs/screenshots from the demonstration data. <c>./umbick shots</c> runs it; the tests do not.</summary>
public sealed class Shots(Site site) : IClassFixture<Site>
{
    private static readonly string Folder = Environment.GetEnvironmentVariable("UMBICK_SHOTS") ?? "";

    [Fact(Explicit = true)]
    [Trait("Kind", "Shots")]
    public void Draw_the_rooms()
    {
        var root = Site.Setting("UMBICK_ROOT");
        File.WriteAllText(Path.Combine(root, RoomsPicture.Path), RoomsPicture.Draw(root));
    }

    [Fact(Explicit = true)]
    [Trait("Kind", "Shots")]
    public void Take()
    {
        using var browser = new Browser(site.Address);
        browser.Open("/explain?time=6:40&answer=7:40");
        Picture(browser, "explain");

        LookRound(browser);
        Picture(browser, "day");
        browser.Open("/groups");
        browser.Await("[data-plan]");
        Picture(browser, "groups");
        browser.Open("/children");
        Picture(browser, "children");
        Child(browser, "Heron");
        browser.Click("Progress");
        browser.Await(".chart");
        Picture(browser, "progress");
        Child(browser, "Plover");
        Picture(browser, "child");

        browser.Open("/ask");
        browser.Click("Eider");
        browser.AwaitText("What shall Eider be asked");
        browser.Click("Begin");
        foreach (var (answer, i) in new[] { ".", ".", "7:20", "." }.Select((answer, i) => (answer, i)))
        {
            browser.Await($"[data-answered='{i}'] #raw:focus");
            browser.Type(answer + Keys.Enter);
        }
        browser.Await("[data-answered='4'] #raw:focus");
        Picture(browser, "asking");

        browser.Open("/classes");
        browser.Click("Tide class");
        browser.Await("[data-group=Join]");
        Picture(browser, "class");
        browser.Open("/settings");
        Picture(browser, "settings");

        browser.Open("/patterns");
        Picture(browser, "patterns");
        Child(browser, "Fennel");
        browser.Click("Whole record");
        browser.AwaitText("The record of Fennel");
        Picture(browser, "record");
        Child(browser, "Heron");
        browser.Click("Report");
        browser.Click("For the lead");
        browser.Await("[data-report=lead]");
        browser.Click("Keep it");
        browser.Await("[data-kept]");
        Picture(browser, "report");

        Child(browser, "Marram");
        browser.Click("See the set");
        browser.Click("Give Marram");
        browser.Click("Hand over");
        browser.Await("[data-question]");
        Picture(browser, "question");
        browser.AwaitOpen();
        browser.Type("10:50" + Keys.Enter);
        browser.Await("[data-feedback=look-again]");
        Picture(browser, "look-again");
        LookRound(browser);
        browser.Open("/clock");
        foreach (var toggle in new[] { "figures", "words", "minutes", "halves", "space" }) browser.ClickOn($"[data-toggle={toggle}]");
        Picture(browser, "clock");
        var trained = new MadeUpChildren(site.Model).SeedAt(TrainingLevel.LookAlikes, 27);
        browser.Open($"/trainer/told?level=look-alikes&child={trained}&asked=read-digital%207:50;read-words%204:40;"
            + "set-from-digital%202:25;read-digital%209:30;read-digital%203:00;read-words%2012:25&verdict=next-hour&words=give-away"
            + "&shown=none");
        Picture(browser, "trainer");
        Child(browser, "Sorrel");
        browser.Click("See the set");
        browser.Click("Give it on paper");
        browser.Await("[data-paper] svg");
        Picture(browser, "sheet");
        browser.Open("/paper");
        browser.AwaitText("Things to make");
        Picture(browser, "paper");
        // Last, for those who were seen together are asked again next.
        Visit(browser);
    }

    private static void Picture(Browser browser, string name) => browser.Picture(Path.Combine(Folder, $"{name}.png"));

    /// <summary>A visit with the two who take the hands for each other, up to a practised clock that both read the old way.</summary>
    private static void Visit(Browser browser)
    {
        browser.Open("/visits/begin?pattern=hands-swapped");
        browser.Click("Begin");
        browser.Await("[data-part=room] [data-box]:focus");
        // One of them is noted as absent today, and comes late.
        browser.Click("Who is not here");
        browser.Click("Kestrel has come");
        browser.Await(".visit-box:nth-child(2)");
        browser.Click("No clock here");
        for (var place = 1; place <= 5; place++)
        {
            browser.Await($"[data-part=cold][data-place='{place}'] [data-box]:focus");
            // As quickly as somebody types, and not as a machine does.
            browser.TypeBlind("..", 40);
        }
        browser.Await("[data-part=show]");
        browser.ClickOn("[data-shown]");
        // Up to the first clock that the pattern reads in a way of its own.
        for (var place = 1; ; place++)
        {
            browser.Await($"[data-part=practise][data-place='{place}'] [data-box]:focus");
            browser.Type(Keys.F2);
            if (browser.Find("[data-put]:nth-child(2)").Text == "old way" || place == 4) break;
            browser.Type(Keys.F2);
            browser.TypeBlind("..", 200);
            browser.Await("[data-came]");
            browser.ClickOn("[data-next]");
        }
        browser.ClickOn("[data-put]:nth-child(2)");
        browser.ClickOn(".visit-box:nth-child(2) [data-put]:nth-child(1)");
        browser.Await("[data-came]");
        browser.ClickOn("[data-rung=hand-named]");
        browser.Await("[data-rung=hand-named][aria-pressed=true]");
        Picture(browser, "visit");
        browser.Click("Stop here");
        browser.Await("[data-over]");
    }

    private static void LookRound(Browser browser)
    {
        browser.Open("/");
        browser.Click("Look round");
        browser.AwaitPath("/day");
    }

    private static void Child(Browser browser, string alias)
    {
        browser.Open("/children");
        browser.Find($"[data-child='{alias}'] a").Click();
        browser.Await("[data-finding]");
    }
}
