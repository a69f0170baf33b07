using Npgsql;

namespace Umbick.Store;

/// <summary>
/// A database that stands on one host, or on several of which one is written to. Several are named as <c>Host=one:5432,two:5432</c>; which
/// of them may be written to is asked anew each second.
/// </summary>
public static class DatabaseHosts
{
    private const int RecheckSeconds = 1;

    /// <summary>Whether a connection names several hosts.</summary>
    public static bool AreSeveral(string connection) => AreSeveral(new NpgsqlConnectionStringBuilder(connection));

    /// <summary>Whether a connection names several hosts.</summary>
    public static bool AreSeveral(NpgsqlConnectionStringBuilder settings) => settings.Host?.Contains(',', StringComparison.Ordinal) is true;

    /// <summary>Connections to the host that can be written to.</summary>
    public static NpgsqlDataSource Source(string connection) => Source(new NpgsqlConnectionStringBuilder(connection));

    /// <summary>Connections to the host that can be written to.</summary>
    public static NpgsqlDataSource Source(NpgsqlConnectionStringBuilder settings)
    {
        if (!AreSeveral(settings)) return NpgsqlDataSource.Create(settings);
        var several = new NpgsqlConnectionStringBuilder(settings.ConnectionString) { HostRecheckSeconds = RecheckSeconds };
        // A source says which host it wants by itself, and refuses a connection that says it too.
        several.Remove("Target Session Attributes");
        return new NpgsqlDataSourceBuilder(several.ConnectionString).BuildMultiHost().WithTargetSession(TargetSessionAttributes.Primary);
    }

    /// <summary>
    /// The same connection to the one host that can be written to now: for work that stays with one server from its beginning to its end.
    /// </summary>
    /// <exception cref="NpgsqlException">None can be written to.</exception>
    public static string WrittenTo(string connection)
    {
        if (!AreSeveral(connection)) return connection;
        var settings = new NpgsqlConnectionStringBuilder(connection);
        using var found = Open(settings);
        (settings.Host, settings.Port) = (found.Host, found.Port);
        settings.Remove("Target Session Attributes");
        return settings.ConnectionString;
    }

    private static NpgsqlConnection Open(NpgsqlConnectionStringBuilder settings)
    {
        try
        {
            return Opened(settings);
        }
        catch (NpgsqlException none) when (Answers(none).Any(answer =>
            answer.SqlState is PostgresErrorCodes.InvalidCatalogName or PostgresErrorCodes.ObjectNotInPrerequisiteState))
        {
            // In the middle of being put in place of another it has no name of its own, or lets nobody in.
            return Opened(new NpgsqlConnectionStringBuilder(settings.ConnectionString) { Database = "postgres" });
        }

        // One host may be away, and the other one say what it says: then both stand in one exception.
        static IEnumerable<PostgresException> Answers(Exception all) => all switch
        {
            PostgresException answer => [answer],
            AggregateException several => several.InnerExceptions.SelectMany(Answers),
            _ => all.InnerException is { } inner ? Answers(inner) : [],
        };

        static NpgsqlConnection Opened(NpgsqlConnectionStringBuilder settings)
        {
            using var source = Source(settings);
            return source.OpenConnection();
        }
    }
}
