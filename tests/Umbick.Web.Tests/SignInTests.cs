using System.Net;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Tests;

/// <summary>Wrong passwords: each is counted, and they shut out neither the others at an address nor the teacher for long.</summary>
public sealed class SignInTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Of_several_wrong_ones_at_once_each_is_counted_and_then_no_more_are_heard_from_there()
    {
        var (name, person) = await Somebody();
        await Task.WhenAll(Enumerable.Range(0, SignInLimit.AtOnce).Select(_ => Try(name, "wrong")));
        Assert.Equal(SignInLimit.AtOnce, (await site.Owner.InSchool(site.A, connection => People.Find(connection, person)))!.AccessFailedCount);
        var refused = await Try(name, Site.Password);
        Assert.Equal(HttpStatusCode.TooManyRequests, refused.StatusCode);
        Assert.Contains("Too many tries", (await Visitor.Read(refused)).QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        // Upper case and spaces make no other name of it.
        Assert.Equal(HttpStatusCode.TooManyRequests, (await Try($" {name.ToUpperInvariant()}", Site.Password)).StatusCode);
        // Others at the same address get in.
        var (other, _) = await Somebody();
        Assert.Equal(HttpStatusCode.Redirect, (await Try(other, Site.Password)).StatusCode);
    }

    [Fact]
    public async Task Whoever_gets_in_has_no_wrong_ones_any_more_and_keeps_the_same_password()
    {
        var (name, person) = await Somebody();
        await Try(name, "wrong");
        Assert.Equal(HttpStatusCode.Redirect, (await Try(name, Site.Password)).StatusCode);
        var known = (await site.Owner.InSchool(site.A, connection => People.Find(connection, person)))!;
        Assert.Equal((0, Site.PasswordHash), (known.AccessFailedCount, known.PasswordHash));
    }

    [Fact]
    public async Task A_name_that_nobody_has_is_answered_like_one_that_somebody_has()
    {
        var (name, _) = await Somebody();
        var (known, unknown) = (await Visitor.Read(await Try(name, "wrong")), await Visitor.Read(await Try($"nobody@{Guid.NewGuid():N}.example", "wrong")));
        Assert.Equal(known.QuerySelector("[role=alert]")!.TextContent, unknown.QuerySelector("[role=alert]")!.TextContent);
    }

    private async Task<(string Name, Guid Id)> Somebody()
    {
        var name = $"other@{Guid.NewGuid():N}.example";
        return (name, (await site.Owner.InSchool(site.A, connection => People.Add(connection, name, "Other", Site.PasswordHash))).Id);
    }

    private async Task<HttpResponseMessage> Try(string name, string password)
    {
        using var visitor = new Visitor(site);
        return await visitor.Send("/", "Sign in", new() { ["userName"] = name, ["password"] = password });
    }
}
