using System.Net;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>Groups and the days of several teachers, as pages: proposed by the planner beside the site, kept by a press.</summary>
public sealed class GroupPagesTests(Site site) : IClassFixture<Site>, IAsyncDisposable
{
    /// <summary>The timetable is the school's: each test leaves it empty.</summary>
    public async ValueTask DisposeAsync() => await site.App.InSchool(site.B, async connection =>
    {
        foreach (var slot in (await Timetables.Load(connection, DateOnly.MinValue, DateOnly.MinValue)).Slots)
            await Timetables.RemoveSlot(connection, slot.Id);
    });

    private Task<IReadOnlyList<Slot>> Slots() => site.App.InSchool(site.B,
        async connection => (await Timetables.Load(connection, DateOnly.MinValue, DateOnly.MinValue)).Slots);

    private Task Add(params Slot[] slots) => site.App.InSchool(site.B, async connection =>
    {
        foreach (var slot in slots) await Timetables.AddSlot(connection, slot);
    });

    private static Slot At(DayOfWeek day, int hour, params ChildId[] children) =>
        new(Guid.NewGuid(), day, new TimeOnly(hour, 40), 12, children);

    [Fact]
    public async Task A_plan_is_looked_for_while_the_page_stands_and_is_kept_by_a_press()
    {
        var child = await site.Child(site.B);
        await Add(At(DayOfWeek.Monday, 9, child.Id), At(DayOfWeek.Tuesday, 9), At(DayOfWeek.Wednesday, 9));
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfB);
        browser.Open("/groups");
        browser.Await("[data-plan] [data-changes]");
        // The planner itself was asked, in a process of its own.
        Assert.Contains("It cannot be bettered.", browser.Find("[data-how-good]").Text, StringComparison.Ordinal);
        Assert.Contains($"{child.Alias} leaves Mon 9:40", browser.Find("[data-changes]").Text, StringComparison.Ordinal);
        Assert.Contains(child.Alias, browser.Find("[data-left-out]").Text, StringComparison.Ordinal);
        browser.Click("Keep these groups");
        browser.Await("[data-kept]");
        Assert.All(await Slots(), slot => Assert.Empty(slot.Children));
    }

    [Fact]
    public async Task What_is_refused_says_why_and_a_slot_let_go_is_the_plan_s_again()
    {
        var (one, other) = (await site.Child(site.B), await site.Child(site.B));
        await Add(At(DayOfWeek.Monday, 9, one.Id) with { IsByHand = true });
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfB);
        var twice = await teacher.Send("/groups?plan=true", "Keep them apart", new() { ["one"] = $"{one.Id}", ["other"] = $"{one.Id}" });
        Assert.Equal(HttpStatusCode.BadRequest, twice.StatusCode);
        Assert.Contains("Choose two children.", (await Visitor.Read(twice)).QuerySelector("[role=alert]")!.TextContent,
            StringComparison.Ordinal);
        var stranger = await site.Child(site.A);
        var strange = await teacher.Send("/groups?plan=true", "Keep them apart",
            new() { ["one"] = $"{one.Id}", ["other"] = $"{stranger.Id}" });
        Assert.Equal(HttpStatusCode.BadRequest, strange.StatusCode);

        await teacher.Send("/groups?plan=true", "Keep them apart", new() { ["one"] = $"{other.Id}", ["other"] = $"{one.Id}" });
        var page = await teacher.Page("/groups?plan=true");
        Assert.Contains(one.Alias, page.QuerySelector("[data-apart] ul")!.TextContent, StringComparison.Ordinal);
        await teacher.Send("/groups?plan=true", "no longer");
        Assert.DoesNotContain(one.Alias, (await teacher.Page("/groups")).QuerySelector("[data-apart] ul")!.TextContent,
            StringComparison.Ordinal);

        Assert.Contains("As you left them", page.Body!.TextContent, StringComparison.Ordinal);
        await teacher.Send("/groups?plan=true", "Let the plan fill");
        Assert.All(await Slots(), slot => Assert.False(slot.IsByHand));
        var stale = await teacher.Form("/groups?plan=true", "Keep these groups");
        stale.Fields["mark"] = "0123456789abcdef";
        var refused = await teacher.Post("/groups?handler=keep", stale.Fields);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("Nothing was kept", (await Visitor.Read(refused)).QuerySelector("[role=alert]")!.TextContent,
            StringComparison.Ordinal);
        Assert.Contains(await Slots(), slot => slot.Children.Contains(one.Id));
    }

    [Fact]
    public async Task Each_of_two_teachers_sees_the_own_day_and_the_school_s()
    {
        var today = DateOnly.FromDateTime(DateTime.UtcNow).DayOfWeek;
        var weekday = today is DayOfWeek.Saturday or DayOfWeek.Sunday ? DayOfWeek.Monday : today;
        var gale = await site.Colleague(site.B, PersonRole.Teacher);
        var knot = await site.Colleague(site.B, PersonRole.Teacher);
        var (hers, others, nobodys) = (await site.Child(site.B), await site.Child(site.B), await site.Child(site.B));
        await Add(At(weekday, 9, hers.Id) with { Teacher = gale.Id }, At(weekday, 10, others.Id) with { Teacher = knot.Id },
            At(weekday, 11, nobodys.Id));
        using var teacher = await Visitor.TeacherOf(site, gale.UserName);
        if (weekday != today) return;
        Assert.Equal([hers.Alias, nobodys.Alias], Seats(await teacher.Page("/day")));
        Assert.Equal([hers.Alias, others.Alias, nobodys.Alias], Seats(await teacher.Page("/day?whose=school")));
        var morning = await teacher.Get("/day?handler=morning");
        Assert.Equal("application/pdf", morning.Content.Headers.ContentType!.MediaType);

        static IEnumerable<string?> Seats(AngleSharp.Html.Dom.IHtmlDocument page) =>
            page.QuerySelectorAll("[data-slots] [data-seat]").Select(seat => seat.GetAttribute("data-seat"));
    }
}
