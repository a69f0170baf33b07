namespace Umbick.Web.Tests;

/// <summary>What is typed into a plain form and was not sent is there again, for whoever typed it and for nobody else.</summary>
public sealed class DraftTests(Site site) : IClassFixture<Site>
{
    private const string Form = "/children/new";

    [Fact]
    public void A_session_that_ended_meanwhile_takes_nothing_that_was_typed()
    {
        using var browser = Typed("Heron");
        browser.ForgetCookies();
        browser.Click("Add the child");
        browser.Fill("[name=userName]", site.TeacherOfA);
        browser.Fill("[name=password]", Site.Password);
        browser.Click("Sign in");
        browser.AwaitPath(Form);
        AssertStandsAgain(browser, "Heron");
        browser.Click("Take it out");
        Assert.Equal("", browser.Find("[name=alias]").GetAttribute("value"));
        browser.Open(Form);
        Assert.False(browser.Has("[data-drafted]"));
    }

    [Fact]
    public void A_form_that_had_grown_old_leads_back_to_its_page_with_what_was_typed()
    {
        using var browser = Typed("Dunlin");
        browser.ForgetCookies();
        browser.BeginSession(site.TeacherOfA);
        browser.Click("Add the child");
        browser.AwaitText("This page had grown old");
        browser.Click("Back to the page, with what you typed");
        browser.AwaitPath(Form);
        AssertStandsAgain(browser, "Dunlin");
    }

    [Fact]
    public void What_was_sent_is_no_draft_and_neither_is_what_was_refused_and_stands_there()
    {
        var alias = $"Knot {Guid.NewGuid():N}"[..12];
        using var browser = Typed(alias);
        browser.Click("Add the child");
        browser.AwaitText(alias);
        browser.Open(Form);
        Assert.Equal("", browser.Find("[name=alias]").GetAttribute("value"));
        browser.Fill("[name=alias]", alias);
        browser.Click("Add the child");
        browser.Await("[role=alert] a");
        Assert.Equal(alias, browser.Find("[name=alias]").GetAttribute("value"));
        Assert.False(browser.Has("[data-drafted]"));
    }

    [Fact]
    public void Signing_out_empties_it_and_somebody_else_never_sees_it()
    {
        using var browser = Typed("Godwit");
        Assert.NotEqual("", Kept(browser));
        browser.Click("Sign out");
        browser.AwaitText("Sign in");
        Assert.Equal("", Kept(browser));
        browser.BeginSession(site.TeacherOfA);
        Type(browser, "Godwit");
        browser.ForgetCookies();
        browser.BeginSession(site.TeacherOfB);
        browser.Open(Form);
        Assert.Equal("", browser.Find("[name=alias]").GetAttribute("value"));
        Assert.Equal("", Kept(browser));
    }

    [Fact]
    public async Task A_reason_is_not_kept_and_a_hand_over_leaves_nothing()
    {
        var child = await site.Child(site.A);
        using var browser = Typed("Whimbrel");
        browser.Open($"/children/{child.Id}/progress");
        browser.Fill("[data-begin-cycle] [name=reason]", "moved here in May");
        browser.Fill("[data-begin-cycle] [name=goal]", "9");
        Assert.DoesNotContain("moved here", Kept(browser), StringComparison.Ordinal);
        Assert.Contains("goal", Kept(browser), StringComparison.Ordinal);
        // What erases is typed anew each time.
        browser.Open($"/children/{child.Id}/record");
        browser.Fill("[action$='/erase'] [name=alias]", child.Alias);
        Assert.DoesNotContain(child.Alias, Kept(browser), StringComparison.Ordinal);
        var (set, _) = await site.Set(site.A, child.Id, "next-hour");
        browser.Open($"/practise/{set}");
        browser.Click("Hand over");
        browser.Await("#turn");
        Assert.Equal("", Kept(browser));
    }

    [Fact]
    public void A_press_sends_once_and_says_so_while_there_is_no_reply()
    {
        using var browser = Typed("Plover");
        browser.Network(offline: false, latency: 5_000);
        Assert.Equal("Sending… once", browser.Script<string>(
            """
            const press = document.querySelector("main form button");
            press.click();
            return new Promise((done) => {
              new MutationObserver(() => {
                const again = new SubmitEvent("submit", { cancelable: true, bubbles: true });
                press.form.dispatchEvent(again);
                done(`${press.textContent} ${again.defaultPrevented ? "once" : "twice"}`);
              }).observe(press, { childList: true });
            });
            """));
    }

    private Browser Typed(string alias)
    {
        var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        Type(browser, alias);
        return browser;
    }

    private static void Type(Browser browser, string alias)
    {
        browser.Open(Form);
        browser.Fill("[name=alias]", alias);
    }

    private static void AssertStandsAgain(Browser browser, string alias)
    {
        browser.Await("[data-drafted]");
        Assert.Equal(alias, browser.Find("[name=alias]").GetAttribute("value"));
    }

    private static string Kept(Browser browser) => browser.Script<string>(
        "return Object.entries(sessionStorage).filter(([key]) => key.startsWith('umbick.draft')).join()");
}
