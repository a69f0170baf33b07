using System.Net;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// What stands out and is no listed pattern: said kindly, with what to do, the same on the child's page and on the caseload.
/// </summary>
public sealed class NoListedPatternTests(Site site) : IClassFixture<Site>
{
    private static readonly string[] Anything = ["2:45", "11:10", "5:05", "1:30", "8:00", "4:20", "9:55", "12:35", "6:15", "3:50"];

    [Fact]
    public async Task Guessing_is_told_as_such_and_never_as_nothing()
    {
        var child = await Answered(ClockTasks.ReadDigital, (_, place) => Anything[place - 1]);
        await AssertTold(child, $"{child.Alias}’s answers do not follow the clock yet.", "Go back to what is sure");
    }

    [Fact]
    public async Task One_answer_again_and_again_is_told_as_such()
    {
        var child = await Answered(ClockTasks.ReadDigital, (_, _) => "3:30");
        await AssertTold(child, $"{child.Alias} gives one answer again and again.", "Turn one clock together");
    }

    [Fact]
    public async Task Much_that_is_wrong_without_a_pattern_is_never_nothing()
    {
        var child = await Answered(ClockTasks.ReadDigital,
            (time, place) => place % 3 == 0 ? $"{time.Hour}:{time.Minute:00}" : Slipped(time, place));
        await AssertTold(child, "More comes out wrong than right, and in no one way.", "Go back to what is sure");
    }

    /// <summary>A slip of another kind each time, so that no way of reading lies in them.</summary>
    private static string Slipped(ClockTime time, int place) =>
        time.Plus(place switch { 1 => 5, 2 => -65, 4 => 130, 5 => -10, 7 => 25, 8 => -185, _ => 95 }) is var slip
            ? $"{slip.Hour}:{slip.Minute:00}" : "";

    [Fact]
    public async Task A_way_that_nobody_has_listed_is_shown_with_its_answers_and_the_teacher_names_it()
    {
        var child = await Answered(ClockTasks.ReadDigital, (time, _) => $"{time.Hour}:{time.Minute / 5 * 3:00}");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page($"/children/{child.Id}");
        Assert.Contains("takes one step some other way", page.QuerySelector("[data-finding]")!.TextContent, StringComparison.Ordinal);
        var shown = page.QuerySelector("[data-other-way='other-minutes']")!;
        Assert.Matches("No pattern in the list gives these [3-8] answers; [0-9] of [0-9]+ came right\\.", shown.TextContent);
        Assert.DoesNotContain("No pattern explains", page.Body!.TextContent, StringComparison.Ordinal);
        await Visitor.AssertSentTo($"/children/{child.Id}",
            await teacher.Send($"/children/{child.Id}", "Keep the name", new() { ["name"] = "counts in threes" }));
        Assert.Equal("The minutes: counts in threes.",
            (await teacher.Page($"/children/{child.Id}")).QuerySelector("[data-other-way] h3")!.TextContent);
        await teacher.Send($"/children/{child.Id}", "Keep the name", new() { ["name"] = " " });
        Assert.Equal("The minutes are taken some other way.",
            (await teacher.Page($"/children/{child.Id}")).QuerySelector("[data-other-way] h3")!.TextContent);
    }

    [Theory]
    [InlineData("minutes", "A name that goes on and on, far beyond what any teacher would say of how a child reads a clock")]
    [InlineData("setting", "some name")]
    [InlineData("", "some name")]
    public async Task A_name_that_cannot_be_kept_is_refused(string step, string name)
    {
        var child = await Answered(ClockTasks.ReadDigital, (time, _) => $"{time.Hour}:{time.Minute / 5 * 3:00}");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Equal(HttpStatusCode.BadRequest,
            (await teacher.Send($"/children/{child.Id}", "Keep the name", new() { ["step"] = step, ["name"] = name })).StatusCode);
        Assert.Empty(await site.App.InSchool(site.A, connection => NamedWays.Load(connection, child.Id)));
    }

    [Fact]
    public async Task A_child_of_another_school_cannot_be_named()
    {
        var child = await Answered(ClockTasks.ReadDigital, (time, _) => $"{time.Hour}:{time.Minute / 5 * 3:00}");
        var own = await site.Child(site.B);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        var (_, fields) = await other.Form($"/children/{own.Id}/teaching", "Change the alias");
        Assert.Equal(HttpStatusCode.NotFound,
            (await other.Post($"/children/{child.Id}?handler=Name", new(fields) { ["step"] = "minutes", ["name"] = "theirs" })).StatusCode);
        Assert.Empty(await site.App.InSchool(site.A, connection => NamedWays.Load(connection, child.Id)));
    }

    private async Task AssertTold(Child child, string finding, string next)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var page = await teacher.Page($"/children/{child.Id}");
        Assert.Equal(finding, page.QuerySelector("[data-finding]")!.TextContent);
        Assert.Contains(next, page.QuerySelector("#next")!.ParentElement!.TextContent, StringComparison.Ordinal);
        var row = (await teacher.Page("/children")).QuerySelector($"[data-child='{child.Alias}']")!;
        Assert.Contains(finding, row.TextContent, StringComparison.Ordinal);
    }

    /// <summary>A child who was asked one task ten times.</summary>
    private async Task<Child> Answered(ClockTask task, Func<ClockTime, int, string> answer)
    {
        var child = await site.Child(site.A);
        await site.App.InSchool(site.A, async connection =>
        {
            var asking = new Asking(site.Model, TimeProvider.System);
            await Children.Teach(connection, child.Id, child.Stage, [task.Id], new Dictionary<string, string>());
            var sitting = (await asking.Start(connection, child.Id, new AskingOptions { Id = Site.DrawnAlike() }))!.Value;
            for (var place = 1; place <= 10; place++)
            {
                var asked = (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(each => each.Place == place);
                await asking.Answer(connection, sitting,
                    new Submission(Guid.NewGuid(), place, answer(asked.Item.Time, place), AnswerMode.Said, null), null);
            }
            await asking.Stop(connection, sitting);
        });
        return child;
    }
}
