using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Npgsql;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Simulation;
using Umbick.Store;
using Umbick.Store.Casework;

namespace Umbick.Web.Tests;

/// <summary>The site as it runs in use: a process of its own, on the demonstration database, with two more schools.</summary>
public sealed class Site : IAsyncLifetime
{
    public const string Password = "a long enough password";

    private readonly NpgsqlDataSource _app = NpgsqlDataSource.Create(Setting("UMBICK_APP"));
    private readonly NpgsqlDataSource _owner = NpgsqlDataSource.Create(Setting("UMBICK_OWNER"));
    private Process? _process;

    public Site()
    {
        (App, Owner) = (new Database(_app), new Database(_owner));
        Address = new Uri($"http://127.0.0.1:{FreePort()}");
    }

    public Uri Address { get; }

    public Database App { get; }

    public Database Owner { get; }

    public ReadingModel Model { get; } = new();

    public Guid A { get; } = Guid.NewGuid();

    public Guid B { get; } = Guid.NewGuid();

    public string TeacherOfA => $"teacher@{A:N}.example";

    public string TeacherOfB => $"teacher@{B:N}.example";

    public async ValueTask InitializeAsync()
    {
        foreach (var (school, name, teacher) in new[] { (A, "Skerry", TeacherOfA), (B, "Holm", TeacherOfB) })
        {
            await Owner.InSchool(school, async connection =>
            {
                await Schools.Add(connection, new School(school, name));
                await Schools.AddPerson(connection, school, teacher, "Teacher", Password);
            });
        }
        await Start();
    }

    public async ValueTask DisposeAsync()
    {
        Kill();
        foreach (var school in new[] { A, B }) await Owner.InSchool(school, Schools.Erase);
        await _app.DisposeAsync();
        await _owner.DisposeAsync();
    }

    /// <summary>Starts the site's process and waits until it answers.</summary>
    public async Task Start()
    {
        var root = Setting("UMBICK_ROOT");
        var start = new ProcessStartInfo("dotnet", [$"{root}/artifacts/bin/Umbick.Web/release/Umbick.Web.dll", "--contentRoot", $"{root}/src/Umbick.Web", "--urls", Address.ToString()])
        {
            RedirectStandardOutput = true,
        };
        start.Environment["ASPNETCORE_ENVIRONMENT"] = "Production";
        _process = Process.Start(start)!;
        _process.OutputDataReceived += (_, _) => { };
        _process.BeginOutputReadLine();
        using var client = new HttpClient { BaseAddress = Address };
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        while (!await Answers(client))
        {
            Assert.False(_process.HasExited, "the site stopped while starting");
            await Task.Delay(100, patience.Token);
        }
    }

    /// <summary>Ends the site's process at once, as a fault would.</summary>
    public void Kill()
    {
        _process?.Kill();
        _process?.WaitForExit();
        _process?.Dispose();
        _process = null;
    }

    /// <summary>A new child of a school.</summary>
    public async Task<Child> Child(Guid school, Stage stage = Stage.FiveMinutesTo)
    {
        var child = new Child(Guid.NewGuid(), $"Pip {Guid.NewGuid():N}"[..12], stage);
        await App.InSchool(school, connection => Children.Add(connection, school, child, DateTime.UtcNow));
        return child;
    }

    /// <summary>A sitting that stands open.</summary>
    public async Task<Guid> Sitting(Guid school, Guid child) =>
        (await App.InSchool(school, connection => new Asking(Model, TimeProvider.System).Start(connection, school, child)))!.Value;

    /// <summary>A set that is given and not done, with its sitting.</summary>
    public Task<(Guid Set, Guid Sitting)> Set(Guid school, Guid child, string pattern) => App.InSchool(school, async connection =>
    {
        var record = await ChildRecord.Load(connection, Model, child);
        return await new Practising(Model, TimeProvider.System).Assign(connection, school, record!, Core.Patterns.Catalogue.Find(pattern)!, 1, Guid.NewGuid());
    });

    /// <summary>A child's record.</summary>
    public async Task<ChildRecord> Record(Guid school, Guid child) =>
        (await App.InSchool(school, connection => ChildRecord.Load(connection, Model, child)))!;

    /// <summary>A child made of patterns who always follows them.</summary>
    public SimulatedChild Simulated(params string[] patterns) =>
        new(Model, patterns.Select(id => Core.Patterns.Catalogue.Find(id)!), 1, new Random(3));

    public static string Setting(string name) =>
        Environment.GetEnvironmentVariable(name) ?? throw new InvalidOperationException($"{name} is not set. Run ./umbick test.");

    private static async Task<bool> Answers(HttpClient client)
    {
        try
        {
            using var answer = await client.GetAsync(new Uri("/healthz", UriKind.Relative));
            return answer.IsSuccessStatusCode;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}

/// <summary>The tests that share one running site.</summary>
[CollectionDefinition("site")]
public sealed class OnOneSite : ICollectionFixture<Site>;
