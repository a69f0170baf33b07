using Npgsql;

namespace Umbick.Store;

/// <summary>
/// A connection of its own, which is closed and never used again: a lock that it holds would stay with whoever is given it next.
/// </summary>
internal sealed class StandingConnection : IAsyncDisposable
{
    /// <summary>A host that has stopped answering is not waited for.</summary>
    private const int PatienceSeconds = 5;

    private readonly NpgsqlDataSource _source;
    private readonly NpgsqlConnection _connection;

    private StandingConnection(NpgsqlDataSource source, NpgsqlConnection connection) => (_source, _connection) = (source, connection);

    /// <summary>Opens one.</summary>
    /// <exception cref="NpgsqlException">The database cannot be reached, or lets nobody in.</exception>
    public static async Task<StandingConnection> Open(string connection, CancellationToken cancel)
    {
        var source = DatabaseHosts.Source(
            new NpgsqlConnectionStringBuilder(connection) { MaxPoolSize = 1, CommandTimeout = PatienceSeconds, Timeout = PatienceSeconds });
        try
        {
            return new(source, await source.OpenConnectionAsync(cancel));
        }
        catch
        {
            await source.DisposeAsync();
            throw;
        }
    }

    /// <summary>Asks for one value.</summary>
    /// <exception cref="NpgsqlException">The database has gone.</exception>
    public async Task<object?> Ask(string statement, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(statement, _connection);
        return await command.ExecuteScalarAsync(cancel);
    }

    public async ValueTask DisposeAsync()
    {
        await _connection.DisposeAsync();
        await _source.DisposeAsync();
    }
}
