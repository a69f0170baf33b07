using System.Net;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// Two sites on one database, and whoever comes goes to either: what is begun at one is gone on with at the other. What they do with five
/// hundred answers stands in <see cref="QueueUnderFaultsTests"/>.
/// </summary>
public sealed class ManySitesTests(Site site, ManySitesTests.Second second) : IClassFixture<Site>, IClassFixture<ManySitesTests.Second>
{
    [Fact]
    public async Task A_file_that_was_sent_to_one_is_looked_at_and_taken_in_at_the_other()
    {
        var (here, there) = await Both();
        var alias = $"Knot {Guid.NewGuid():N}"[..12];
        var sent = await here.SendFile("", "answers.csv",
            $"child,date,task,given,answer\n{alias},2026-03-02,read-digital,4:00,12:20\n{alias},2026-03-02,read-digital,9:00,12:45\n");
        var path = sent.Headers.Location!.OriginalString;
        await Until(async () => Reading(await there.Page(path)) == "read");
        Assert.Contains("2 answers of one child would be added", (await there.Page(path)).Body!.TextContent, StringComparison.Ordinal);
        await there.Send(path, "Take them in");
        await Until(async () => Reading(await here.Page(path)) == "taken");
        Assert.Equal(2, await site.App.InSchool(site.A, connection => connection.ExecuteScalarAsync<int>(
            "select count(*) from answer join sitting on sitting.school = answer.school and sitting.id = answer.sitting join child on "
                + "child.school = sitting.school and child.id = sitting.child where alias = @alias", new { alias })));
    }

    [Fact]
    public async Task A_file_whose_site_has_ended_is_gone_on_with_by_the_one_that_is_asked()
    {
        var (_, there) = await Both();
        var id = FileJobId.New();
        await site.App.InSchool(site.A, async connection =>
        {
            var sender = await connection.QuerySingleAsync<PersonId>("select id from person limit 1");
            await SentFiles.Add(connection, id, sender, "children.csv", "child\nSomebody new\n"u8.ToArray(), DateTime.UtcNow);
            // Another site has begun with it, and is seen no more.
            await SentFiles.Claim(connection, id, Guid.NewGuid());
            await connection.ExecuteAsync("update sent_file set worker_until = clock_timestamp() - interval '1 second' where id = @id",
                new { id });
        });
        await Until(async () => Reading(await there.Page($"/files/{id}")) == "read");
    }

    [Fact]
    public async Task With_a_child_who_is_erased_every_file_goes_that_may_hold_what_they_answered()
    {
        var child = await site.Child(site.A);
        var (here, _) = await Both();
        var path = (await here.SendFile("", "children.csv", $"child\n{child.Alias}\n")).Headers.Location!.OriginalString;
        await Until(async () => Reading(await here.Page(path)) == "read");
        await site.App.InSchool(site.A, connection => Children.Erase(connection, child.Id, child.Alias));
        using var gone = await here.Get(path);
        Assert.Equal(HttpStatusCode.NotFound, gone.StatusCode);
        Assert.Equal(0, await site.App.InSchool(site.A,
            connection => connection.ExecuteScalarAsync<int>("select count(*) from sent_file")));
    }

    [Fact]
    public async Task Wrong_passwords_at_one_are_counted_at_the_other()
    {
        var name = (await site.Colleague(site.A, PersonRole.Teacher)).UserName!;
        HttpStatusCode last = default;
        for (var tries = 0; tries < 12; tries++)
        {
            using var visitor = new Visitor(tries % 2 == 0 ? site.Address : second.Address);
            last = (await visitor.Send("/", "Sign in", new() { ["userName"] = name, ["password"] = "not this one" })).StatusCode;
        }
        Assert.NotEqual(HttpStatusCode.Redirect, last);
        foreach (var address in new[] { site.Address, second.Address })
        {
            using var visitor = new Visitor(address);
            var right = await visitor.Send("/", "Sign in", new() { ["userName"] = name, ["password"] = Site.Password });
            Assert.NotEqual(HttpStatusCode.Redirect, right.StatusCode);
        }
    }

    [Fact]
    public async Task What_an_answer_says_is_never_of_before_wherever_it_is_read()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var simulated = site.Simulated("next-hour");
        var (here, there) = await Both();
        for (var done = 0; done < 8; done++)
        {
            var current = await site.Current(site.A, sitting);
            var (one, other) = done % 2 == 0 ? (here, there) : (there, here);
            var (_, fields) = await one.Form($"/ask/{sitting}", "Next");
            fields["raw"] = simulated.Answer(current.Item, current.Item.Task.Aloud);
            await one.Post($"/ask/{sitting}?handler=answer", fields);
            Assert.Equal(await Told(one), await Told(other));
        }

        async Task<string> Told(Visitor visitor) => (await visitor.Page($"/children/{child.Id}")).QuerySelector("main")!.TextContent;
    }

    [Fact]
    public async Task One_that_is_told_to_end_says_so_to_a_balancer_and_goes_on_until_that_has_seen_it()
    {
        using var ending = await SiteProcess.Start(RunningSite.FreeAddress(), settings: new() { ["UMBICK_DRAIN"] = "3" });
        using var balancer = new HttpClient { BaseAddress = ending.Address };
        using var teacher = await Visitor.TeacherOf(ending.Address, site.TeacherOfA);
        Assert.Equal(HttpStatusCode.OK, await InService());
        var ended = ending.Stop();
        await Until(async () => await InService() == HttpStatusCode.ServiceUnavailable);
        Assert.Equal(HttpStatusCode.OK, (await teacher.Get("/day")).StatusCode);
        Assert.Equal(0, await ended);

        async Task<HttpStatusCode> InService()
        {
            using var answer = await balancer.GetAsync(new Uri("/in-service", UriKind.Relative), TestContext.Current.CancellationToken);
            return answer.StatusCode;
        }
    }

    private async Task<(Visitor Here, Visitor There)> Both() =>
        (await Visitor.TeacherOf(site.Address, site.TeacherOfA), await Visitor.TeacherOf(second.Address, site.TeacherOfA));

    private static string? Reading(AngleSharp.Html.Dom.IHtmlDocument page) =>
        page.QuerySelector("[data-reading]")?.GetAttribute("data-reading");

    private static async Task Until(Func<Task<bool>> holds)
    {
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        while (!await holds()) await Task.Delay(50, patience.Token);
    }

    /// <summary>The second site.</summary>
    public sealed class Second : IAsyncLifetime
    {
        private SiteProcess _process = null!;

        public Uri Address => _process.Address;

        public async ValueTask InitializeAsync() => _process = await Site.Another();

        public ValueTask DisposeAsync()
        {
            _process.Dispose();
            return ValueTask.CompletedTask;
        }
    }
}
