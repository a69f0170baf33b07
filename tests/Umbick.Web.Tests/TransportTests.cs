using System.Net;
using Microsoft.Extensions.Configuration;
using Umbick.Web.Security;

namespace Umbick.Web.Tests;

/// <summary>Plain HTTP is for this machine alone.</summary>
public sealed class TransportTests(Site site) : IClassFixture<Site>
{
    [Theory]
    [InlineData("http://127.0.0.1:5180", null, null, false)]
    [InlineData("http://localhost:5180", null, null, false)]
    [InlineData("http://[::1]:5180", null, null, false)]
    [InlineData("https://0.0.0.0:443", null, "clocks.example", true)]
    [InlineData("http://127.0.0.1:5180", "127.0.0.1", "clocks.example", true)]
    [InlineData("http://0.0.0.0:5180", "10.0.0.2", "clocks.example", true)]
    public void It_starts(string urls, string? proxy, string? hosts, bool secure)
    {
        var transport = Transport.From(Configuration(urls, proxy, hosts));
        Assert.Equal(secure, transport.IsSecure);
        Assert.Equal(secure ? "__Host-umbick" : "umbick", transport.CookieName("umbick"));
    }

    [Theory]
    [InlineData("http://0.0.0.0:5180", null, "clocks.example", "UMBICK_PROXY")]
    [InlineData("http://*:5180", null, "clocks.example", "UMBICK_PROXY")]
    [InlineData("https://0.0.0.0:443;http://0.0.0.0:80", null, "clocks.example", "UMBICK_PROXY")]
    [InlineData("https://0.0.0.0:443", null, null, "UMBICK_HOSTS")]
    [InlineData("http://127.0.0.1:5180", "10.0.0.2", null, "UMBICK_HOSTS")]
    [InlineData("http://127.0.0.1:5180", "the proxy", "clocks.example", "It has to be the proxy's address")]
    public void It_refuses_to_start_and_says_how_it_could(string urls, string? proxy, string? hosts, string how) =>
        Assert.Contains(how, Assert.Throws<InvalidOperationException>(() => Transport.From(Configuration(urls, proxy, hosts))).Message,
            StringComparison.Ordinal);

    [Fact]
    public async Task Behind_a_named_proxy_cookies_need_TLS_and_nobody_looks_round()
    {
        using var process = await SiteProcess.Start(RunningSite.FreeAddress(),
            settings: new() { ["UMBICK_PROXY"] = "127.0.0.1", ["UMBICK_HOSTS"] = "clocks.example" });
        using var client = new HttpClient(new HttpClientHandler { AllowAutoRedirect = false, UseCookies = false })
        { BaseAddress = process.Address };
        using var request = new HttpRequestMessage(HttpMethod.Get, "/");
        request.Headers.Host = "clocks.example";
        request.Headers.Add("X-Forwarded-For", "203.0.113.9");
        request.Headers.Add("X-Forwarded-Proto", "https");
        using var answer = await client.SendAsync(request);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.DoesNotContain("Look round", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.All(answer.Headers.GetValues("Set-Cookie"), cookie => Assert.Matches("^__Host-.*; secure", cookie));
        Assert.Contains("max-age=31536000", answer.Headers.GetValues("Strict-Transport-Security").Single(), StringComparison.Ordinal);
        using var elsewhere = new HttpRequestMessage(HttpMethod.Get, "/");
        elsewhere.Headers.Host = "evil.example";
        Assert.Equal(HttpStatusCode.BadRequest, (await client.SendAsync(elsewhere)).StatusCode);
    }

    /// <summary>Every page was a 500, while the site said that it was well.</summary>
    [Theory]
    [InlineData("10.9.9.9", "not through the proxy that Umbick was started with, 10.9.9.9")]
    [InlineData("127.0.0.1", "it has to send X-Forwarded-Proto")]
    public async Task A_proxy_that_is_not_the_one_that_was_named_is_told_what_is_wrong(string proxy, string told)
    {
        using var process = await SiteProcess.Start(RunningSite.FreeAddress(),
            settings: new() { ["UMBICK_PROXY"] = proxy, ["UMBICK_HOSTS"] = "clocks.example" });
        using var client = new HttpClient { BaseAddress = process.Address };
        using var answer = await client.GetAsync("/");
        Assert.Equal(HttpStatusCode.MisdirectedRequest, answer.StatusCode);
        Assert.Contains(told, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Through_a_proxy_that_nobody_named_nobody_looks_round()
    {
        using var client = new HttpClient { BaseAddress = site.Address };
        Assert.Contains("Look round", await client.GetStringAsync("/"), StringComparison.Ordinal);
        client.DefaultRequestHeaders.Add("X-Forwarded-For", "127.0.0.1");
        Assert.DoesNotContain("Look round", await client.GetStringAsync("/"), StringComparison.Ordinal);
    }

    private static IConfiguration Configuration(string urls, string? proxy, string? hosts) =>
        new ConfigurationBuilder().AddInMemoryCollection(
            new Dictionary<string, string?> { ["urls"] = urls, ["UMBICK_PROXY"] = proxy, ["UMBICK_HOSTS"] = hosts }).Build();
}
