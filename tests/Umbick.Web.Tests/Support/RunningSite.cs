using System.Net;
using System.Net.Sockets;
using Npgsql;
using Umbick.Core.Diagnosis;
using Umbick.Store;

[assembly: AssemblyFixture(typeof(Umbick.Web.Tests.RunningSite))]

namespace Umbick.Web.Tests;

/// <summary>
/// The site as it runs in use, a process of its own on the demonstration database: one for all tests, which have schools of their own.
/// </summary>
public sealed class RunningSite : IAsyncLifetime
{
    private readonly NpgsqlDataSource _app = NpgsqlDataSource.Create(Setting("UMBICK_APP"));
    private readonly NpgsqlDataSource _owner = NpgsqlDataSource.Create(Setting("UMBICK_OWNER"));
    private SiteProcess? _process;

    public RunningSite()
    {
        (App, Owner) = (new Database(_app), new Database(_owner));
        Address = FreeAddress();
    }

    public Uri Address { get; }

    public Database App { get; }

    public Database Owner { get; }

    public ReadingModel Model { get; } = new();

    public async ValueTask InitializeAsync() => _process = await SiteProcess.Start(Address, forAll: true);

    public async ValueTask DisposeAsync()
    {
        Browser.QuitAll();
        _process?.Dispose();
        await _app.DisposeAsync();
        await _owner.DisposeAsync();
    }

    /// <summary>Lets go of connections that a database started again has broken.</summary>
    public void ForgetConnections()
    {
        _app.Clear();
        _owner.Clear();
    }

    public static string Setting(string name) =>
        Environment.GetEnvironmentVariable(name) ?? throw new InvalidOperationException($"{name} is not set. Run ./umbick test.");

    public static Uri FreeAddress() => new($"http://127.0.0.1:{FreePort()}");

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
