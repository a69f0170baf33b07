using Dapper;
using Npgsql;

namespace Umbick.Tests;

/// <summary>A database of a test's own, beside the one that all share.</summary>
internal sealed class OwnDatabase : IAsyncDisposable
{
    /// <summary>A database that is up to date and empty, made once: the others are copies of it.</summary>
    private static readonly Lazy<Task<string>> Template = new(MakeTemplate);

    private readonly string _name = $"umbick_own_{Guid.NewGuid():N}"[..30];
    private readonly NpgsqlDataSource _everything;

    private OwnDatabase() => _everything = NpgsqlDataSource.Create(Backup);

    public string Owner => Named("UMBICK_OWNER");

    /// <summary>The connection that sees every row.</summary>
    public string Backup => Named("UMBICK_BACKUP");

    /// <summary>Makes one.</summary>
    /// <param name="migrated">Whether it is brought up to date.</param>
    public static async Task<OwnDatabase> Make(bool migrated = true)
    {
        var own = new OwnDatabase();
        await Create(own._name, migrated ? $"template {await Template.Value}" : "");
        return own;
    }

    private static async Task<string> MakeTemplate()
    {
        var name = $"umbick_template_{Guid.NewGuid():N}"[..30];
        await Create(name, "");
        Migrator.Migrate(new NpgsqlConnectionStringBuilder(Setting("UMBICK_OWNER")) { Database = name, Pooling = false }.ConnectionString);
        return name;
    }

    private static async Task Create(string name, string like)
    {
        await using var home = NpgsqlDataSource.Create(Setting("UMBICK_OWNER"));
        await home.CreateCommand($"create database {name} {like}").ExecuteNonQueryAsync();
    }

    /// <summary>The connection of the site's role.</summary>
    public string App => Named("UMBICK_APP");

    /// <summary>Asks the server's own database.</summary>
    public static async Task<IReadOnlyList<T>> AskServer<T>(string sql)
    {
        await using var home = NpgsqlDataSource.Create(
            new NpgsqlConnectionStringBuilder(Setting("UMBICK_BACKUP")) { Database = "postgres", Pooling = false });
        await using var connection = await home.OpenConnectionAsync();
        return [.. await connection.QueryAsync<T>(sql)];
    }

    public string Name => _name;

    /// <summary>Asks it as somebody who sees every row.</summary>
    public async Task<IReadOnlyList<T>> Ask<T>(string sql)
    {
        await using var connection = await _everything.OpenConnectionAsync();
        return [.. await connection.QueryAsync<T>(sql)];
    }

    /// <summary>Marks it with a comment.</summary>
    public Task<IReadOnlyList<int>> Mark(string comment) => Ask<int>($"comment on database {_name} is '{comment}'");

    /// <summary>Every row of every table, as text, in an order of its own.</summary>
    public async Task<IReadOnlyDictionary<string, string>> Rows()
    {
        var rows = new Dictionary<string, string>();
        foreach (var table in await Ask<string>(
            "select relname::text from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' and relpersistence = 'p'"))
            rows[table] = string.Join('\n', await Ask<string>($"select one::text from \"{table}\" one order by one::text"));
        return rows;
    }

    public async ValueTask DisposeAsync()
    {
        await _everything.DisposeAsync();
        foreach (var name in await AskServer<string>($"select datname::text from pg_database where starts_with(datname::text, '{_name}')"))
            await AskServer<int>($"drop database if exists {name} with (force)");
    }

    private string Named(string setting) =>
        new NpgsqlConnectionStringBuilder(Setting(setting)) { Database = _name, Pooling = false }.ConnectionString;

    private static string Setting(string name) => Environment.GetEnvironmentVariable(name)
        ?? throw new InvalidOperationException($"{name} is not set. Run ./umbick test.");
}
