using System.Data.Common;
using Dapper;

namespace Umbick.Store;

/// <summary>An open connection inside one school: every statement ends with the request that it is for.</summary>
internal sealed class OpenConnection(DbConnection connection, SchoolId school, CancellationToken cancel) : SchoolConnection(school)
{
    /// <summary>What the statements are asked by.</summary>
    public DbConnection Connection => connection;

    /// <summary>What was noted as done, to be told of once it is kept.</summary>
    public List<NotedDeed> Noted { get; } = [];

    /// <summary>A statement, counted as a round trip.</summary>
    public CommandDefinition Command(string sql, object? values)
    {
        RoundTrips++;
        return new(sql, values, cancellationToken: cancel);
    }
}
