using System.Net;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>Records and files on the pages: taken out, kept, erased, read in, moved on.</summary>
public sealed class RecordPagesTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task A_record_is_read_taken_out_and_taken_in_at_another_school()
    {
        var child = await Asked();
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page($"/children/{child.Id}/record");
        Assert.Equal(["4:12", "8:40"], page.QuerySelectorAll("[data-sitting] td .childs").Select(raw => raw.TextContent));
        var file = await (await teacher.Get($"/children/{child.Id}/record?handler=file")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken);
        Assert.Contains($"\"alias\": \"{child.Alias}\"", file, StringComparison.Ordinal);

        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        var taken = (await other.SendFile("Record", "record.json", file)).Headers.Location!.OriginalString;
        Assert.Equal(HttpStatusCode.OK, (await other.Get($"{taken}/progress")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get($"/children/{child.Id}")).StatusCode);
        var again = await other.SendFile("Record", "record.json", file, new() { ["alias"] = "Another one" });
        Assert.Equal(HttpStatusCode.BadRequest, again.StatusCode);
        Assert.Contains("This record is here already. Nothing was taken in.", (await Visitor.Read(again)).Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task Only_whoever_is_in_charge_erases_a_record_and_only_by_its_alias()
    {
        var child = await Asked();
        var plain = await site.Colleague(site.A, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, plain.UserName);
        Assert.Empty((await teacher.Page($"/children/{child.Id}/record")).QuerySelectorAll("#erase"));
        var (_, fields) = await teacher.Form($"/children/{child.Id}/record", "Keep");
        fields["alias"] = child.Alias;
        Assert.Equal(HttpStatusCode.Forbidden, (await teacher.Post($"/children/{child.Id}/erase", fields)).StatusCode);

        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var refused = await charge.Send($"/children/{child.Id}/record", "Erase the record", new() { ["alias"] = "Somebody else" });
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("Nothing was erased", (await Visitor.Read(refused)).Body!.TextContent, StringComparison.Ordinal);
        await Visitor.AssertSentTo("/files?erased=true",
            await charge.Send($"/children/{child.Id}/record", "Erase the record", new() { ["alias"] = $" {child.Alias} " }));
        Assert.Equal(HttpStatusCode.NotFound, (await charge.Get($"/children/{child.Id}")).StatusCode);
        // That one was erased is told; whose it was is told nowhere.
        var told = (await charge.Page("/who-did-what?what=erased")).Body!.TextContent;
        Assert.Contains("erased a record", told, StringComparison.Ordinal);
        Assert.DoesNotContain(child.Alias, (await charge.Page("/who-did-what")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Erasing_has_a_page_of_its_own_that_shows_nothing_of_the_record()
    {
        var child = await Asked();
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await charge.Page($"/children/{child.Id}/erase?unreadable=true");
        Assert.Contains("cannot be shown", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("4:12", page.Body.TextContent, StringComparison.Ordinal);
        await Visitor.AssertSentTo("/files?erased=true",
            await charge.Send($"/children/{child.Id}/erase", "Erase the record", new() { ["alias"] = child.Alias }));
        Assert.Null(await site.App.InSchool(site.A, connection => Children.AliasOf(connection, child.Id)));
        Assert.Equal(HttpStatusCode.NotFound, (await charge.Get($"/children/{child.Id}/erase")).StatusCode);
    }

    [Fact]
    public async Task What_an_address_says_is_not_shown_and_a_time_zone_that_there_is_not_is_not_kept()
    {
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.DoesNotContain("a prize", (await charge.Page("/years-end?done=a+prize")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Done: 2 children moved on, 0 set aside.", (await charge.Page("/years-end?moved=2&aside=0")).Body!.TextContent,
            StringComparison.Ordinal);
        var answer = await charge.Send("/settings", "Keep these", new() { ["zone"] = "Europe/Atlantis" });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("There is no time zone of that name", (await Visitor.Read(answer)).Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("Europe/London", await site.App.InSchool(site.B, Schools.Zone));
    }

    [Fact]
    public async Task A_day_until_which_a_record_is_kept_is_reminded_of_when_it_is_past()
    {
        var child = await Asked();
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await Visitor.AssertSentTo($"/children/{child.Id}/record",
            await teacher.Send($"/children/{child.Id}/record", "Keep", new() { ["until"] = "2001-07-31" }));
        Assert.Contains("past the day", (await teacher.Page("/day")).QuerySelector("[data-matter=keeping]")!.TextContent,
            StringComparison.Ordinal);
        Assert.NotNull((await teacher.Page("/files")).QuerySelector($"[data-kept-until='{child.Alias}']"));
        var refused = await teacher.Send($"/children/{child.Id}/record", "Keep", new() { ["until"] = "teatime" });
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        await teacher.Send($"/children/{child.Id}/record", "Keep", new() { ["until"] = "" });
        Assert.Null((await teacher.Page("/files")).QuerySelector($"[data-kept-until='{child.Alias}']"));
    }

    [Fact]
    public void A_file_is_read_first_and_taken_in_when_that_is_pressed()
    {
        var alias = $"Knot {Guid.NewGuid():N}"[..12];
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        Read(browser, $"child,date,task,given,answer\n{alias},2026-03-02,read-digital,4:00,12:20\n{alias},2026-03-02,read-digital,9:00,12:45\n");
        browser.Await("[data-reading=read]");
        browser.AwaitText("2 answers of one child would be added. One child is new to the school. Nothing has been added yet.");
        browser.Click("Take them in");
        browser.Await("[data-reading=taken]");
        browser.AwaitText("2 answers of one child were added.");
        browser.Open("/children");
        browser.AwaitText(alias);
        // The same again: it is all there.
        Read(browser, $"child,date,task,given,answer\n{alias},2026-03-02,read-digital,4:00,12:20\n{alias},2026-03-02,read-digital,9:00,12:45\n");
        browser.Await("[data-reading=read]");
        browser.AwaitText("2 were there before.");
        Assert.False(browser.Has("button.press-next"));
    }

    [Fact]
    public void What_is_wrong_with_a_file_is_told_by_line_and_column()
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        Read(browser, "child,date,task,given,answer\nFennel,soon,read-digital,4:00,12:20\nFennel,2026-03-02,read-digtal,4:00,12:20\n");
        browser.Await("[data-reading=errors]");
        Assert.Equal(2, browser.Count("[data-error]"));
        browser.AwaitText("“soon” is no date");
    }

    [Fact]
    public async Task What_was_exported_has_every_answer_and_another_school_s_file_is_nobody_s()
    {
        var child = await Asked();
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains($"{child.Alias},",
            await (await teacher.Get("/files?handler=answers")).Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        var sent = await teacher.SendFile("", "children.csv", "child\nSomebody new\n");
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get(sent.Headers.Location!.OriginalString)).StatusCode);
        Assert.DoesNotContain(child.Alias,
            await (await other.Get("/files?handler=answers")).Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task At_the_year_s_end_classes_move_on_and_who_is_finished_is_set_aside()
    {
        var (child, done) = (await site.Child(site.B, Stage.HalfPast), await site.Child(site.B));
        var name = $"Tide {child.Id}"[..14];
        await site.App.InSchool(site.B, connection => Children.SetClass(connection, child.Id, name));
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfB);
        var page = await charge.Page("/years-end");
        var token = page.QuerySelector("form [name=__RequestVerificationToken]")!.GetAttribute("value")!;
        var seen = page.QuerySelector($"[data-class='{name}'] [name=seen]")!.GetAttribute("value")!;
        // The name stays, so that only what was shown tells that it is done. Pressed twice, it is done once.
        var form = new Dictionary<string, string>
        {
            ["__RequestVerificationToken"] = token,
            ["from"] = name,
            ["seen"] = seen,
            ["to"] = name,
            ["stages"] = "2"
        };
        Assert.StartsWith("/years-end?moved=", (await charge.Post("/years-end", form)).Headers.Location!.OriginalString,
            StringComparison.Ordinal);
        Assert.Equal("/years-end", (await charge.Post("/years-end", form)).Headers.Location!.OriginalString);
        seen = (await charge.Page("/years-end")).QuerySelector($"[data-class='{name}'] [name=seen]")!.GetAttribute("value")!;
        await charge.Post("/years-end",
            new(form) { ["seen"] = seen, ["to"] = $"{name} 5", ["stages"] = "0", ["aside"] = done.Id.ToString()! });
        var listed = (await site.App.InSchool(site.B, Children.Aliases)).ToDictionary(each => each.Id);
        // From half past two stages on.
        Assert.Equal(($"{name} 5", Stage.QuarterTo), (listed[child.Id].ClassName, listed[child.Id].Stage));
        Assert.False(listed[done.Id].OnCaseload);
    }

    [Fact]
    public async Task Whether_it_is_well_tells_backups_errors_and_the_version()
    {
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await charge.Page("/well");
        Assert.True(int.Parse(page.QuerySelector("[data-failed]")!.TextContent, System.Globalization.CultureInfo.InvariantCulture) >= 0);
        Assert.Contains("0.15", page.QuerySelector(".facts")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("GB free", page.QuerySelector(".facts")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_answer_that_is_put_right_and_a_child_s_own_ways_are_told_of()
    {
        var child = await Asked();
        var sitting = (await site.Record(site.A, child.Id)).Sittings[0];
        var (answer, by) = (sitting.Answered.First().Given!, (await site.App.InSchool(site.A, People.All))[0].Id);
        await site.App.InSchool(site.A,
            connection => new Asking(site.Model, TimeProvider.System).Answer(connection, sitting.Sitting.Id,
                new Submission(Guid.NewGuid(), 1, "4:10", AnswerMode.Said, null) { Corrects = answer.Id }, by));
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        await charge.Send($"/children/{child.Id}/teaching", "Keep these", new() { ["stage"] = "FiveMinutesTo" });
        var told = (await charge.Page($"/who-did-what?child={child.Id}")).QuerySelectorAll("[data-entry]")
            .Select(row => row.GetAttribute("data-entry")).ToList();
        Assert.Contains("corrected", told);
        Assert.Contains("settings-changed", told);
    }

    [Fact]
    public async Task The_logs_tell_that_a_record_was_opened_and_not_whose()
    {
        var child = await Asked();
        var logs = Directory.CreateTempSubdirectory("umbick-logs-");
        using (var other = await SiteProcess.Start(RunningSite.FreeAddress(), settings: new() { ["UMBICK_LOGS"] = logs.FullName }))
        {
            using var teacher = await Visitor.TeacherOf(other.Address, site.TeacherOfA);
            await teacher.Page($"/children/{child.Id}/record");
            await teacher.Get($"/children/{child.Id}/record?handler=file");
        }
        var text = string.Concat(logs.EnumerateFiles().Select(file => File.ReadAllText(file.FullName)));
        logs.Delete(recursive: true);
        Assert.Contains("opened-record", text, StringComparison.Ordinal);
        Assert.Contains("took-out", text, StringComparison.Ordinal);
        Assert.DoesNotContain(child.Id.ToString()!, text, StringComparison.Ordinal);
        Assert.DoesNotContain(child.Alias, text, StringComparison.Ordinal);
    }

    private static void Read(Browser browser, string text)
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.csv");
        File.WriteAllText(file, text);
        browser.Open("/files");
        browser.Find("[accept*=csv]").SendKeys(file);
        browser.Click("Read it");
    }

    /// <summary>A child with two answers.</summary>
    private async Task<Child> Asked()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var asking = new Asking(site.Model, TimeProvider.System);
        await site.App.InSchool(site.A, async connection =>
        {
            foreach (var (raw, place) in new[] { ("4:12", 1), ("8:40", 2) })
                await asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, raw, AnswerMode.Said, null), Guid.NewGuid());
        });
        return child;
    }
}
