using System.Net;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>After a child's turn an adult comes back by six figures, where school and person have switched it on, and to no more.</summary>
public sealed class BackByPinTests(Site site) : IClassFixture<Site>
{
    private const string Figures = "493827";

    [Fact]
    public async Task Until_the_school_and_the_person_have_switched_it_on_there_is_no_way_back_but_the_password()
    {
        await Allow(false);
        var name = await Teacher();
        using var teacher = await Visitor.TeacherOf(site, name);
        Assert.DoesNotContain("name=\"figures\"", await Text(teacher, "/you"), StringComparison.Ordinal);
        await Allow(true);
        var refused = await teacher.Send("/you", "Switch it on", new() { ["current"] = "not this one", ["figures"] = Figures });
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        foreach (var weak in new[] { "123456", "111111", "12345", "1212x2", "" })
            Assert.Equal(HttpStatusCode.BadRequest, (await SwitchOn(teacher, weak)).StatusCode);
        await HandOver(teacher);
        Assert.DoesNotContain("/back", await Text(teacher, "/turn"), StringComparison.Ordinal);
        Assert.Contains("This way back is shut", await Text(teacher, "/back"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Six_figures_open_the_day_and_the_child_and_neither_people_nor_files_nor_erasing()
    {
        using var teacher = await Ready(inCharge: true);
        await Allow(false);
        await teacher.Send("/people", "Let people come back by six figures");
        var (child, set) = await HandOver(teacher);
        Assert.Equal(HttpStatusCode.Redirect, (await teacher.Get("/day")).StatusCode);
        var entered = await teacher.Send("/back", "Back", new() { ["figures"] = Figures });
        Assert.Equal($"/practise/{set}", entered.Headers.Location!.OriginalString);
        foreach (var open in new[] { "/day", "/children", $"/children/{child}", $"/children/{child}/record", "/settings", "/you" })
            Assert.Equal(HttpStatusCode.OK, (await teacher.Get(open)).StatusCode);
        foreach (var shut in new[] { "/people", "/files", "/files?handler=answers", $"/children/{child}/erase", "/years-end",
            "/who-did-what", $"/children/{child}/record?handler=file" })
        {
            var answer = await teacher.Get(shut);
            Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
            Assert.Contains("asks for your password", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }
        Assert.DoesNotContain("href=\"/people\"", await Text(teacher, "/settings"), StringComparison.Ordinal);
        // The child's session is over, and handing over once more leads back once more.
        Assert.Equal(HttpStatusCode.Redirect, (await teacher.Get("/turn")).StatusCode);
        await HandOver(teacher);
        await teacher.Send("/back", "Back", new() { ["figures"] = Figures });
        Assert.Equal(HttpStatusCode.Forbidden, (await teacher.Get("/people")).StatusCode);
    }

    [Fact]
    public async Task Five_wrong_ones_shut_the_way_and_each_is_counted_before_it_is_heard()
    {
        using var teacher = await Ready();
        await HandOver(teacher);
        var (path, form) = await teacher.Form("/back", "Back");
        Task<HttpResponseMessage> Try(string figures) => teacher.Post(path, new(form) { ["figures"] = figures });
        var tries = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Try("000111")));
        var told = await Task.WhenAll(tries.Select(answer => answer.Content.ReadAsStringAsync()));
        Assert.Equal(4, told.Count(text => text.Contains("left.", StringComparison.Ordinal)));
        Assert.Equal(4, told.Count(text => text.Contains("Sign in with your password.", StringComparison.Ordinal)));
        Assert.Equal(HttpStatusCode.BadRequest, (await Try(Figures)).StatusCode);
        // No field stands there any more that would be heard by nobody.
        Assert.DoesNotContain("name=\"figures\"", await Text(teacher, "/back"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await teacher.Get("/turn")).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await teacher.Get("/day")).StatusCode);
    }

    [Theory]
    [InlineData("update account set security_stamp = 'another' where id = @id")]
    [InlineData("update person set left_at = now() where id = @id")]
    [InlineData("update session set back_ends = now() where back_to = @id")]
    [InlineData("delete from pin where person = @id")]
    public async Task What_has_changed_since_the_device_was_handed_over_shuts_the_way(string change)
    {
        using var teacher = await Ready();
        var name = _name;
        await HandOver(teacher);
        var id = (await site.Owner.BeforeSchool(connection => People.FindByName(connection, People.Normalized(name)))).Single().Person;
        await site.Owner.InSchool(site.A, connection => connection.ExecuteAsync(change, new { id }));
        Assert.Contains("This way back is shut", await Text(teacher, "/back"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await teacher.Get("/turn")).StatusCode);
    }

    [Fact]
    public async Task An_assistant_stays_an_assistant_and_the_figures_are_not_shown()
    {
        using var assistant = await Ready(PersonRole.Assistant);
        await HandOver(assistant);
        Assert.Contains("type=\"password\"", await Text(assistant, "/back"), StringComparison.Ordinal);
        await assistant.Send("/back", "Back", new() { ["figures"] = Figures });
        Assert.Equal(HttpStatusCode.OK, (await assistant.Get("/helping")).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await assistant.Get("/children")).StatusCode);
    }

    private string _name = "";

    private async Task<string> Teacher(PersonRole role = PersonRole.Teacher, bool inCharge = false)
    {
        _name = (await site.Colleague(site.A, role, inCharge)).UserName!;
        return _name;
    }

    private async Task<Visitor> Ready(PersonRole role = PersonRole.Teacher, bool inCharge = false)
    {
        await Allow(true);
        var visitor = new Visitor(site);
        await visitor.Send("/", "Sign in", new() { ["userName"] = await Teacher(role, inCharge), ["password"] = Site.Password });
        Assert.Equal(HttpStatusCode.OK, (await SwitchOn(visitor, Figures)).StatusCode);
        return visitor;
    }

    private static Task<HttpResponseMessage> SwitchOn(Visitor visitor, string figures) =>
        visitor.Send("/you", "Switch it on", new() { ["current"] = Site.Password, ["figures"] = figures });

    private Task Allow(bool allowed) => site.Owner.InSchool(site.A, connection => Pins.Allow(connection, allowed));

    private async Task<(ChildId Child, SetId Set)> HandOver(Visitor visitor)
    {
        var child = (await site.Child(site.A)).Id;
        var (set, _) = await site.Set(site.A, child, "next-hour");
        await visitor.Send($"/practise/{set}", "Hand over");
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get("/turn")).StatusCode);
        return (child, set);
    }

    private static async Task<string> Text(Visitor visitor, string path) => await (await visitor.Get(path)).Content.ReadAsStringAsync();
}
