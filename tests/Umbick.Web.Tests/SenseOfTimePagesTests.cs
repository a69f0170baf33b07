using System.Net;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>Guesses of time are kept with a child; the school's own day is asked about, printed and said.</summary>
public sealed class SenseOfTimePagesTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task A_guess_is_kept_with_what_it_was_the_second_try_beside_it_and_can_be_taken_back()
    {
        var child = await site.Child(site.A);
        using var helper = await Visitor.AssistantOf(site, site.A);
        var path = $"/children/{child.Id}/time?card=a-minute";
        var (action, fields) = await helper.Form(path, "Keep it");
        (fields["given"], fields["givenAgain"]) = ("40", "52,5");
        for (var time = 0; time < 2; time++) Assert.Equal(HttpStatusCode.Redirect, (await helper.Post(action, fields)).StatusCode);
        var row = Assert.Single((await helper.Page(path)).QuerySelectorAll("[data-try='a-minute']"));
        Assert.Contains("40 of 60 (0.67)", row.TextContent, StringComparison.Ordinal);
        Assert.Contains("52.5 of 60 (0.88)", row.TextContent, StringComparison.Ordinal);

        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await teacher.Send($"/children/{child.Id}/time?card=half-a-minute", "Keep it", new() { ["given"] = "12", ["real"] = "20" });
        var page = await teacher.Page(path);
        Assert.Equal(2, page.QuerySelectorAll("[data-try]").Length);
        Assert.Contains("The second try came nearer than the first", page.QuerySelector("[data-course-says]")!.TextContent,
            StringComparison.Ordinal);
        await teacher.Send(path, $"Take back How many in half a minute?, {DateTime.UtcNow:d MMM}");
        Assert.Single((await teacher.Page(path)).QuerySelectorAll("[data-try]"));
        // It stands in the record that is taken out whole.
        Assert.Contains("Stand for a minute", (await teacher.Page($"/children/{child.Id}/record")).Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("forty", "", "Type numbers")]
    [InlineData("0", "", "above nought")]
    [InlineData("40", "soon", "Type numbers")]
    [InlineData("-4", "", "Type numbers")]
    public async Task What_is_no_guess_is_not_kept_and_stands_there_still(string given, string again, string told)
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await Visitor.Read(await teacher.Send($"/children/{child.Id}/time?card=a-minute", "Keep it",
            new() { ["given"] = given, ["givenAgain"] = again }));
        Assert.Contains(told, page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(given, page.QuerySelector("[name=given]")!.GetAttribute("value"));
        Assert.Empty(page.QuerySelectorAll("[data-try]"));
    }

    [Fact]
    public async Task Another_school_s_child_is_not_found()
    {
        var child = await site.Child(site.A);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get($"/children/{child.Id}/time")).StatusCode);
        await other.Send($"/children/{(await site.Child(site.B)).Id}/time", "Keep it", new() { ["given"] = "40" });
        Assert.Equal(0, await site.App.InSchool(site.A, at => at.ExecuteScalarAsync<int>(
            "select count(*) from time_try where child = @Id", new { child.Id })));
    }

    [Fact]
    public async Task The_school_s_own_day_is_asked_about_printed_and_shown_at_the_door()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfB);
        var (_, fields) = await teacher.Form("/settings/day", "Keep this day");
        Assert.Equal(HttpStatusCode.Redirect, (await teacher.Post("/settings/day", Day(fields, "the tide bell", "10:35"))).StatusCode);
        var cards = await teacher.Page("/time-cards");
        Assert.Contains("Show the tide bell with both arms: twenty-five to eleven.", cards.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(cards.QuerySelectorAll(".door-times li"), door => door.TextContent.Contains("the tide bell",
            StringComparison.Ordinal));

        // Who is asked about the day is asked about this one, and it is read again as it was asked.
        var child = await site.Child(site.B, Stage.BeforeAndAfter);
        var sitting = await site.OnScreen(site.B, child.Id, [.. Enumerable.Repeat("day-part", 16)]);
        var asked = (await site.App.InSchool(site.B, at => Sittings.AskedIn(at, [sitting])))[sitting].Select(each =>
            each.Item.OtherSkill!.Text).ToList();
        Assert.Contains("“The tide bell”, 10:35: a.m. or p.m.?", asked);

        var refused = await teacher.Post("/settings/day", Day(fields, "the tide bell", "07:00"));
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        var page = await Visitor.Read(refused);
        Assert.Contains("has to come after", page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("07:00", page.QuerySelectorAll("[name=at]")[1].GetAttribute("value"));
    }

    [Fact]
    public async Task Words_stand_in_the_wording_of_a_class()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        await site.App.InSchool(site.A,
            at => ClassTeachings.Keep(at, "Tide class", "ten before six", "quarter past", "smaller-number", DateTime.UtcNow));
        var page = await teacher.Page("/glossary?class=Tide%20class");
        Assert.Contains("ten before six", page.QuerySelector("[data-class-says]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Between 12 and 1 it gives 1", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(Core.Teaching.GlossaryWord.All.Count, page.QuerySelectorAll(".glossary-word svg").Length);
        Assert.Null((await teacher.Page("/glossary?class=Nobody")).QuerySelector("[data-class-says]"));
    }

    /// <summary>The form with the second time of the day changed.</summary>
    private static List<KeyValuePair<string, string>> Day(Dictionary<string, string> form, string words, string at)
    {
        var day = SchoolMoment.Usual.Select((moment, i) =>
            (Words: i == 1 ? words : moment.Words, At: i == 1 ? at : moment.At.ToString("HH:mm")));
        return [.. form.Where(field => field.Key is not ("words" or "at")),
            .. day.SelectMany(moment => new[] { KeyValuePair.Create("at", moment.At), KeyValuePair.Create("words", moment.Words) })];
    }
}
