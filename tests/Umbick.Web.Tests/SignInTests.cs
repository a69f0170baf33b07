using System.Net;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// Wrong passwords: each is counted before it is heard, and they shut out neither the others at an address nor whoever is at the school.
/// </summary>
public sealed class SignInTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Of_many_wrong_ones_at_once_eight_are_heard_and_then_none_from_there()
    {
        var name = await Somebody();
        using var stranger = new Visitor(site.Address, from: "127.0.0.7");
        var (action, fields) = await stranger.Form("/", "Sign in");
        (fields["userName"], fields["password"]) = (name, "wrong");
        var answers = await Task.WhenAll(Enumerable.Range(0, 30).Select(_ => stranger.Post(action, fields)));
        var told = await Task.WhenAll(
            answers.Select(async answer => (await Visitor.Read(answer)).QuerySelector("[role=alert]")!.TextContent));
        // Few are hashed at once: of those that are heard, some may be asked to come again, and they count for nothing.
        Assert.InRange(told.Count(text => text.Contains("do not go together", StringComparison.Ordinal)), 1, SignInDoor.AtOnce);
        while (!(await MessageTo(stranger, name, "wrong")).Contains("Too many tries", StringComparison.Ordinal))
        {
        }
        fields["password"] = Site.Password;
        Assert.Equal(HttpStatusCode.TooManyRequests, (await stranger.Post(action, fields)).StatusCode);
        // Upper case and spaces make no other name of it.
        Assert.Contains("Too many tries", await MessageTo(stranger, $" {name.ToUpperInvariant()}", Site.Password),
            StringComparison.Ordinal);
        // Others at the same address get in, and they themselves from another.
        foreach (var (from, other) in new[] { ("127.0.0.7", await Somebody()), ("127.0.0.8", name) })
        {
            using var visitor = new Visitor(site.Address, from);
            await Visitor.AssertSentTo("/day",
                await visitor.Send("/", "Sign in", new() { ["userName"] = other, ["password"] = Site.Password }));
        }
    }

    [Fact]
    public async Task Strangers_from_fifty_addresses_shut_nobody_out_who_is_at_the_school()
    {
        var name = await Somebody();
        using (var home = new Visitor(site.Address, from: "127.0.1.1"))
            await Visitor.AssertSentTo("/day",
                await home.Send("/", "Sign in", new() { ["userName"] = name, ["password"] = Site.Password }));
        // What fifty strangers tried, as the site counts it.
        foreach (var number in Enumerable.Range(0, 60))
            await site.App.BeforeSchool(connection =>
                DoorTries.Count(connection, false, name, [.. BitConverter.GetBytes(number), .. new byte[28]]));
        using var stranger = new Visitor(site.Address, from: "127.0.1.2");
        Assert.Contains("Too many tries", await MessageTo(stranger, name, Site.Password), StringComparison.Ordinal);
        using var again = new Visitor(site.Address, from: "127.0.1.1");
        await Visitor.AssertSentTo("/day", await again.Send("/", "Sign in", new() { ["userName"] = name, ["password"] = Site.Password }));
    }

    [Fact]
    public async Task A_name_that_nobody_has_is_answered_like_one_that_somebody_has()
    {
        using var visitor = new Visitor(site);
        Assert.Equal(await MessageTo(visitor, await Somebody(), "wrong"),
            await MessageTo(visitor, $"nobody@{Guid.NewGuid():N}.example", "wrong"));
        // A name that is longer than any is refused without being looked for.
        Assert.Contains("do not go together", await MessageTo(visitor, new string('n', 5_000), "wrong"), StringComparison.Ordinal);
    }

    private async Task<string> Somebody()
    {
        var name = $"other@{Guid.NewGuid():N}.example";
        await site.Owner.InSchool(site.A, connection => People.Add(connection, name, "Other", Site.PasswordHash));
        return name;
    }

    private static async Task<string> MessageTo(Visitor visitor, string name, string password) =>
        (await Visitor.Read(await visitor.Send("/", "Sign in", new() { ["userName"] = name, ["password"] = password })))
            .QuerySelector("[role=alert]")!.TextContent;
}
