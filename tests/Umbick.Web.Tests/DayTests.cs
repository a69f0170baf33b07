using OpenQA.Selenium;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// The day in a real browser: a visit from it and back by keys alone, an absence with a substitute, the timetable, and what it does not
/// show.
/// </summary>
public sealed class DayTests(
    Site site, MorningSite morning) : IClassFixture<Site>, IClassFixture<MorningSite>, IAsyncDisposable
{
    private const int ColdItems = 5;
    private const int Practised = 6;

    /// <summary>The timetable is the school's: each test leaves it empty.</summary>
    public async ValueTask DisposeAsync() => await site.App.InSchool(site.A, Empty);

    private static async Task Empty(SchoolConnection connection)
    {
        foreach (var slot in (await Timetables.Load(connection, DateOnly.MinValue, DateOnly.MinValue)).Slots)
            await Timetables.RemoveSlot(connection, slot.Id);
        foreach (var holiday in await Timetables.Holidays(connection)) await Timetables.RemoveHoliday(connection, holiday.Id);
    }

    [Fact]
    public async Task From_the_day_through_a_visit_and_back_by_keys_alone()
    {
        var child = await Likely();
        await MorningSite.SlotNow(site, child.Id);
        using var browser = Browser.SignedIn(morning.Address, site.TeacherOfA);
        browser.Open("/day");
        browser.Await("[data-begin] a:focus");
        Assert.Equal(800, browser.Script<long>("return document.documentElement.scrollHeight"));
        Assert.DoesNotContain("coming", browser.Find("main").Text, StringComparison.OrdinalIgnoreCase);
        browser.Type(Keys.Enter);
        browser.AwaitPath("/visits/begin");
        browser.TabTo("Begin");
        browser.Type(Keys.Enter);
        browser.Await("[data-part=room] [data-box]:focus");
        browser.Type("9:40" + Keys.Enter);
        for (var place = 1; place <= ColdItems; place++) Answer("cold", place);
        browser.Await("[data-part=show]");
        browser.TabTo("Shown: now practise");
        browser.Type(Keys.Enter);
        for (var place = 1; place <= Practised; place++)
        {
            Answer("practise", place);
            browser.Await("[data-next]:focus");
            browser.Type(Keys.Enter);
        }
        Answer("close", Practised + 1);
        browser.Await("[data-next]:focus");
        browser.Type(Keys.Enter);
        browser.Await("[data-over] a.press:focus");
        browser.Type(Keys.Enter);
        browser.AwaitPath("/day");
        Assert.Contains("seen", browser.Find($"[data-seat='{child.Alias}']").Text, StringComparison.Ordinal);

        void Answer(string part, int place)
        {
            browser.Await($"[data-part={part}][data-place='{place}'] [data-box]:focus");
            browser.Type("." + Keys.Enter);
        }
    }

    [Fact]
    public async Task Absent_by_one_press_a_substitute_by_one_more_and_both_taken_back()
    {
        var (child, other) = (await site.Child(site.A), await site.Child(site.A));
        await MorningSite.SlotNow(site, child.Id);
        using var browser = Browser.SignedIn(morning.Address, site.TeacherOfA);
        browser.Open("/day");
        browser.ClickOn($"[data-seat='{child.Alias}'] button[name=absent]");
        browser.Await($"[data-seat='{child.Alias}'][data-why=Absent]");
        var substitute = browser.Find("[data-substitutes] button").Text;
        browser.ClickOn("[data-substitutes] button");
        browser.Await($"[data-seat='{substitute}'][data-why='']");
        browser.Reload();
        browser.Click("not after all");
        browser.AwaitGone($"[data-seat='{substitute}']");
        browser.Click("can come");
        browser.Await($"[data-seat='{child.Alias}'][data-why='']");
        Assert.NotEqual(child.Alias, other.Alias);
    }

    [Fact]
    public async Task With_nothing_in_it_the_day_says_what_to_do_first()
    {
        using var teacher = await Visitor.TeacherOf(morning.Address, site.TeacherOfB);
        Assert.Contains("There is no timetable yet", (await teacher.Page("/day")).QuerySelector("[data-now]")!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task On_a_holiday_nothing_is_planned()
    {
        await MorningSite.SlotNow(site, (await site.Child(site.A)).Id);
        await site.App.InSchool(site.A,
            connection => Timetables.AddHoliday(connection, Guid.NewGuid(),
                new Holiday("Lamp week", MorningSite.Today.AddDays(-2), MorningSite.Today.AddDays(2))));
        using var teacher = await Visitor.TeacherOf(morning.Address, site.TeacherOfA);
        var page = await teacher.Page("/day");
        Assert.Contains("Lamp week", page.QuerySelector("[data-now]")!.TextContent, StringComparison.Ordinal);
        Assert.Empty(page.QuerySelectorAll("[data-slot]"));
    }

    [Theory]
    [InlineData("Slot", "from", "half past nine", "Write the time like 9:40.")]
    [InlineData("Slot", "minutes", "90", "A slot has 5 to 60 minutes.")]
    [InlineData("Slot", "minutes", "many", "That could not be read.")]
    [InlineData("Holiday", "last", "2020-01-01", "The last day has to be the first or later.")]
    [InlineData("Holiday", "last", "2040-01-01", "A holiday has fewer than 120 days.")]
    [InlineData("Bar", "to", "9:00", "It has to end after it begins.")]
    [InlineData("Bar", "className", " ", "Say which class.")]
    public async Task What_cannot_stand_in_a_timetable_is_refused_with_why_and_nothing_is_changed(
        string handler, string field, string value, string why)
    {
        using var teacher = await Visitor.TeacherOf(morning.Address, site.TeacherOfA);
        var (_, fields) = await teacher.Form("/timetable", "Add the slot");
        foreach (var (name, usual) in new (string, string)[] { ("slot", $"{Guid.NewGuid()}"), ("id", $"{Guid.NewGuid()}"),
            ("weekday", "Monday"), ("from", "9:40"), ("to", "10:10"), ("minutes", "12"), ("className", "Tide class"), ("what", "singing"),
            ("name", "Lamp week"), ("first", "2026-03-02"), ("last", "2026-03-06") }) fields[name] = usual;
        fields[field] = value;
        var answer = await teacher.Post($"/timetable?handler={handler}", fields);
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, answer.StatusCode);
        var told = (await Visitor.Read(answer)).QuerySelector("[role=alert]")!.TextContent;
        Assert.Contains(why, told, StringComparison.Ordinal);
        Assert.Contains("Nothing was changed.", told, StringComparison.Ordinal);
        Assert.Empty(await site.App.InSchool(site.A,
            async connection => (await Timetables.Load(connection, DateOnly.MinValue, DateOnly.MinValue)).Slots));
    }

    [Fact]
    public async Task A_slot_is_added_filled_and_taken_out_on_the_page()
    {
        var child = await site.Child(site.A);
        using var browser = Browser.SignedIn(morning.Address, site.TeacherOfA);
        browser.Open("/timetable");
        browser.Put("[data-new-slot] [name=from]", "09:40");
        foreach (var day in new[] { "Monday", "Thursday" }) browser.ClickOn($"[data-new-slot] [value={day}]");
        browser.Click("Add the slot");
        browser.Await("li[data-slot]");
        Assert.Equal(2, browser.Count("li[data-slot]"));
        Assert.Contains("kept free", browser.Find("li[data-slot]").Text, StringComparison.Ordinal);
        browser.ClickOn("li[data-slot] [data-change]");
        browser.Await("li[data-slot] select");
        browser.Script<object?>(
            $"[...document.querySelector('li[data-slot] select').options].find(o => o.textContent === '{child.Alias}').selected = true");
        browser.Click("Keep");
        browser.AwaitText(child.Alias);
        // A new term keeps the times, and nobody in them.
        browser.ClickOn("[data-new-term] summary");
        browser.Click("Take everybody out");
        browser.AwaitGone("[data-new-term]");
        Assert.Equal(2, browser.Count("li[data-slot]"));
        foreach (var left in new[] { 1, 0 })
        {
            browser.ClickOn("li[data-slot] [data-change]");
            browser.Click("take the slot out");
            browser.AwaitScript($"return document.querySelectorAll('li[data-slot]').length === {left}");
        }
    }

    /// <summary>A child of whom one pattern is likely.</summary>
    private async Task<Child> Likely()
    {
        var child = await site.Child(site.A);
        var simulated = site.Simulated("next-hour");
        var sitting = await site.Sitting(site.A, child.Id);
        var asking = new Casework.Asking(site.Model, TimeProvider.System);
        await site.App.InSchool(site.A, async connection =>
        {
            while (await Sittings.Find(connection, sitting) is { EndedAt: null } now)
            {
                var item = (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(asked => asked.Place == now.CurrentPlace).Item;
                await asking.Answer(connection, sitting,
                    new Casework.Submission(Guid.NewGuid(), now.CurrentPlace, simulated.Answer(item, item.Task.Aloud), item.Task.Aloud,
                        null), null);
            }
            // Whichever clocks were drawn, it is called likely.
            await new Casework.Deciding(site.Model, TimeProvider.System).Say(connection, Guid.NewGuid(), child.Id,
                Core.Patterns.Catalogue.Find("next-hour")!, holds: true, "seen at the board",
                (await Casework.ChildRecord.Load(connection, site.Model, child.Id))!.Source, Guid.NewGuid());
        });
        return child;
    }
}
