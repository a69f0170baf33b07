using System.Net;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>A press that ends something is no trap: it can be gone back on that day, and what was typed wrongly is put right.</summary>
public sealed class TakingBackTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task A_visit_and_an_asking_that_were_stopped_go_on_where_they_were()
    {
        var (visit, children) = await site.Visit(site.A, 2);
        var asking = await site.Sitting(site.A, (await site.Child(site.A)).Id);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        foreach (var (path, under) in new[] { ($"/visits/{visit}", "Stop here"), ($"/ask/{asking}", "Leave out") })
        {
            await teacher.Send(path, "Stop here");
            Assert.DoesNotContain(under, await Page(teacher, path), StringComparison.Ordinal);
            await teacher.Send(path, "Go on where it was stopped");
            Assert.Contains(under, await Page(teacher, path), StringComparison.Ordinal);
            Assert.DoesNotContain("Go on where it was stopped", await Page(teacher, path), StringComparison.Ordinal);
        }
        // Who is asked something else by now is not asked two things.
        await teacher.Send($"/visits/{visit}", "Stop here");
        await site.Sitting(site.A, children[0]);
        var told = await teacher.Send($"/visits/{visit}", "Go on where it was stopped");
        Assert.Contains("in the middle of something else", await told.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_answer_of_a_practice_set_is_put_right_on_its_page_and_the_first_stays_beside_it()
    {
        var child = (await site.Child(site.A)).Id;
        var (_, sitting) = await site.Set(site.A, child, "next-hour");
        var practising = new Practising(site.Model, TimeProvider.System);
        await site.App.InSchool(site.A, connection => practising.Answer(connection, sitting,
            new Submission(AnswerId.New(), 1, "4:13", Core.Items.AnswerMode.Written, null)));
        var path = $"/children/{child}/sittings/{sitting}";
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.DoesNotContain($"/ask/{sitting}", await Page(teacher, path), StringComparison.Ordinal);
        var refused = await teacher.Send(path, "Keep it so", new() { ["raw"] = "grbl" });
        Assert.Contains("cannot be read", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var kept = await teacher.Send(path, "Keep it so", new() { ["raw"] = "5:14" });
        Assert.Equal(HttpStatusCode.Redirect, kept.StatusCode);
        var question = (await site.Record(site.A, child)).Sittings.Single().Answered.Single();
        Assert.Equal("5:14", question.Given!.Raw);
        Assert.NotNull(question.Given.Corrects);
        Assert.Equal(1, (await site.Now(site.A, sitting)).CurrentPlace);
    }

    [Fact]
    public async Task An_assistant_who_is_refused_is_led_to_where_an_assistant_may_be()
    {
        var assistant = await site.Colleague(site.A, PersonRole.Assistant);
        using var visitor = new Visitor(site);
        await visitor.Send("/", "Sign in", new() { ["userName"] = assistant.UserName!, ["password"] = Site.Password });
        var refused = await visitor.Get("/children");
        Assert.Equal(HttpStatusCode.Forbidden, refused.StatusCode);
        var page = await refused.Content.ReadAsStringAsync();
        Assert.Contains("href=\"/helping\"", page, StringComparison.Ordinal);
        Assert.DoesNotContain("href=\"/children\"", page, StringComparison.Ordinal);
    }

    private static async Task<string> Page(Visitor visitor, string path) => await (await visitor.Get(path)).Content.ReadAsStringAsync();
}
