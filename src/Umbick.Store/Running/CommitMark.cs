using System.Data.Common;
using Dapper;
using Npgsql;

namespace Umbick.Store;

/// <summary>
/// What a transaction that writes leaves with what it wrote. A commit whose reply was lost is asked about by it, on whichever host by then:
/// where the mark is there, all of it is kept; where it is not, it is put there and the work begins anew. To put it waits for one that is
/// still being committed.
/// </summary>
internal sealed class CommitMark(SchoolId school)
{
    private readonly Guid _id = Guid.NewGuid();

    /// <summary>Commits, with the mark where anything was written, by one round trip.</summary>
    public async Task Commit(NpgsqlConnection connection, NpgsqlTransaction transaction, CancellationToken cancel)
    {
        await using var both = new NpgsqlBatch(connection, transaction);
        var mark = new NpgsqlBatchCommand(
            "insert into commit_mark (school, id) select $1, $2 where pg_current_xact_id_if_assigned() is not null");
        mark.Parameters.Add(new() { Value = school.Value });
        mark.Parameters.Add(new() { Value = _id });
        both.BatchCommands.Add(mark);
        both.BatchCommands.Add(new("commit"));
        await both.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Puts the mark there; whether it was not there yet.</summary>
    public async Task<bool> IsNew(DbConnection connection, CancellationToken cancel) => await connection.ExecuteAsync(new CommandDefinition(
        "insert into commit_mark (school, id) values (@school, @id) on conflict do nothing", new { school, id = _id },
        cancellationToken: cancel)) == 1;
}
