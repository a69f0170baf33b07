using System.Net;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>A session can be ended: a cookie that was copied before opens nothing afterwards.</summary>
public sealed class SessionTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task After_signing_out_a_copied_cookie_opens_nothing()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        using var copy = Copy(teacher);
        Assert.Equal(HttpStatusCode.OK, (await copy.Get("/day")).StatusCode);
        await teacher.Send("/day", "Sign out");
        await AssertShut(copy);
        // Another session of the same teacher goes on.
        using var other = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Equal(HttpStatusCode.OK, (await other.Get("/day")).StatusCode);
    }

    [Fact]
    public async Task Handing_over_ends_the_teacher_s_session_on_that_device_and_not_the_child_s()
    {
        var (set, _) = await site.Set(site.A, (await site.Child(site.A)).Id, "next-hour");
        using var device = await Visitor.TeacherOf(site, site.TeacherOfA);
        using var copy = Copy(device);
        await device.Send($"/practise/{set}", "Hand over");
        await AssertShut(copy);
        Assert.Equal(HttpStatusCode.OK, (await device.Get("/turn")).StatusCode);
    }

    [Fact]
    public async Task Whoever_is_removed_or_has_a_new_password_is_shut_out_at_once()
    {
        foreach (var change in new[] { "update account set security_stamp = 'another' where id = @Id",
            "update person set left_at = now() where id = @Id" })
        {
            var name = $"other@{Guid.NewGuid():N}.example";
            var person = await site.Owner.InSchool(site.A, connection => People.Add(connection, name, "Other", Site.PasswordHash));
            using var teacher = await Visitor.TeacherOf(site, name);
            Assert.Equal(HttpStatusCode.OK, (await teacher.Get("/day")).StatusCode);
            await site.Owner.InSchool(site.A, connection => connection.ExecuteAsync(change, new { person.Id }));
            await AssertShut(teacher);
        }
    }

    [Fact]
    public async Task After_its_ten_hours_a_session_is_over_however_much_it_was_used()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.OK, (await teacher.Get("/day")).StatusCode);
        await site.Owner.InSchool(site.B,
            connection => connection.ExecuteAsync("update session set ends_at = now() - interval '1 second'"));
        await AssertShut(teacher);
    }

    [Fact]
    public async Task A_device_that_is_taken_back_opens_nothing_any_more()
    {
        var sitting = await site.OnScreen(site.A, (await site.Child(site.A)).Id);
        using var device = new Visitor(site);
        await device.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        Assert.Equal(HttpStatusCode.OK, (await device.Get("/turn")).StatusCode);
        await site.App.InSchool(site.A,
            connection => new Casework.Asking(site.Model, TimeProvider.System).Deliver(connection, sitting, DeliveryMode.Conversation));
        Assert.Equal(HttpStatusCode.Redirect, (await device.Get("/turn")).StatusCode);
    }

    /// <summary>Whoever is led to sign in goes on where they were going; nowhere beyond this site, and nothing is sent again.</summary>
    [Theory]
    [InlineData("/children?waiting=look", "/children?waiting=look")]
    [InlineData("/day?handler=morning", "/day")]
    [InlineData("/", "/day")]
    [InlineData("//elsewhere.example/day", "/day")]
    [InlineData("https://elsewhere.example/day", "/day")]
    [InlineData("/\\elsewhere.example", "/day")]
    [InlineData("javascript:alert(1)", "/day")]
    public async Task Signing_in_goes_on_where_one_was(string asked, string comes)
    {
        using var visitor = new Visitor(site);
        var door = $"/?ReturnUrl={Uri.EscapeDataString(asked)}";
        var entered = await visitor.Send(door, "Sign in", new() { ["userName"] = site.TeacherOfA, ["password"] = Site.Password });
        Assert.Equal(comes, entered.Headers.Location!.OriginalString);
        // Whoever is signed in already is led on, too.
        Assert.Equal(comes, (await visitor.Get(door)).Headers.Location!.OriginalString);
    }

    [Fact]
    public async Task An_address_that_is_nobody_s_is_told_as_that_to_whoever_is_signed_in()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = await teacher.Get("/childern");
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.Contains("text/html", answer.Content.Headers.ContentType!.ToString(), StringComparison.Ordinal);
        using var stranger = new Visitor(site);
        Assert.Equal(HttpStatusCode.Redirect, (await stranger.Get("/childern")).StatusCode);
    }

    private Visitor Copy(Visitor of)
    {
        var copy = new Visitor(site);
        copy.Take(of.Cookies);
        return copy;
    }

    /// <summary>Nothing can be read or written any more: a page leads to the sign-in page, a script is told.</summary>
    private static async Task AssertShut(Visitor visitor)
    {
        foreach (var path in new[] { "/day", "/children", "/token" })
        {
            var answer = await visitor.Get(path);
            Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
            Assert.StartsWith("/?ReturnUrl", answer.Headers.Location!.PathAndQuery, StringComparison.Ordinal);
        }
    }
}
