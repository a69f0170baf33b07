namespace Umbick.Store;

/// <summary>
/// Files that were sent, for an hour. Whichever site works at one says so for a while, and again while it does: where that has passed,
/// another may.
/// </summary>
public static class SentFiles
{
    /// <summary>So many of a school wait to be taken in; the oldest make room.</summary>
    private const int MostOfSchool = 5;

    /// <summary>For how long a site says that it works at a file.</summary>
    public static TimeSpan Turn { get; } = TimeSpan.FromSeconds(20);

    /// <summary>By the clock of the database, which is one for all sites.</summary>
    private const string Until = "clock_timestamp() + make_interval(secs => @turn)";

    /// <summary>Keeps a file that is to be read.</summary>
    public static async Task Add(SchoolConnection connection, FileJobId id, PersonId person, string name, byte[] content, DateTime now)
    {
        await connection.ExecuteAsync(
            """
            delete from sent_file where not running and id not in
              (select id from sent_file where not running order by sent_at desc limit @others)
            """,
            new { others = MostOfSchool - 1 });
        await connection.ExecuteAsync(
            """
            insert into sent_file (school, id, person, name, content, sent_at) values (@school, @id, @person, @name, @content, @now)
            on conflict do nothing
            """,
            new { school = connection.School, id, person, name, content, now });
    }

    /// <summary>A file; null where there is none, or its hour is over.</summary>
    public static Task<SentFile?> Find(SchoolConnection connection, FileJobId id) =>
        connection.QuerySingleOrDefaultAsync<SentFile>(
            """
            select id, name, holds_answers, lines, done, running, dry_run, report::text,
              running and coalesce(worker_until < clock_timestamp(), true) as is_left
            from sent_file where id = @id
            """,
            new { id });

    /// <summary>Has a file taken in that was read without an error; pressed twice, once.</summary>
    public static Task TakeIn(SchoolConnection connection, FileJobId id, bool onCaseload) => connection.ExecuteAsync(
        """
        update sent_file set running = true, dry_run = false, on_caseload = @onCaseload, done = 0, report = null
        where id = @id and not running and dry_run and content is not null
        """,
        new { id, onCaseload });

    /// <summary>Begins to work at a file that waits for it; null where somebody does already.</summary>
    public static Task<ClaimedFile?> Claim(SchoolConnection connection, FileJobId id, Guid worker) =>
        connection.QuerySingleOrDefaultAsync<ClaimedFile>(
            $"""
            update sent_file set worker = @worker, worker_until = {Until}
            where id = @id and running and coalesce(worker_until < clock_timestamp(), true)
            returning content, person, dry_run, on_caseload
            """,
            new { id, worker, turn = Turn.TotalSeconds });

    /// <summary>Tells how far the work is, and that it goes on.</summary>
    public static Task Tell(SchoolConnection connection, FileJobId id, Guid worker, bool holdsAnswers, int lines, int done) =>
        connection.ExecuteAsync(
            $"""
            update sent_file set holds_answers = @holdsAnswers, lines = @lines, done = @done, worker_until = {Until}
            where id = @id and worker = @worker
            """,
            new { id, worker, holdsAnswers, lines, done, turn = Turn.TotalSeconds });

    /// <summary>Tells what came of it; the content is kept where it can be taken in now.</summary>
    /// <returns>Whether it was still this worker's: where not, nothing of what was done may be kept.</returns>
    public static async Task<bool> End(SchoolConnection connection, FileJobId id, Guid worker, string? report, bool keepContent) =>
        await connection.ExecuteAsync(
            """
            update sent_file set running = false, report = @report::jsonb, worker = null, worker_until = null,
              content = case when @keepContent then content end
            where id = @id and worker = @worker
            """,
            new { id, worker, report, keepContent }) == 1;

    /// <summary>Throws away every file of the school; one that was being taken in takes nothing.</summary>
    public static Task DropAll(SchoolConnection connection) => connection.ExecuteAsync("delete from sent_file");

    /// <summary>Leaves a file to whoever comes next.</summary>
    public static Task Leave(SchoolConnection connection, FileJobId id, Guid worker) => connection.ExecuteAsync(
        "update sent_file set worker = null, worker_until = null where id = @id and worker = @worker", new { id, worker });
}
