using System.Text.Json;
using Npgsql;

namespace Umbick.Web.Tests.Cluster;

/// <summary>
/// A database that moves, as a trust would run it, small and on loopback alone: three of etcd, and two PostgreSQL under Patroni, of which
/// the one that is written to answers once the other has it too. All of it from Debian's packages; none of it outlives this object.
/// </summary>
public sealed class PatroniCluster : IAsyncDisposable
{
    private const string Password = "loopback-alone";

    private const int LastLines = 25;

    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-cluster-");
    private readonly List<Part> _etcd = [];
    private readonly List<Part> _patroni = [];
    private readonly int[] _ports = [RunningSite.FreePort(), RunningSite.FreePort()];
    private readonly int[] _told = [RunningSite.FreePort(), RunningSite.FreePort()];
    private readonly HttpClient _client = new() { Timeout = TimeSpan.FromSeconds(3) };

    private PatroniCluster()
    {
    }

    /// <summary>The connection of a role to whichever host is written to.</summary>
    public string As(string role) => $"Host={string.Join(',', _ports.Select(port => $"127.0.0.1:{port}"))};Database=umbick;Username={role};"
        + $"Password={Password}";

    /// <summary>The superuser's connection to the host that is written to now.</summary>
    public string Super(int host) => $"Host=127.0.0.1;Port={_ports[host]};Database=postgres;Username=postgres;Password={Password}";

    /// <summary>Starts it all, with the roles of a site and an empty database, and waits until both hosts have it.</summary>
    public static async Task<PatroniCluster> Start()
    {
        var cluster = new PatroniCluster();
        try
        {
            await cluster.Begin();
            return cluster;
        }
        catch
        {
            await cluster.DisposeAsync();
            throw;
        }
    }

    /// <summary>Which host is written to, and which has it too: as Patroni tells; null where there is none.</summary>
    public async Task<(int? Primary, int? Replica)> Roles()
    {
        (int? Primary, int? Replica) found = (null, null);
        for (var host = 0; host < 2; host++)
        {
            if (await Says(host, "primary")) found.Primary = host;
            else if (await Says(host, "synchronous")) found.Replica = host;
        }
        return found;
    }

    /// <summary>Waits until one host is written to and the other has all of it.</summary>
    public async Task<(int Primary, int Replica)> Whole(CancellationToken cancel)
    {
        while (true)
        {
            if (await Roles() is ({ } primary, { } replica)) return (primary, replica);
            await Task.Delay(250, cancel);
        }
    }

    /// <summary>Ends a host at once: Patroni and PostgreSQL.</summary>
    public void Kill(int host)
    {
        var server = Postmaster(host);
        _patroni[host].Signal("KILL");
        Part.Signal("KILL", server);
    }

    /// <summary>Starts a host again as it is.</summary>
    public void StartAgain(int host) => _patroni[host].StartAgain();

    /// <summary>Stops a host, all its processes, without ending them; or has them go on.</summary>
    public void Freeze(int host, bool frozen)
    {
        var server = Postmaster(host);
        var all = Directory.EnumerateDirectories("/proc").Select(Path.GetFileName).Where(name => int.TryParse(name, out _))
            .Select(name => int.Parse(name!, System.Globalization.CultureInfo.InvariantCulture)).Where(id => ParentOf(id) == server);
        foreach (var id in all.Prepend(server).Prepend(_patroni[host].Id).ToList()) Part.Signal(frozen ? "STOP" : "CONT", id);
    }

    /// <summary>Ends etcd's leader, and says which it was.</summary>
    public async Task<int> KillLeader()
    {
        for (var member = 0; member < _etcd.Count; member++)
        {
            if (!await IsLeader(member)) continue;
            _etcd[member].Signal("KILL");
            return member;
        }
        throw new InvalidOperationException("etcd has no leader.");
    }

    /// <summary>Starts a member of etcd again.</summary>
    public void StartMember(int member) => _etcd[member].StartAgain();

    /// <summary>The last that each part has said: for whoever looks why it is not whole.</summary>
    public string Said() => string.Join('\n', Directory.EnumerateFiles(_folder.FullName, "*.log").Order()
        .SelectMany(log => File.ReadLines(log).TakeLast(LastLines).Prepend($"== {Path.GetFileName(log)}")));

    public ValueTask DisposeAsync()
    {
        _client.Dispose();
        for (var host = 0; host < _patroni.Count; host++)
        {
            // A server that is frozen would not hear that it is to end.
            _patroni[host].Signal("KILL");
            if (File.Exists(PidFile(host))) Part.Signal("KILL", Postmaster(host));
        }
        foreach (var part in _etcd) part.Signal("KILL");
        foreach (var part in _patroni.Concat(_etcd)) part.Dispose();
        for (var tries = 0; tries < 50 && _folder.Exists; tries++)
        {
            try
            {
                _folder.Delete(recursive: true);
                break;
            }
            catch (Exception busy) when (busy is IOException or UnauthorizedAccessException)
            {
                // A process that ends writes to the last.
                Thread.Sleep(100);
            }
        }
        return ValueTask.CompletedTask;
    }

    private async Task Begin()
    {
        Part.GiveToPostgres(_folder.FullName);
        var members = Enumerable.Range(0, 3)
            .Select(i => (Name: $"member-{i}", Peer: RunningSite.FreePort(), Client: RunningSite.FreePort())).ToList();
        _clients = [.. members.Select(member => member.Client)];
        var all = string.Join(',', members.Select(member => $"{member.Name}=http://127.0.0.1:{member.Peer}"));
        foreach (var (name, peer, client) in members)
        {
            _etcd.Add(Part.Start(_folder.FullName, name, "etcd",
            [
                "--name", name, "--data-dir", $"{_folder.FullName}/{name}.data", "--initial-cluster", all,
                "--initial-cluster-state", "new", "--listen-peer-urls", $"http://127.0.0.1:{peer}",
                "--initial-advertise-peer-urls", $"http://127.0.0.1:{peer}", "--listen-client-urls", $"http://127.0.0.1:{client}",
                "--advertise-client-urls", $"http://127.0.0.1:{client}", "--heartbeat-interval", "200", "--election-timeout", "2000",
                "--enable-v2", "--logger", "zap", "--log-level", "error",
            ]));
        }
        for (var host = 0; host < 2; host++)
        {
            await File.WriteAllTextAsync($"{_folder.FullName}/host-{host}.yml", Patroni(host));
            _patroni.Add(Part.Start(_folder.FullName, $"host-{host}", "patroni", [$"{_folder.FullName}/host-{host}.yml"]));
        }
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(150));
        var (primary, _) = await Whole(patience.Token);
        await using var source = NpgsqlDataSource.Create(Super(primary));
        foreach (var statement in new[]
        {
            $"create role umbick_owner login createdb password '{Password}'", $"create role umbick_app login password '{Password}'",
            "create database umbick owner umbick_owner", "revoke all on database umbick from public",
            "grant connect on database umbick to umbick_app",
        })
        {
            await using var command = source.CreateCommand(statement);
            await command.ExecuteNonQueryAsync(patience.Token);
        }
        await using var inside = NpgsqlDataSource.Create(Super(primary).Replace("Database=postgres", "Database=umbick"));
        await using var schema = inside.CreateCommand("alter schema public owner to umbick_owner; revoke all on schema public from public");
        await schema.ExecuteNonQueryAsync(patience.Token);
    }

    private int[] _clients = [];

    private string Patroni(int host) =>
        $"""
        scope: umbick
        name: host-{host}
        restapi:
          listen: 127.0.0.1:{_told[host]}
          connect_address: 127.0.0.1:{_told[host]}
        etcd:
          hosts: [{string.Join(", ", _clients.Select(port => $"'127.0.0.1:{port}'"))}]
        bootstrap:
          dcs:
            ttl: 20
            loop_wait: 5
            retry_timeout: 5
            maximum_lag_on_failover: 1048576
            synchronous_mode: true
            postgresql:
              use_pg_rewind: true
              parameters:
                max_connections: 120
          initdb:
            - encoding: UTF8
            - locale: C
            - data-checksums
        postgresql:
          listen: 127.0.0.1:{_ports[host]}
          connect_address: 127.0.0.1:{_ports[host]}
          data_dir: {Data(host)}
          bin_dir: {Part.PostgresBin}
          pgpass: {_folder.FullName}/pgpass-{host}
          authentication:
            superuser:
              username: postgres
              password: {Password}
            replication:
              username: replicator
              password: {Password}
            rewind:
              username: rewinder
              password: {Password}
          parameters:
            unix_socket_directories: ''
          pg_hba:
            - host replication replicator 127.0.0.1/32 scram-sha-256
            - host all all 127.0.0.1/32 scram-sha-256
        """;

    private string Data(int host) => $"{_folder.FullName}/host-{host}.data";

    private string PidFile(int host) => $"{Data(host)}/postmaster.pid";

    private int Postmaster(int host) =>
        int.Parse(File.ReadLines(PidFile(host)).First(), System.Globalization.CultureInfo.InvariantCulture);

    private static int ParentOf(int id)
    {
        try
        {
            return int.Parse(File.ReadAllText($"/proc/{id}/stat").Split(')')[^1].Split(' ')[2],
                System.Globalization.CultureInfo.InvariantCulture);
        }
        catch (IOException)
        {
            return 0;
        }
    }

    private async Task<bool> Says(int host, string role)
    {
        try
        {
            using var answer = await _client.GetAsync(new Uri($"http://127.0.0.1:{_told[host]}/{role}"));
            return answer.IsSuccessStatusCode;
        }
        catch (Exception away) when (away is HttpRequestException or TaskCanceledException)
        {
            return false;
        }
    }

    private async Task<bool> IsLeader(int member)
    {
        using var asked = new StringContent("{}");
        using var answer = await _client.PostAsync(new Uri($"http://127.0.0.1:{_clients[member]}/v3/maintenance/status"), asked);
        using var status = JsonDocument.Parse(await answer.Content.ReadAsStringAsync());
        return status.RootElement.GetProperty("leader").GetString()
            == status.RootElement.GetProperty("header").GetProperty("member_id").GetString();
    }
}
