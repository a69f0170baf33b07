using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Simulation;
using Umbick.Store;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>Two schools of a test class's own, on the site that runs.</summary>
public sealed class Site(RunningSite running) : IAsyncLifetime
{
    public const string Password = "a long enough password";

    /// <summary>What is kept of it: computed once, for it takes long on purpose.</summary>
    public static string PasswordHash { get; } =
        new PasswordHasher<Person>(Options.Create(new PasswordHasherOptions { IterationCount = Person.PasswordRounds })).HashPassword(
            new Person(), Password);

    public Uri Address => running.Address;

    public Database App => running.App;

    public Database Owner => running.Owner;

    public ReadingModel Model => running.Model;

    public void ForgetConnections() => running.ForgetConnections();

    public ClassScreening Screen => new(Model, TimeProvider.System);

    public SchoolId A { get; } = SchoolId.New();

    public SchoolId B { get; } = SchoolId.New();

    public string TeacherOfA => $"teacher@{A}.example";

    public string TeacherOfB => $"teacher@{B}.example";

    public async ValueTask InitializeAsync()
    {
        foreach (var (school, name, teacher) in new[] { (A, "Skerry", TeacherOfA), (B, "Holm", TeacherOfB) })
        {
            await Owner.InSchool(school, async connection =>
            {
                await Schools.Add(connection, new School(school, name));
                await People.Add(connection, teacher, "Teacher", PasswordHash);
            });
        }
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var school in new[] { A, B }) await Owner.InSchool(school, Schools.Erase);
    }

    /// <summary>Somebody more who works at a school, by a user name.</summary>
    public async Task<Person> Colleague(SchoolId school, PersonRole role, bool inCharge = false, string? userName = null) =>
        (await App.InSchool(
        school, connection => People.TryAdd(connection, userName ?? $"{role}-{Guid.NewGuid():N}@skerry.example",
            role == PersonRole.Assistant ? "Plover" : "Knot", PasswordHash, role, inCharge)))!;

    /// <summary>A report of a child that was kept as it was offered.</summary>
    public async Task<ReportId> Report(SchoolId school, ChildId child, string kind)
    {
        ReportId id = Guid.NewGuid();
        var (reports, today) = (new ChildReports(Model, TimeProvider.System), DateOnly.FromDateTime(DateTime.UtcNow));
        await App.InSchool(school, async connection =>
        {
            var draft = (await reports.Offer(connection, child, Core.Reports.ReportKind.Find(kind)!, today))!;
            await reports.Keep(connection, id, draft, draft.Lines.ToDictionary(line => line.Id, line => line.Text), Guid.NewGuid(), today);
        });
        return id;
    }

    /// <summary>A second process of the same site, on the same database.</summary>
    public static Task<SiteProcess> Another() => SiteProcess.Start(RunningSite.FreeAddress());

    /// <summary>A new child of a school.</summary>
    public async Task<Child> Child(SchoolId school, Stage stage = Stage.FiveMinutesTo)
    {
        var child = new Child(new(Guid.NewGuid()), $"Pip {Guid.NewGuid():N}"[..12], stage);
        await App.InSchool(school, connection => Children.Add(connection, child, DateTime.UtcNow));
        return child;
    }

    /// <summary>A sitting that stands open.</summary>
    public async Task<SittingId> Sitting(SchoolId school, ChildId child, AskingOptions? beginning = null) =>
        (await App.InSchool(school, connection => new Asking(Model, TimeProvider.System).Start(connection, child,
            (beginning ?? new AskingOptions()) with { Id = beginning?.Id ?? DrawnAlike() })))!.Value;

    /// <summary>A new id of a sitting whose items are drawn by the same chance each time: by its last four bytes.</summary>
    public static SittingId DrawnAlike(int chance = 1)
    {
        var id = Guid.NewGuid().ToByteArray();
        BitConverter.TryWriteBytes(id.AsSpan(12), chance);
        return new Guid(id);
    }

    /// <summary>A sitting on a screen of the child's own, with these tasks.</summary>
    public Task<SittingId> OnScreen(SchoolId school, ChildId child, params string[] tasks) =>
        Sitting(school, child, tasks.Length == 0 ? new AskingOptions(Delivery: DeliveryMode.OnChildsScreen)
            : new AskingOptions(Plan.Chosen, DeliveryMode.OnChildsScreen) { Tasks = tasks });

    /// <summary>A code that opens a sitting.</summary>
    public Task<string> Code(SchoolId school, SittingId sitting) =>
        App.InSchool(school, connection => Codes.Make(connection, sitting, DateTime.UtcNow));

    /// <summary>The question that is being asked.</summary>
    public async Task<AskedItem> Current(SchoolId school, SittingId sitting) => await App.InSchool(school, async connection =>
    {
        var now = (await Sittings.Find(connection, sitting))!;
        return (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(asked => asked.Place == now.CurrentPlace);
    });

    /// <summary>The sitting itself.</summary>
    public async Task<Sitting> Now(SchoolId school, SittingId sitting) =>
        (await App.InSchool(school, connection => Sittings.Find(connection, sitting)))!;

    /// <summary>A set that is given and not done, with its sitting: for a pattern, or for reading at ease.</summary>
    public Task<(SetId Set, SittingId Sitting)> Set(SchoolId school, ChildId child, string? pattern) =>
        App.InSchool(school, async connection =>
    {
        var record = await ChildRecord.Load(connection, Model, child);
        return await new Practising(Model, TimeProvider.System).Assign(connection, record!, Core.Patterns.Catalogue.Find(pattern),
            new SetChoices(), Guid.NewGuid());
    });

    /// <summary>A visit that has begun, for the coming hour, with so many new children.</summary>
    public async Task<(VisitId Visit, IReadOnlyList<ChildId> Children)> Visit(SchoolId school, int count)
    {
        var children = new List<ChildId>();
        for (var i = 0; i < count; i++) children.Add((await Child(school)).Id);
        var visit = Guid.NewGuid();
        await App.InSchool(school,
            connection => Visiting.Begin(connection, visit, Core.Patterns.Catalogue.Find("next-hour")!, children, "has-it-arrived",
                Guid.NewGuid()));
        return (visit, children);
    }

    public Visiting Visiting =>
        new(Model, new Asking(Model, TimeProvider.System), new Practising(Model, TimeProvider.System), TimeProvider.System);

    /// <summary>A child's record.</summary>
    public async Task<ChildRecord> Record(SchoolId school, ChildId child) =>
        (await App.InSchool(school, connection => ChildRecord.Load(connection, Model, child)))!;

    /// <summary>A child made of patterns who always follows them.</summary>
    public SimulatedChild Simulated(params string[] patterns) =>
        new(Model, patterns.Select(id => Core.Patterns.Catalogue.Find(id)!), 1, new Random(3));

    /// <summary>A class whose sheets were done today.</summary>
    public Task<ScreeningId> Class(SchoolId school, Stage stage, params string[] aliases) => App.InSchool(school, async connection =>
    {
        var id = await Screen.Start(connection, "Harbour class", stage, aliases);
        await Screen.TellDay(connection, id, DateOnly.FromDateTime(DateTime.UtcNow));
        return id;
    });

    public static string Setting(string name) => RunningSite.Setting(name);
}
