using Npgsql;
using Umbick.Core.Items;

namespace Umbick.Tests;

/// <summary>A database like the site's, and schools of its own for each test class.</summary>
public sealed class TestSchool : IAsyncLifetime
{
    private readonly NpgsqlDataSource _app = NpgsqlDataSource.Create(Setting("UMBICK_APP"));
    private readonly NpgsqlDataSource _owner = NpgsqlDataSource.Create(Setting("UMBICK_OWNER"));

    public TestSchool() => (App, Owner) = (new Database(_app), new Database(_owner));

    /// <summary>The database as the site's role sees it.</summary>
    public Database App { get; }

    /// <summary>The database as its owner sees it.</summary>
    public Database Owner { get; }

    public Guid A { get; } = Guid.NewGuid();

    public Guid B { get; } = Guid.NewGuid();

    public async ValueTask InitializeAsync()
    {
        foreach (var (school, name) in new[] { (A, "Skerry"), (B, "Holm") })
        {
            await Owner.InSchool(school, async connection =>
            {
                await Schools.Add(connection, new School(school, name));
                await People.Add(connection, $"teacher@{school:N}.example", "Teacher", "no hash");
            });
        }
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var school in new[] { A, B }) await Owner.InSchool(school, Schools.Erase);
        await _app.DisposeAsync();
        await _owner.DisposeAsync();
    }

    /// <summary>A new child of a school.</summary>
    public async Task<ChildId> Child(SchoolId school, Stage stage = Stage.FiveMinutesTo)
    {
        var id = new ChildId(Guid.NewGuid());
        await App.InSchool(school, connection => Children.Add(connection, new Child(id, $"Child {id:N}", stage), DateTime.UtcNow));
        return id;
    }

    /// <summary>Work in school A as the site's role.</summary>
    public Task<T> InA<T>(Func<SchoolConnection, Task<T>> work) => App.InSchool(A, work);

    private static string Setting(string name) =>
        Environment.GetEnvironmentVariable(name) ?? throw new InvalidOperationException($"{name} is not set. Run ./umbick test.");
}
