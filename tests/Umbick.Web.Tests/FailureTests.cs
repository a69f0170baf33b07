using System.Net;
using Npgsql;

namespace Umbick.Web.Tests;

/// <summary>What is told when the database is down, full, or only read.</summary>
public sealed class FailureTests
{
    [Fact]
    public async Task With_the_database_down_a_page_and_a_script_are_told_and_the_headers_are_there()
    {
        using var site = await Without(settings => settings.Port = RunningSite.FreePort());
        using var client = new HttpClient { BaseAddress = site.Address };
        using var page = await client.GetAsync(new Uri("/", UriKind.Relative), TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.InternalServerError, page.StatusCode);
        Assert.Contains("Every answer that was taken is kept", await page.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        foreach (var header in new[] { "Content-Security-Policy", "X-Content-Type-Options", "Referrer-Policy", "Cache-Control" })
            Assert.True(page.Headers.Contains(header), header);
        using var asked = new HttpRequestMessage(HttpMethod.Get, "/explain?time=4:00");
        asked.Headers.Add("HX-Request", "true");
        using var script = await client.SendAsync(asked, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.InternalServerError, script.StatusCode);
        Assert.DoesNotContain("<html", await script.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        Assert.Equal((HttpStatusCode.OK, HttpStatusCode.ServiceUnavailable),
            (await Status(client, "/alive"), await Status(client, "/ready")));
    }

    [Fact]
    public async Task A_site_that_can_read_and_not_write_is_alive_and_not_ready()
    {
        using var site = await Without(settings => settings.Options = "-c default_transaction_read_only=on");
        using var client = new HttpClient { BaseAddress = site.Address };
        Assert.Equal(HttpStatusCode.OK, await Status(client, "/alive"));
        foreach (var path in new[] { "/ready", "/healthz" }) Assert.Equal(HttpStatusCode.ServiceUnavailable, await Status(client, path));
    }

    [Fact]
    public async Task A_site_that_is_told_to_stop_ends_well()
    {
        using var site = await SiteProcess.Start(RunningSite.FreeAddress());
        Assert.Equal(0, await site.Stop());
    }

    private static Task<SiteProcess> Without(Action<NpgsqlConnectionStringBuilder> change)
    {
        var settings = new NpgsqlConnectionStringBuilder(Site.Setting("UMBICK_APP"));
        change(settings);
        return SiteProcess.Start(RunningSite.FreeAddress(), settings.ConnectionString, "/alive");
    }

    private static async Task<HttpStatusCode> Status(HttpClient client, string path)
    {
        using var answer = await client.GetAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken);
        return answer.StatusCode;
    }
}
