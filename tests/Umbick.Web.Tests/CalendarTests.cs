using System.Diagnostics;
using System.Net;
using System.Text.Json;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>A teacher's slots in the calendar of another program: by a private address, and by nobody else.</summary>
public sealed class CalendarTests(Site site) : IClassFixture<Site>
{
    private sealed record Entry(string Uid, string Summary, DateTime Start, DateTime End, IReadOnlyList<string> Names);

    private static async Task<string> Address(Visitor teacher) => new Uri(
        (await Visitor.Read(await teacher.Send("/calendar", "Make"))).QuerySelector("[data-address]")!.TextContent).AbsolutePath;

    /// <summary>Reads a calendar with a parser of another make.</summary>
    private static async Task<IReadOnlyList<Entry>> Read(string calendar)
    {
        using var reading = Process.Start(new ProcessStartInfo(
            "node", [Path.Combine(Site.Setting("UMBICK_ROOT"), "tests/scripts/read-calendar.mjs")])
        { RedirectStandardInput = true, RedirectStandardOutput = true })!;
        await reading.StandardInput.WriteAsync(calendar);
        reading.StandardInput.Close();
        return JsonSerializer.Deserialize<IReadOnlyList<Entry>>(
            await reading.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken), JsonSerializerOptions.Web)!;
    }

    private Task Add(SchoolId school, Slot slot) => site.App.InSchool(school, connection => Timetables.AddSlot(connection, slot));

    [Fact]
    public async Task It_tells_times_and_nothing_of_a_child_and_is_read_by_another_parser()
    {
        var child = await site.Child(site.B);
        var (mine, other) = (await site.Colleague(site.B, PersonRole.Teacher), await site.Colleague(site.B, PersonRole.Teacher));
        var slot = new Slot(Guid.NewGuid(), DayOfWeek.Tuesday, new TimeOnly(9, 40), 12, [child.Id]) { Teacher = mine.Id };
        await Add(site.B, slot);
        await Add(site.B, slot with { Id = Guid.NewGuid(), Weekday = DayOfWeek.Friday, Teacher = other.Id, Children = [] });
        await site.App.InSchool(site.B, connection => Children.SetClass(connection, child.Id, "Tide class"));
        await site.App.InSchool(site.B, connection => Timetables.Bar(connection, Guid.NewGuid(),
            new BarredTime("Tide class", DayOfWeek.Monday, new TimeOnly(9, 0), new TimeOnly(10, 0), "swimming")));
        using var teacher = await Visitor.TeacherOf(site, mine.UserName);
        using var program = new Visitor(site);
        var answer = await program.Get(await Address(teacher));
        Assert.Equal("text/calendar", answer.Content.Headers.ContentType!.MediaType);
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        foreach (var secret in new[] { child.Alias, child.Id.ToString(), "Tide", "swimming", "Knot", "hour", "pattern" })
            Assert.DoesNotContain(secret, text, StringComparison.OrdinalIgnoreCase);

        var entries = await Read(text);
        Assert.True(entries.Count > 20, $"{entries.Count} entries");
        Assert.Equal(entries.Count, entries.Select(entry => entry.Uid).Distinct().Count());
        Assert.All(entries, entry =>
        {
            Assert.Equal("A visit", entry.Summary);
            Assert.Equal(TimeSpan.FromMinutes(12), entry.End - entry.Start);
            Assert.Equal(["dtend", "dtstamp", "dtstart", "sequence", "summary", "uid"], entry.Names.Append("sequence").Distinct().Order());
        });
        // Twenty to ten by the school's clock, before its clocks change and after.
        var zone = TimeZoneInfo.FindSystemTimeZoneById("Europe/London");
        var local = entries.Select(entry => TimeZoneInfo.ConvertTimeFromUtc(entry.Start.ToUniversalTime(), zone)).ToList();
        Assert.All(local, time => Assert.Equal((DayOfWeek.Tuesday, new TimeSpan(9, 40, 0)), (time.DayOfWeek, time.TimeOfDay)));
        Assert.Equal(2, entries.Zip(local, (entry, time) => time - entry.Start.ToUniversalTime()).Distinct().Count());

        // A holiday and a slot that is gone leave nothing behind; the file says the same.
        var shut = DateOnly.FromDateTime(local[4]);
        await site.App.InSchool(site.B, connection =>
            Timetables.AddHoliday(connection, Guid.NewGuid(), new Holiday("Lamp week", shut.AddDays(-1), shut.AddDays(2))));
        Assert.Equal(entries.Count - 1, (await Read(await File())).Count);
        await site.App.InSchool(site.B, connection => Timetables.RemoveSlot(connection, slot.Id));
        Assert.Empty(await Read(await File()));

        async Task<string> File() => await (await teacher.Get("/calendar?handler=file")).Content
            .ReadAsStringAsync(TestContext.Current.CancellationToken);
    }

    [Fact]
    public async Task Withdrawn_replaced_or_of_somebody_who_has_left_it_opens_nothing()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        using var program = new Visitor(site);
        var first = await Address(teacher);
        Assert.Equal(HttpStatusCode.OK, (await program.Get(first)).StatusCode);
        var second = await Address(teacher);
        Assert.Equal(HttpStatusCode.NotFound, (await program.Get(first)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await program.Get(second)).StatusCode);
        await teacher.Send("/calendar", "Withdraw it");
        Assert.Equal(HttpStatusCode.NotFound, (await program.Get(second)).StatusCode);

        var third = await Address(teacher);
        await site.App.InSchool(site.A, connection => People.Change(connection, person.Id, PersonRole.Teacher, inCharge: false,
            leaves: true, DateTime.UtcNow));
        Assert.Equal(HttpStatusCode.NotFound, (await program.Get(third)).StatusCode);
        foreach (var guess in new[] { "/calendar/none", $"/calendar/{new string('0', 64)}", $"{third[..^1]}g", "/calendar/%00" })
            Assert.True((await program.Get(guess)).StatusCode is HttpStatusCode.NotFound or HttpStatusCode.BadRequest, guess);
    }

    [Fact]
    public async Task Who_is_made_an_assistant_has_a_calendar_no_more_and_an_assistant_makes_none()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        using var program = new Visitor(site);
        var address = await Address(teacher);
        await site.App.InSchool(site.A, connection => People.Change(connection, person.Id, PersonRole.Assistant, inCharge: false,
            leaves: false, DateTime.UtcNow));
        Assert.Equal(HttpStatusCode.NotFound, (await program.Get(address)).StatusCode);
        using var assistant = await Visitor.AssistantOf(site, site.A);
        Assert.Equal(HttpStatusCode.Forbidden, (await assistant.Get("/calendar")).StatusCode);
    }
}
