using System.Diagnostics;
using System.Text.Json;
using Npgsql;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests.Cluster;

/// <summary>
/// Two sites behind a balancer, on a database that moves; children who answer at their pace through the shipped queue, and a teacher who
/// opens the day each second. In the middle of it things are taken away.
/// </summary>
public sealed class ClusterTrial : IAsyncDisposable
{
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);

    private static readonly TimeSpan Between = TimeSpan.FromSeconds(6);

    private readonly PatroniCluster _cluster;
    private readonly NpgsqlDataSource _source;
    private readonly NpgsqlDataSource _owner;
    private readonly Uri[] _addresses = [RunningSite.FreeAddress(), RunningSite.FreeAddress()];
    private readonly SiteProcess?[] _sites = new SiteProcess?[2];
    private readonly SchoolId _school = SchoolId.New();
    private readonly ReadingModel _model = new();
    private readonly List<(long At, long Milliseconds, bool IsWell)> _pages = [];
    private readonly List<TrialFault> _faults = [];
    private Balancer? _balancer;

    private ClusterTrial(PatroniCluster cluster)
    {
        _cluster = cluster;
        _source = DatabaseHosts.Source(cluster.As("umbick_app"));
        _owner = DatabaseHosts.Source(cluster.As("umbick_owner"));
        App = new Database(_source, patience: TimeSpan.FromMinutes(2));
    }

    /// <summary>Where whoever comes is let in.</summary>
    public Uri Address => _balancer!.Address;

    /// <summary>A teacher of the school.</summary>
    public string Teacher => $"teacher@{_school}.example";

    private Database App { get; }

    /// <summary>Starts it all: the database is prepared by the launcher's own verb, which is given both hosts.</summary>
    public static async Task<ClusterTrial> Start(CancellationToken cancel)
    {
        var trial = new ClusterTrial(await PatroniCluster.Start());
        try
        {
            await trial.Prepare(cancel);
            for (var site = 0; site < 2; site++) await trial.StartSite(site);
            trial._balancer = await Balancer.Start(trial._addresses);
            return trial;
        }
        catch
        {
            await trial.DisposeAsync();
            throw;
        }
    }

    /// <summary>A site is ended at once.</summary>
    public Task KillSite() => Fault("a site is killed", async cancel =>
    {
        _sites[0]!.Dispose();
        await Task.Delay(TimeSpan.FromSeconds(10), cancel);
        await StartSite(0);
    });

    /// <summary>The host that is written to is ended at once.</summary>
    public Task KillPrimary() => Fault("Patroni and PostgreSQL of the primary are killed", async cancel =>
    {
        var (primary, replica) = await _cluster.Whole(cancel);
        _cluster.Kill(primary);
        await Until(async () => (await _cluster.Roles()).Primary == replica, cancel);
        await Task.Delay(TimeSpan.FromSeconds(5), cancel);
        _cluster.StartAgain(primary);
    });

    /// <summary>The host that has a copy is ended at once.</summary>
    public Task KillReplica() => Fault("Patroni and PostgreSQL of the replica are killed", async cancel =>
    {
        var (_, replica) = await _cluster.Whole(cancel);
        _cluster.Kill(replica);
        await Task.Delay(TimeSpan.FromSeconds(45), cancel);
        Assert.True(await App.InSchool(_school, Backups.WaitsForNoCopy, cancel));
        _cluster.StartAgain(replica);
    });

    /// <summary>The host that is written to stops for a minute, and goes on.</summary>
    public Task FreezePrimary() => Fault("the primary is frozen for 60 s and wakes", async cancel =>
    {
        var (primary, _) = await _cluster.Whole(cancel);
        _cluster.Freeze(primary, frozen: true);
        await Task.Delay(TimeSpan.FromSeconds(60), cancel);
        _cluster.Freeze(primary, frozen: false);
    });

    /// <summary>etcd loses its leader.</summary>
    public Task KillLeader() => Fault("etcd’s leader is killed", async cancel =>
    {
        var leader = await _cluster.KillLeader();
        await Task.Delay(TimeSpan.FromSeconds(20), cancel);
        _cluster.StartMember(leader);
    });

    /// <summary>A site stops for a while, and goes on.</summary>
    public Task FreezeSite() => Fault("a site is frozen for 20 s", async cancel =>
    {
        _sites[1]!.Freeze(true);
        await Task.Delay(TimeSpan.FromSeconds(20), cancel);
        _sites[1]!.Freeze(false);
    });

    /// <summary>Each site is told to end, and started anew.</summary>
    public Task RollingRestart() => Fault("both sites are started anew, one after the other", async cancel =>
    {
        for (var site = 0; site < 2; site++)
        {
            Assert.Equal(0, await _sites[site]!.Stop());
            await StartSite(site);
            await Task.Delay(TimeSpan.FromSeconds(4), cancel);
        }
    });

    /// <summary>Has children answer while faults come, and says what became of their answers; whatever is lost fails.</summary>
    /// <param name="devices">How many children.</param>
    /// <param name="pace">How long a child takes for an answer, on average.</param>
    /// <param name="faults">The faults, one after the other.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task<TrialOutcome> Run(int devices, TimeSpan pace, Func<Task> faults, CancellationToken cancel)
    {
        const int longest = 120;
        var lists = new List<object>();
        for (var i = 0; i < devices; i++)
        {
            var sitting = await Sitting(longest);
            lists.Add(new { kind = "list", scope = $"{sitting}", count = longest, code = true, sitting, pace = pace.TotalMilliseconds });
        }
        using var over = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var looking = Look(over.Token);
        var root = Site.Setting("UMBICK_ROOT");
        using var node = Process.Start(new ProcessStartInfo("node",
            [$"{root}/bench/answers/queue-clients.mjs", $"{root}/src/Umbick.Web/wwwroot/js/answer-queue.js", Address.ToString(), "1"])
        { RedirectStandardInput = true, RedirectStandardOutput = true })!;
        try
        {
            await node.StandardInput.WriteLineAsync(JsonSerializer.Serialize(lists, Plain));
            var told = Listen(node);
            await Task.Delay(Between, cancel);
            await faults();
            await Write(node, new { over = true });
            var outcome = await told.WaitAsync(TimeSpan.FromMinutes(3), cancel);
            await AssertNothingLost(outcome);
            return new(outcome.Typed!, outcome.Heard!, _pages, _faults);
        }
        finally
        {
            // Whatever has failed, nobody goes on asking.
            if (!node.HasExited) node.Kill();
            await over.CancelAsync();
            await looking;
        }
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var site in _sites) site?.Dispose();
        _balancer?.Dispose();
        await _source.DisposeAsync();
        await _owner.DisposeAsync();
        await _cluster.DisposeAsync();
    }

    /// <summary>What becomes of everything, as the children's devices know it.</summary>
    private sealed record Told(Guid? Need, List<TypedAnswer>? Typed, List<HeardAnswer>? Heard, List<string>? Refused, List<Guid>? Waiting);

    private async Task Prepare(CancellationToken cancel)
    {
        var start = new ProcessStartInfo("dotnet",
            [$"{Site.Setting("UMBICK_ROOT")}/artifacts/bin/Umbick.Cli/release/Umbick.Cli.dll", "prepare"]);
        start.Environment["UMBICK_OWNER"] = _cluster.As("umbick_owner");
        using var prepare = Process.Start(start)!;
        await prepare.WaitForExitAsync(cancel);
        Assert.Equal(0, prepare.ExitCode);
        await new Database(_owner).InSchool(_school, async connection =>
        {
            await Schools.Add(connection, new School(_school, "Skerry"));
            await People.Add(connection, Teacher, "Teacher", Site.PasswordHash);
        }, cancel);
    }

    private async Task StartSite(int site) => _sites[site] = await SiteProcess.Start(
        _addresses[site], _cluster.As("umbick_app"), "/in-service",
        settings: new() { ["UMBICK_DRAIN"] = "4" });

    private async Task Fault(string name, Func<CancellationToken, Task> fault)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        patience.CancelAfter(TimeSpan.FromMinutes(4));
        var began = Now;
        try
        {
            await fault(patience.Token);
            await _cluster.Whole(patience.Token);
        }
        catch (OperationCanceledException) when (!TestContext.Current.CancellationToken.IsCancellationRequested)
        {
            Assert.Fail($"{name}: it is not whole again.\n{_cluster.Said()}");
        }
        // The page that says whether all is well would say that it is not.
        Assert.False(await App.InSchool(_school, Backups.WaitsForNoCopy, patience.Token));
        await Task.Delay(Between, patience.Token);
        _faults.Add(new(name, began, Now));
    }

    private static long Now => DateTimeOffset.UtcNow.ToUnixTimeMilliseconds();

    private static async Task Until(Func<Task<bool>> holds, CancellationToken cancel)
    {
        while (!await holds()) await Task.Delay(200, cancel);
    }

    private async Task<Guid> Sitting(int length)
    {
        var child = new Child(ChildId.New(), $"Pip {Guid.NewGuid():N}"[..12], Stage.FiveMinutesTo);
        return await App.InSchool(_school, async connection =>
        {
            await Children.Add(connection, child, DateTime.UtcNow);
            return (await new Asking(_model, TimeProvider.System).Start(connection, child.Id,
                new AskingOptions(Plan.Chosen, DeliveryMode.OnChildsScreen)
                { Tasks = [.. Enumerable.Repeat(ClockTasks.ReadDigital.Id, length)] }))!.Value.Value;
        });
    }

    private async Task<Told> Listen(Process node)
    {
        Told? last = null;
        while (await node.StandardOutput.ReadLineAsync() is { } line)
        {
            last = JsonSerializer.Deserialize<Told>(line, Plain)!;
            if (last.Need is { } sitting)
            {
                var code = await App.InSchool(_school, connection => Codes.Make(connection, new(sitting), DateTime.UtcNow));
                await Write(node, new { sitting, code });
            }
        }
        Assert.NotNull(last?.Typed);
        return last;
    }

    private static async Task Write(Process node, object what)
    {
        var line = JsonSerializer.Serialize(what, Plain) + "\n";
        await node.StandardInput.WriteAsync(line);
        await node.StandardInput.FlushAsync();
    }

    /// <summary>A teacher who opens the day each second, signed in once.</summary>
    private async Task Look(CancellationToken over)
    {
        using var teacher = await Visitor.TeacherOf(Address, Teacher);
        while (!over.IsCancellationRequested)
        {
            var began = Now;
            var isWell = false;
            try
            {
                using var answer = await teacher.Get("/day");
                isWell = answer.StatusCode == System.Net.HttpStatusCode.OK;
            }
            catch (Exception lost) when (lost is HttpRequestException or TaskCanceledException)
            {
                // A browser would open it again.
            }
            _pages.Add((began, Now - began, isWell));
            await Task.WhenAny(Task.Delay(1000, over));
        }
    }

    private async Task AssertNothingLost(Told told)
    {
        var ids = told.Typed!.Select(typed => typed.Id).ToArray();
        var kept = await App.InSchool(_school, connection => connection.QueryAsync<(Guid Id, string Raw, Guid Sitting, int Place)>(
            "select id, raw, sitting, place::int from answer where id = any(@ids)", new { ids }));
        var heard = told.Heard!.Select(answer => answer.Id).ToList();
        Assert.Equal(heard.Count, heard.Distinct().Count());
        Assert.Equal(told.Typed!.Select(typed => (typed.Id, typed.Raw, typed.Sitting, typed.Place)).Order(), kept.Order());
        Assert.Equal(ids.Order(), heard.Order());
        Assert.Empty(told.Waiting!);
        Assert.Empty(told.Refused!);
    }
}
