using Umbick.Store;
using System.Diagnostics;
using System.Text.Json;
using Dapper;
using Npgsql;
using Umbick.Core.Items;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>
/// The shipped queue, run by ten clients who know nothing of the site's rules, through a proxy that loses, doubles and cuts off, while the
/// site is killed and the database taken away. Whatever was acknowledged is there, once; nothing that was typed is missing.
/// </summary>
public sealed class QueueUnderFaultsTests(Site site, ITestOutputHelper output) : IClassFixture<Site>
{
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);

    /// <summary>One answer as it was typed.</summary>
    private sealed record Typed(Guid Id, string Raw, Guid Sitting, int Place);

    /// <summary>What became of everything, as the clients know it.</summary>
    private sealed record Told(Guid? Need, List<Typed>? Typed, List<Guid>? Acknowledged, List<string>? Refused, List<Guid>? Waiting);

    [Fact]
    public Task A_hundred_answers_through_faults() => Play(seed: 3, lists: 2, listLength: 20, sheets: 4, conversation: 6, restarts: 1);

    [Fact(Explicit = true)]
    [Trait("Kind", "Faults")]
    public async Task Five_hundred_answers_through_faults_with_three_seeds()
    {
        foreach (var seed in new[] { 1, 2, 3 }) await Play(seed, lists: 6, listLength: 50, sheets: 12, conversation: 8, restarts: 3);
    }

    [Fact]
    public async Task Two_processes_behind_one_address_keep_five_hundred_answers_each_once_and_show_the_same()
    {
        using var second = await Site.Another();
        await using var proxy = await FaultProxy.Start([site.Address, second.Address], new Random(1));
        var clients = await Clients(lists: 4, listLength: 100, sheets: 6, conversation: 4);
        var told = await Run(proxy.Address, 1, clients, _ => Task.CompletedTask);
        Assert.True(told.Typed!.Count >= 500, $"{told.Typed.Count} answers");
        await AssertNothingLost(told);
        Assert.Empty(told.Refused!);
        // Child and teacher see the same, whichever process they ask.
        var (here, there) = (await Visitor.TeacherOf(site.Address, site.TeacherOfA),
            await Visitor.TeacherOf(second.Address, site.TeacherOfA));
        // A list brings what it says up to date beside the requests: it is compared once nothing is behind.
        while ((await here.Page("/children")).QuerySelector("[data-behind]") is not null)
            await Task.Delay(500, TestContext.Current.CancellationToken);
        foreach (var path in new[] { "/children", "/practise" }.Concat(clients.Select(client => $"/ask/{client.Sitting}")))
            Assert.Equal(await Shown(here, path), await Shown(there, path));

        static async Task<string> Shown(Visitor visitor, string path)
        {
            using var answer = await visitor.Get(path);
            return (await Visitor.Read(answer)).Body?.TextContent ?? $"{answer.StatusCode}";
        }
    }

    /// <summary>Somebody who answers: a child with a list, a teacher with sheets, a teacher in conversation.</summary>
    private sealed record Client(string Kind, string Scope, int Count)
    {
        public bool Code { get; init; }

        public Guid Sitting { get; init; }

        public Guid Screening { get; init; }

        public IReadOnlyList<Guid> Sittings { get; init; } = [];

        public string? User { get; init; }

        public string Password { get; } = Site.Password;
    }

    private async Task Play(int seed, int lists, int listLength, int sheets, int conversation, int restarts)
    {
        var random = new Random(seed);
        // Connections of this site alone are cut, so that other tests keep theirs.
        var settings = new NpgsqlConnectionStringBuilder(Site.Setting("UMBICK_APP"))
        { ApplicationName = $"umbick faults {Guid.NewGuid():N}" };
        var address = RunningSite.FreeAddress();
        var server = await SiteProcess.Start(address, settings.ConnectionString);
        await using var proxy = await FaultProxy.Start([address], random);
        try
        {
            proxy.Share = 0.3;
            var clients = await Patiently(() => Clients(lists, listLength, sheets, conversation));
            var told = await Run(proxy.Address, seed, clients, async over =>
            {
                for (var i = 0; i < restarts && !over.IsCompleted; i++)
                {
                    await Later(over, 1.5);
                    server.Dispose();
                    server = await SiteProcess.Start(address, settings.ConnectionString);
                    await Later(over, 1);
                    await Cut(settings.ApplicationName);
                }
                await Later(over, 1);
                // The faults are over: from here on everything has to go.
                proxy.Share = 0;
            });
            await AssertNothingLost(told);
            output.WriteLine($"Seed {seed}: {told.Typed!.Count} answers typed, {proxy.Writes} sendings, "
                + $"{string.Join(", ", proxy.Counted.Select(fault => $"{fault.Value} {fault.Key}"))}; {told.Acknowledged!.Count} "
                + $"acknowledged, {told.Refused!.Count} refused, {told.Waiting!.Count} waiting.");
        }
        finally
        {
            server.Dispose();
        }
    }

    private static Task Later(Task over, double seconds) =>
        Task.WhenAny(over, Task.Delay(TimeSpan.FromSeconds(seconds), TestContext.Current.CancellationToken));

    /// <summary>Takes the database away: whole where the launcher can, else by cutting the site's connections.</summary>
    private async Task Cut(string name)
    {
        if (Environment.GetEnvironmentVariable("UMBICK_RESTART_DATABASE") is { } restart)
        {
            using var process = Process.Start("bash", [restart]);
            await process.WaitForExitAsync(TestContext.Current.CancellationToken);
            site.ForgetConnections();
            return;
        }
        await using var connection = new NpgsqlConnection(Site.Setting("UMBICK_APP"));
        await connection.ExecuteAsync("select pg_terminate_backend(pid) from pg_stat_activity where application_name = @name",
            new { name });
    }

    private async Task<List<Client>> Clients(int lists, int listLength, int sheets, int conversation)
    {
        List<Client> clients = [];
        for (var i = 0; i < lists; i++)
        {
            var sitting = await site.OnScreen(site.A, (await site.Child(site.A)).Id,
                [.. Enumerable.Repeat(ClockTasks.ReadDigital.Id, listLength)]);
            clients.Add(new Client("list", $"{sitting}", listLength) { Code = true, Sitting = sitting.Value });
        }
        for (var i = 0; i < 2; i++)
        {
            var screening = await site.Class(site.A, Stage.FiveMinutesTo,
                [.. Enumerable.Range(0, sheets).Select(_ => $"Pupil {Guid.NewGuid():N}")]);
            var found = (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, screening)))!;
            clients.Add(new Client("grid", "teacher", ClassScreening.Length)
            {
                Screening = screening.Value,
                Sittings = [.. found.Children.Select(child => child.Sitting.Sitting.Id.Value)],
                User = site.TeacherOfA
            });
        }
        for (var i = 0; i < 2; i++)
        {
            var sitting = await site.Sitting(site.A, (await site.Child(site.A)).Id);
            clients.Add(new Client("conversation", "teacher", conversation) { Sitting = sitting.Value, User = site.TeacherOfA });
        }
        return clients;
    }

    private async Task<Told> Run(Uri address, int seed, List<Client> clients, Func<Task, Task> meanwhile)
    {
        var root = Site.Setting("UMBICK_ROOT");
        var start = new ProcessStartInfo("node",
            [$"{root}/bench/answers/queue-clients.mjs", $"{root}/src/Umbick.Web/wwwroot/js/answer-queue.js", address.ToString(), $"{seed}"])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
        };
        using var node = Process.Start(start)!;
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        // An answer that never goes is sent again for ever.
        patience.CancelAfter(TimeSpan.FromMinutes(10));
        await using var ended = patience.Token.Register(node.Kill);
        var over = node.WaitForExitAsync(CancellationToken.None);
        var faults = meanwhile(over);
        await node.StandardInput.WriteLineAsync(JsonSerializer.Serialize(clients, Plain));
        Told? last = null;
        while (await node.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken) is { } line)
        {
            last = JsonSerializer.Deserialize<Told>(line, Plain)!;
            if (last.Need is not { } sitting) continue;
            await node.StandardInput.WriteLineAsync(JsonSerializer.Serialize(new { sitting, code = await Code(new(sitting)) }, Plain));
        }
        await over;
        await faults;
        Assert.Equal(0, node.ExitCode);
        Assert.NotNull(last?.Typed);
        return last;
    }

    private Task<string> Code(SittingId sitting) => Patiently(() => site.Code(site.A, sitting));

    /// <summary>Asks the database, also one that is just being started again: the connections from before are broken.</summary>
    private static async Task<T> Patiently<T>(Func<Task<T>> ask)
    {
        while (true)
        {
            try
            {
                return await ask();
            }
            catch (NpgsqlException)
            {
                await Task.Delay(100, TestContext.Current.CancellationToken);
            }
        }
    }

    private async Task AssertNothingLost(Told told)
    {
        var ids = told.Typed!.Select(typed => typed.Id).ToArray();
        var kept = (await Patiently(() =>
            site.App.InSchool(site.A, connection => connection.QueryAsync<(Guid Id, string Raw, Guid Sitting, int Place)>(
            "select id, raw, sitting, place::int from answer where id = any(@ids)", new { ids })))).ToList();
        Assert.Equal(ids.Length, ids.Distinct().Count());
        // Every acknowledged answer is there, once, as it was typed, under its own question.
        Assert.Equal(told.Acknowledged!.Count, told.Acknowledged.Distinct().Count());
        Assert.Equal(told.Typed!.Select(typed => (typed.Id, typed.Raw, typed.Sitting, typed.Place)).Order(), kept.Order());
        Assert.Equal(ids.Order(), told.Acknowledged.Order());
        // With the faults over and everybody signed in again nothing waits, and nothing was refused.
        Assert.Empty(told.Waiting!);
        Assert.Empty(told.Refused!);
    }
}
