using Dapper;

namespace Umbick.Store;

/// <summary>Statements inside one school. Parameters are parameters, as Dapper takes them.</summary>
public static class Statements
{
    extension(SchoolConnection school)
    {
        private OpenConnection Open => (OpenConnection)school;

        /// <summary>What was noted as done, to be told of once it is kept.</summary>
        internal List<NotedDeed> Noted => school.Open.Noted;

        /// <summary>The rows that a query finds.</summary>
        public Task<IEnumerable<T>> QueryAsync<T>(string sql, object? values = null) =>
            school.Open.Connection.QueryAsync<T>(school.Open.Command(sql, values));

        /// <summary>The one row that a query finds.</summary>
        /// <exception cref="InvalidOperationException">There is none, or there are several.</exception>
        public Task<T> QuerySingleAsync<T>(string sql, object? values = null) =>
            school.Open.Connection.QuerySingleAsync<T>(school.Open.Command(sql, values));

        /// <summary>The one row that a query finds, or the type's default where there is none.</summary>
        /// <exception cref="InvalidOperationException">There are several.</exception>
        public Task<T?> QuerySingleOrDefaultAsync<T>(string sql, object? values = null) =>
            school.Open.Connection.QuerySingleOrDefaultAsync<T>(school.Open.Command(sql, values));

        /// <summary>The rows of two queries, asked for together.</summary>
        public async Task<(IEnumerable<TFirst> First, IEnumerable<TSecond> Second)> QueryBothAsync<TFirst, TSecond>(
            string sql, object? values = null)
        {
            await using var both = await school.Open.Connection.QueryMultipleAsync(school.Open.Command(sql, values));
            return (await both.ReadAsync<TFirst>(), await both.ReadAsync<TSecond>());
        }

        /// <summary>What is read of several queries, asked for together.</summary>
        public async Task<T> QueryTogetherAsync<T>(string sql, object? values, Func<SqlMapper.GridReader, Task<T>> read)
        {
            await using var together = await school.Open.Connection.QueryMultipleAsync(school.Open.Command(sql, values));
            return await read(together);
        }

        /// <summary>The first column of the first row.</summary>
        public Task<T?> ExecuteScalarAsync<T>(string sql, object? values = null) =>
            school.Open.Connection.ExecuteScalarAsync<T>(school.Open.Command(sql, values));

        /// <summary>Runs a statement.</summary>
        /// <returns>How many rows it touched.</returns>
        public Task<int> ExecuteAsync(string sql, object? values = null) =>
            school.Open.Connection.ExecuteAsync(school.Open.Command(sql, values));
    }
}
