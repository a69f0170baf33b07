using OpenQA.Selenium;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>The next thing to do is one key away on every page, and any child is a few letters away.</summary>
public sealed class NextThingTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Where_nothing_is_typed_the_amber_press_has_the_focus_and_one_key_does_it_everywhere()
    {
        var child = await site.Child(site.A);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/children/{child.Id}");
        browser.Await(".press-next:focus");
        browser.Type(Keys.Enter);
        browser.Await("#raw:focus");
        // The same from a field, and where it ends in another page.
        browser.Type("4:12");
        browser.TypeWithControl(Keys.Enter);
        browser.Await("#asking[data-answered='1']");
        browser.Open("/children/new");
        browser.Await("[name=alias]:focus");
        browser.Type($"Teal {Guid.NewGuid():N}"[..12]);
        browser.TypeWithControl(Keys.Enter);
        browser.AwaitText("Begin asking");
    }

    [Fact]
    public async Task What_hands_over_is_pressed_on_purpose_and_neither_has_the_focus_nor_goes_by_the_key()
    {
        var (set, _) = await site.Set(site.A, (await site.Child(site.A)).Id, "next-hour");
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/practise/{set}");
        browser.AwaitText("Hand over");
        Assert.False(browser.Has(".press-next:focus"));
        browser.TypeWithControl(Keys.Enter);
        browser.Await(".press-next:focus");
        Assert.Equal($"/practise/{set}", browser.Path);
    }

    [Fact]
    public async Task From_any_page_a_child_is_found_by_a_few_letters_and_the_focus_is_given_back()
    {
        var alias = $"Zz%_{Guid.NewGuid():N}"[..14];
        var child = new Child(ChildId.New(), alias, Core.Items.Stage.FiveMinutesTo);
        await site.App.InSchool(site.A, connection => Children.Add(connection, child, DateTime.UtcNow));
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/patterns");
        browser.Focus(".places a");
        browser.Type("/");
        browser.Await("#finder [name=letters]:focus");
        browser.Type("%_");
        browser.Await($"#finder-found a[href='/children/{child.Id}']");
        browser.Type(Keys.Escape);
        browser.Await(".places a:focus");
        browser.Type("/");
        browser.Await("#finder [name=letters]:focus");
        browser.TypeWithControl("a");
        browser.Type(alias[..8].ToUpperInvariant() + Keys.Enter);
        browser.AwaitPath($"/children/{child.Id}");
        browser.Open("/children/find?letters=nobodyhasthis");
        browser.AwaitText("Nobody has an alias with “nobodyhasthis” in it");
    }

    [Fact]
    public void The_list_of_keys_takes_the_focus_and_gives_it_back_and_single_keys_can_be_switched_off()
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/patterns");
        browser.Focus(".places a");
        browser.Type("?");
        browser.AwaitScript("return document.getElementById('keys').contains(document.activeElement)");
        browser.Type(Keys.Escape);
        browser.Await(".places a:focus");
        browser.Type("?");
        browser.Click("Switch ? and / off on this device");
        browser.AwaitText("on again on this device");
        browser.Type(Keys.Escape + "/");
        Assert.False(browser.Has("#finder:popover-open"));
        browser.Open("/patterns");
        browser.Focus(".places a");
        browser.Type("?");
        Assert.False(browser.Has("#keys:popover-open"));
    }
}
