using Npgsql;

namespace Umbick.Store;

/// <summary>Tells a database that is away, or is written to elsewhere by now, from one that has refused something.</summary>
internal static class Away
{
    /// <summary>Whether what failed can be asked again, here or at another host.</summary>
    public static bool Is(NpgsqlException error) => error is not PostgresException refused || refused.SqlState is
        PostgresErrorCodes.AdminShutdown or PostgresErrorCodes.CrashShutdown or PostgresErrorCodes.CannotConnectNow
        // The host was the one that is written to as it was asked, and is no more.
        or PostgresErrorCodes.ReadOnlySqlTransaction;
}
