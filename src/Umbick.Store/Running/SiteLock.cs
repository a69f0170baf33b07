using Npgsql;

namespace Umbick.Store;

/// <summary>
/// The lock that a site holds for as long as it runs: whoever would put another database in the place of its own sees that it is there.
/// </summary>
/// <param name="connection">How the database is reached. The connection that holds the lock is never given to anybody else.</param>
public sealed class SiteLock(string connection) : IAsyncDisposable
{
    /// <summary>The number of the lock, which no other work takes.</summary>
    public const long Key = 0x0075_6d62_6963_6b01;

    private StandingConnection? _standing;

    /// <summary>
    /// Holds the lock: asks the connection that has it, and opens another where it has gone, or where its host is written to no more. Many
    /// sites hold it together.
    /// </summary>
    /// <exception cref="NpgsqlException">The database cannot be reached, or lets nobody in.</exception>
    public async Task Hold(CancellationToken cancel)
    {
        try
        {
            if (_standing is not null && await _standing.Ask("select pg_is_in_recovery()", cancel) is false) return;
        }
        catch (NpgsqlException)
        {
            // It is taken anew below.
        }
        await DisposeAsync();
        var standing = await StandingConnection.Open(connection, cancel);
        try
        {
            await standing.Ask($"select pg_advisory_lock_shared({Key})", cancel);
        }
        catch
        {
            await standing.DisposeAsync();
            throw;
        }
        _standing = standing;
    }

    public async ValueTask DisposeAsync()
    {
        if (_standing is not null) await _standing.DisposeAsync();
        _standing = null;
    }
}
