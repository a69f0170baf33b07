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
    private SiteProcess? _process;

    public Site()
    {
        (App, Owner) = (new Database(_app), new Database(_owner));
        Address = new Uri($"http://127.0.0.1:{FreePort()}");
    }

    public Uri Address { get; }

    public Database App { get; }

    public Database Owner { get; }

    public ReadingModel Model { get; } = new();

    public Screen Screen => new(Model, TimeProvider.System);

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
    public async Task Start() => _process = await SiteProcess.Start(Address);

    /// <summary>A second process of the same site, on the same database.</summary>
    public static Task<SiteProcess> Another() => SiteProcess.Start(new Uri($"http://127.0.0.1:{FreePort()}"));

    /// <summary>Ends the site's process at once, as a fault would.</summary>
    public void Kill()
    {
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
    public async Task<Guid> Sitting(Guid school, Guid child, Beginning? beginning = null) =>
        (await App.InSchool(school, connection => new Asking(Model, TimeProvider.System).Start(connection, school, child, beginning)))!.Value;

    /// <summary>A sitting on a screen of the child's own, with these tasks.</summary>
    public Task<Guid> OnScreen(Guid school, Guid child, params string[] tasks) =>
        Sitting(school, child, tasks.Length == 0 ? new Beginning(Way: Ways.Screen) : new Beginning(Plans.Chosen, Ways.Screen) { Tasks = tasks });

    /// <summary>A code that opens a sitting.</summary>
    public Task<string> Code(Guid school, Guid sitting) => App.InSchool(school, connection => Codes.Make(connection, school, sitting, DateTime.UtcNow));

    /// <summary>The question that is being asked.</summary>
    public async Task<Asked> Current(Guid school, Guid sitting) => await App.InSchool(school, async connection =>
    {
        var now = (await Sittings.Find(connection, sitting))!;
        return (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(asked => asked.Place == now.CurrentPlace);
    });

    /// <summary>The sitting itself.</summary>
    public async Task<Sitting> Now(Guid school, Guid sitting) => (await App.InSchool(school, connection => Sittings.Find(connection, sitting)))!;

    /// <summary>A set that is given and not done, with its sitting: for a pattern, or for reading at ease.</summary>
    public Task<(Guid Set, Guid Sitting)> Set(Guid school, Guid child, string? pattern) => App.InSchool(school, async connection =>
    {
        var record = await ChildRecord.Load(connection, Model, child);
        return await new Practising(Model, TimeProvider.System).Assign(connection, school, record!, Core.Patterns.Catalogue.Find(pattern), 1, Guid.NewGuid());
    });

    /// <summary>A child's record.</summary>
    public async Task<ChildRecord> Record(Guid school, Guid child) =>
        (await App.InSchool(school, connection => ChildRecord.Load(connection, Model, child)))!;

    /// <summary>A child made of patterns who always follows them.</summary>
    public SimulatedChild Simulated(params string[] patterns) =>
        new(Model, patterns.Select(id => Core.Patterns.Catalogue.Find(id)!), 1, new Random(3));

    public static string Setting(string name) =>
        Environment.GetEnvironmentVariable(name) ?? throw new InvalidOperationException($"{name} is not set. Run ./umbick test.");

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
