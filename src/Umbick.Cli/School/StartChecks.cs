using System.Net.Security;
using Dapper;
using Npgsql;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary>What the launcher asks before it starts a site, and while it waits for it.</summary>
internal static class StartChecks
{
    /// <summary>Whether a real site may start on this database; if not, why.</summary>
    public static async Task<int> MayStart() => await Restore.Recover() is not 0 and var recovered ? recovered
        : await VerbException.Report(() => Connections.AsOwner(async database =>
    {
        if (await database.IsDemo())
            throw new VerbException("This database holds demonstration data, whose passwords everybody knows. ./umbick demo starts it.");
        if (await IsEmpty(database)) throw new VerbException("There is no school yet. ./umbick new-school makes one.");
        if (Migrator.Pending(Connections.Owner) is [var first, ..])
            throw new VerbException(
                $"The database is older than this version ({first[(first.IndexOf("00", StringComparison.Ordinal))..]} has not been run). "
                    + $"./umbick upgrade backs it up and brings it up to date.");
        return true;
    }));

    /// <summary>Waits until a site is ready, for a minute at most. Its certificate may be for another name than this machine's.</summary>
    public static async Task<int> AwaitReady(string address, int process, CancellationToken cancel)
    {
#pragma warning disable CA5359 // It asks this machine, by an address that no certificate names.
        using var handler = new SocketsHttpHandler
        { SslOptions = new SslClientAuthenticationOptions { RemoteCertificateValidationCallback = (_, _, _, _) => true } };
#pragma warning restore CA5359
        using var client = new HttpClient(handler) { BaseAddress = new Uri(address), Timeout = TimeSpan.FromSeconds(5) };
        for (var tries = 0; tries < 600; tries++)
        {
            if (!Directory.Exists($"/proc/{process}")) return 1;
            try
            {
                using var answer = await client.GetAsync(new Uri("/ready", UriKind.Relative), cancel);
                if (answer.IsSuccessStatusCode) return 0;
            }
            catch (Exception notYet) when (notYet is HttpRequestException or TaskCanceledException && !cancel.IsCancellationRequested)
            {
            }
            await Task.Delay(100, cancel);
        }
        return 1;
    }

    private static async Task<bool> IsEmpty(Database database)
    {
        try
        {
            return await database.BeforeSchool(async connection =>
                await connection.ExecuteScalarAsync<long>("select count(*) from school")) == 0;
        }
        catch (PostgresException none) when (none.SqlState == PostgresErrorCodes.UndefinedTable)
        {
            return true;
        }
    }
}
