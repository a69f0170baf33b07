using OpenQA.Selenium;
using Umbick.Casework;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>What somebody hears who does not see: where hands stand, what is shown, what was refused, and nothing twice.</summary>
public sealed class SaidTests(Site site) : IClassFixture<Site>
{
    private const string Said = "return document.getElementById('said').textContent";

    [Fact]
    public async Task A_hand_says_from_the_first_where_it_stands_in_the_words_that_it_says_later()
    {
        var child = await site.Child(site.A);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/clock");
        AssertSaysTheSame(browser);
        using var tablet = new Browser(site.Address);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, await site.OnScreen(site.A, child.Id, "set-from-words")));
        AssertSaysTheSame(tablet);
    }

    [Fact]
    public async Task A_demonstration_is_said_position_by_position_and_what_was_said_is_gone_after_a_while()
    {
        var (visit, _) = await site.Visit(site.A, 1);
        await site.App.InSchool(site.A, connection => Store.Visits.MoveTo(connection, visit, VisitPart.Show, 1));
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/visits/{visit}");
        var positions = browser.Count("[data-position]");
        browser.Click("Tell it");
        AwaitSaid(browser, browser.Find("[data-position='0'] [data-say]").Text);
        browser.Click("Next");
        if (browser.Has("[data-predicting]:not([hidden])"))
        {
            AwaitSaid(browser, browser.Find("[data-predicting]").Text);
            browser.Click("Shown: turn it");
        }
        AwaitSaid(browser, $"2 of {positions}");
        AwaitSaid(browser, browser.Find("[data-position='1'] [data-ask]").Text);
        browser.AwaitScript("return document.getElementById('said').textContent === ''");
    }

    [Fact]
    public async Task In_conversation_the_clock_to_show_is_said_and_a_refused_answer_is_marked()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id, new AskingOptions(Plan.Chosen) { Tasks = ["read-digital", "read-digital"] });
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        browser.Await("#raw:focus");
        Assert.Null(browser.Find("#raw").GetAttribute("aria-invalid"));
        browser.Type("grbl" + Keys.Enter);
        browser.Await("#asking:not([data-typing-on]) #raw[aria-invalid=true]:focus");
        browser.Type("4:12" + Keys.Enter);
        browser.Await("#asking[data-answered='1'] #raw:focus");
        var items = (await site.Record(site.A, child.Id)).SittingsAsked[0].Questions;
        AwaitSaid(browser, $"The clock to show: {Core.Clocks.Wording.Usual.Digital(items[1].Asked.Item.Time)}.");
    }

    [Fact]
    public void A_refused_field_of_a_plain_form_has_the_focus_and_is_marked_and_described()
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/children/new");
        var alias = $"Stint {Guid.NewGuid():N}"[..13];
        for (var twice = 0; twice < 2; twice++)
        {
            browser.Open("/children/new");
            browser.Fill("[name=alias]", alias);
            browser.Click("Add the child");
            browser.AwaitText(alias);
        }
        browser.Await("[name=alias][aria-invalid=true]:focus");
        var described = browser.Find("[name=alias]").GetAttribute("aria-describedby")!.Split(' ');
        Assert.Contains(described, id => browser.Find($"#{id}").Text.Contains(alias, StringComparison.Ordinal));
    }

    [Fact]
    public async Task The_record_says_hands_in_words_and_no_belief_is_whole()
    {
        var child = (await site.Child(site.A)).Id;
        var sitting = await site.Sitting(site.A, child, new AskingOptions(Plan.Chosen) { Tasks = ["set-from-digital"] });
        await site.App.InSchool(site.A, connection => new Asking(site.Model, TimeProvider.System).Answer(connection, sitting,
            new Submission(AnswerId.New(), 1, "0.25|3", AnswerMode.Placed, null), null));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var record = (await teacher.Page($"/children/{child}/record")).Body!.TextContent;
        Assert.DoesNotContain("0.25|3", record, StringComparison.Ordinal);
        Assert.Contains("the short hand ", record, StringComparison.Ordinal);
        Assert.DoesNotContain("100 %", (await teacher.Page($"/children/{child}")).Body!.TextContent, StringComparison.Ordinal);
    }

    private static void AssertSaysTheSame(Browser browser)
    {
        browser.Await("[data-hand=hour]");
        Assert.Equal("", browser.Script<string>(
            """
            const board = document.querySelector("[data-hands]");
            const hands = [...board.querySelectorAll("[data-hand]")];
            const before = hands.map((hand) => hand.getAttribute("aria-valuetext"));
            const value = (name) => Number(board.querySelector(`[data-hand="${name}"]`).getAttribute("aria-valuenow"));
            const detail = { hour: value("hour"), minute: value("minute") };
            board.dispatchEvent(new CustomEvent("umbick:put", { bubbles: true, detail }));
            return hands.map((hand, i) => [before[i], hand.getAttribute("aria-valuetext")])
              .filter(([first, later]) => first !== later).join();
            """));
    }

    private static void AwaitSaid(Browser browser, string text) =>
        browser.AwaitScript($"{Said}.includes({System.Text.Json.JsonSerializer.Serialize(text)})");
}
