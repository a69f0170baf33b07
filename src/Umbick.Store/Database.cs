using System.Data.Common;
using System.Diagnostics;
using System.Runtime.CompilerServices;
using Dapper;
using Npgsql;
using Umbick.Core.Ids;

namespace Umbick.Store;

/// <summary>The way to a school's rows: one transaction, with the school set for just that long.</summary>
/// <param name="source">The connections.</param>
/// <param name="noted">Told of each thing that was noted as done, once it is kept; null where nobody listens.</param>
/// <param name="toRenew">
/// Told of the children who are to be brought up to date, and whether a list was looked at, once all is kept; null where nobody listens.
/// </param>
/// <param name="patience">How long a database that is away, or moves to another host, is waited for.</param>
public sealed class Database(
    NpgsqlDataSource source, Action<NotedDeed>? noted = null, Action<SchoolId, IReadOnlyCollection<ChildId>, bool>? toRenew = null,
    TimeSpan patience = default)
    : IDatabase
{
    private static readonly TimeSpan Between = TimeSpan.FromMilliseconds(200);

    static Database()
    {
        DefaultTypeMap.MatchNamesWithUnderscores = true;
        foreach (var kind in typeof(Kinds).GetNestedTypes())
            typeof(IdHandler<>).MakeGenericType(kind).GetMethod(nameof(IdHandler<>.Register))!.Invoke(null, null);
    }

    /// <summary>Makes ids known to Dapper, for whoever asks by a connection of their own.</summary>
    public static void KnowIds() => RuntimeHelpers.RunClassConstructor(typeof(Database).TypeHandle);

    /// <summary>The comment that marks a database of demonstration data.</summary>
    public const string DemoMark = "demonstration";

    /// <summary>
    /// What the site's connections are set to. A statement, a wait for a lock and a transaction that does nothing end, so that one that
    /// hangs takes no other with it. A statement is planned once, for any value, and never compiled: both take longer than it does.
    /// </summary>
    public const string SiteLimits = "-c statement_timeout=30s -c lock_timeout=10s -c idle_in_transaction_session_timeout=60s"
        + " -c plan_cache_mode=force_generic_plan -c jit=off";

    /// <summary>
    /// Does some work inside one school, as a whole or not at all. Where the database moves meanwhile, the work is done anew once it is
    /// there again, unless it had been kept and only the reply was lost.
    /// </summary>
    public async Task<T> InSchool<T>(SchoolId school, Func<SchoolConnection, Task<T>> work, CancellationToken cancel = default)
    {
        var mark = new CommitMark(school);
        (T Result, OpenConnection In)? told = null;
        var done = await Patiently<(T Result, OpenConnection In)>(async () =>
        {
            await using var connection = await source.OpenConnectionAsync(cancel);
            await using var transaction = await connection.BeginTransactionAsync(cancel);
            await connection.ExecuteAsync("select set_config('umbick.school', @school, true)", new { school = school.ToString() });
            if (told is { } before && !await mark.IsNew(connection, cancel)) return before;
            var inSchool = new OpenConnection(connection, school, cancel);
            var result = await work(inSchool);
            if (patience == TimeSpan.Zero)
            {
                await transaction.CommitAsync(cancel);
                return (result, inSchool);
            }
            // From here on it may be kept without our being told.
            var claimed = told is not null;
            told = (result, inSchool);
            if (claimed) await transaction.CommitAsync(cancel);
            else await mark.Commit(connection, transaction, cancel);
            return (result, inSchool);
        }, cancel);
        if (noted is not null) done.In.Noted.ForEach(noted);
        if (done.In.ToRenew.Count > 0 || done.In.IsLookedAt) toRenew?.Invoke(school, done.In.ToRenew, done.In.IsLookedAt);
        return done.Result;
    }

    /// <summary>Does some work inside one school, as a whole or not at all.</summary>
    public Task InSchool(SchoolId school, Func<SchoolConnection, Task> work, CancellationToken cancel = default) =>
        InSchool<object?>(
            school,
            async connection =>
            {
                await work(connection);
                return null;
            },
            cancel);

    /// <summary>Does some work before a school is known: it sees only what the narrow functions give.</summary>
    public Task<T> BeforeSchool<T>(Func<DbConnection, Task<T>> work, CancellationToken cancel = default) => Patiently(async () =>
    {
        await using var connection = await source.OpenConnectionAsync(cancel);
        return await work(connection);
    }, cancel);

    /// <summary>Does some work before a school is known.</summary>
    public Task BeforeSchool(Func<DbConnection, Task> work, CancellationToken cancel = default) =>
        BeforeSchool<object?>(
            async connection =>
            {
                await work(connection);
                return null;
            },
            cancel);

    /// <summary>Asks again while the database is away.</summary>
    private async Task<T> Patiently<T>(Func<Task<T>> ask, CancellationToken cancel)
    {
        var since = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                return await ask();
            }
            catch (NpgsqlException error) when (since.Elapsed < patience && Away.Is(error) && !cancel.IsCancellationRequested)
            {
                await Task.Delay(Between, cancel);
            }
        }
    }

    /// <summary>Writes a row and rolls it back.</summary>
    /// <exception cref="NpgsqlException">Nothing can be written: the database is down, full, or only read.</exception>
    public async Task TryWriting(CancellationToken cancel = default)
    {
        await using var connection = await source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await connection.ExecuteAsync(new CommandDefinition("insert into ready_probe (at) values (now())", cancellationToken: cancel));
        await transaction.RollbackAsync(cancel);
    }

    /// <summary>Whether this is a database of demonstration data.</summary>
    public Task<bool> IsDemo(CancellationToken cancel = default) =>
        BeforeSchool(connection => connection.ExecuteScalarAsync<bool>(
            "select coalesce(shobj_description(oid, 'pg_database'), '') = @DemoMark from pg_database where datname = current_database()",
            new { DemoMark }), cancel);
}
