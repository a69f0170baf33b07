using System.Data.Common;
using Dapper;

namespace Umbick.Store;

/// <summary>
/// The way to one school's rows, for the length of one transaction. It knows its school, and every statement ends with the request that it
/// is for. Parameters are parameters, as Dapper takes them.
/// </summary>
public sealed class SchoolConnection(DbConnection connection, Guid school, CancellationToken cancel)
{
    /// <summary>The school.</summary>
    public Guid School => school;

    /// <summary>The rows that a query finds.</summary>
    public Task<IEnumerable<T>> QueryAsync<T>(string sql, object? values = null) => connection.QueryAsync<T>(Command(sql, values));

    /// <summary>The one row that a query finds.</summary>
    /// <exception cref="InvalidOperationException">There is none, or there are several.</exception>
    public Task<T> QuerySingleAsync<T>(string sql, object? values = null) => connection.QuerySingleAsync<T>(Command(sql, values));

    /// <summary>The one row that a query finds, or the type's default where there is none.</summary>
    /// <exception cref="InvalidOperationException">There are several.</exception>
    public Task<T?> QuerySingleOrDefaultAsync<T>(string sql, object? values = null) => connection.QuerySingleOrDefaultAsync<T>(Command(sql, values));

    /// <summary>The rows of two queries, asked for together.</summary>
    public async Task<(IEnumerable<TFirst> First, IEnumerable<TSecond> Second)> QueryBothAsync<TFirst, TSecond>(string sql, object? values = null)
    {
        await using var both = await connection.QueryMultipleAsync(Command(sql, values));
        return (await both.ReadAsync<TFirst>(), await both.ReadAsync<TSecond>());
    }

    /// <summary>What is read of several queries, asked for together.</summary>
    public async Task<T> QueryTogetherAsync<T>(string sql, object? values, Func<SqlMapper.GridReader, Task<T>> read)
    {
        await using var together = await connection.QueryMultipleAsync(Command(sql, values));
        return await read(together);
    }

    /// <summary>The first column of the first row.</summary>
    public Task<T?> ExecuteScalarAsync<T>(string sql, object? values = null) => connection.ExecuteScalarAsync<T>(Command(sql, values));

    /// <summary>Runs a statement.</summary>
    /// <returns>How many rows it touched.</returns>
    public Task<int> ExecuteAsync(string sql, object? values = null) => connection.ExecuteAsync(Command(sql, values));

    /// <summary>How many round trips to the database it has cost so far.</summary>
    public int RoundTrips { get; private set; }

    /// <summary>What was noted as done, to be told of once it is kept.</summary>
    internal List<NotedDeed> Noted { get; } = [];

    private CommandDefinition Command(string sql, object? values)
    {
        RoundTrips++;
        return new(sql, values, cancellationToken: cancel);
    }
}
