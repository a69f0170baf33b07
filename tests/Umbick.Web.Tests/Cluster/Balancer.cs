namespace Umbick.Web.Tests.Cluster;

/// <summary>
/// haproxy before several sites, as docs/growing.md has it: whoever comes is sent to one that says that it is in service.
/// </summary>
public sealed class Balancer : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-balancer-");
    private readonly Part _process;

    private Balancer(IEnumerable<Uri> sites)
    {
        var servers = sites.Select((site, i) => $"  server site-{i} {site.Host}:{site.Port}");
        File.WriteAllText($"{_folder.FullName}/haproxy.cfg",
            $"""
            defaults
              mode http
              timeout connect 2s
              timeout client 75s
              timeout server 75s
              timeout check 2s
              retries 2
              option redispatch
            frontend school
              bind {Address.Host}:{Address.Port}
              default_backend sites
            backend sites
              balance roundrobin
              option httpchk GET /in-service
              default-server check inter 1s fall 2 rise 1 on-marked-down shutdown-sessions
            {string.Join('\n', servers)}

            """);
        _process = Part.Start(_folder.FullName, "haproxy", "haproxy", ["-db", "-f", $"{_folder.FullName}/haproxy.cfg"], asPostgres: false);
    }

    /// <summary>Starts it, and waits until it lets somebody in.</summary>
    public static async Task<Balancer> Start(params IEnumerable<Uri> sites)
    {
        var balancer = new Balancer(sites);
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        while (true)
        {
            try
            {
                using var knock = new System.Net.Sockets.TcpClient();
                await knock.ConnectAsync(balancer.Address.Host, balancer.Address.Port, patience.Token);
                return balancer;
            }
            catch (System.Net.Sockets.SocketException)
            {
                await Task.Delay(50, patience.Token);
            }
        }
    }

    /// <summary>Where whoever comes is let in.</summary>
    public Uri Address { get; } = RunningSite.FreeAddress();

    public void Dispose()
    {
        _process.Signal("KILL");
        _process.Dispose();
        _folder.Delete(recursive: true);
    }
}
