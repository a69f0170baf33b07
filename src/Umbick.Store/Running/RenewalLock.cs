using Npgsql;

namespace Umbick.Store;

/// <summary>
/// The turn of the one site that brings every school up to date.
/// </summary>
/// <param name="connection">How the database is reached.</param>
public sealed class RenewalLock(string connection)
{
    private const long Key = 0x0075_6d62_6963_6b02;

    /// <summary>Takes the turn, for as long as what is returned is not disposed of; null where another site has it.</summary>
    /// <exception cref="NpgsqlException">The database cannot be reached.</exception>
    public async Task<IAsyncDisposable?> TryTake(CancellationToken cancel)
    {
        var standing = await StandingConnection.Open(connection, cancel);
        try
        {
            if (await standing.Ask($"select pg_try_advisory_lock({Key})", cancel) is true) return standing;
        }
        catch
        {
            await standing.DisposeAsync();
            throw;
        }
        await standing.DisposeAsync();
        return null;
    }
}
