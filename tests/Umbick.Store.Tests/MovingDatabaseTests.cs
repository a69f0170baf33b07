using Npgsql;

namespace Umbick.Store.Tests;

/// <summary>
/// A database that goes away in the middle of work, or moves to another host: nothing is lost, and nothing is done twice.
/// </summary>
public sealed class MovingDatabaseTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);

    [Theory]
    [InlineData(true, 1)]
    [InlineData(false, 1)]
    [InlineData(true, 2)]
    [InlineData(false, 3)]
    public async Task A_commit_whose_reply_is_lost_is_kept_once_and_its_outcome_told(bool serverHears, int times)
    {
        using var wire = new LossyWire(Settings.Port) { ServerHears = serverHears };
        await using var source = NpgsqlDataSource.Create(Through(wire.Port));
        var database = new Database(source, patience: Patience);
        var (done, id) = (0, Guid.NewGuid());
        wire.CutAtCommits(times);
        var told = await database.InSchool(schools.A, async connection =>
        {
            await Timetables.AddHoliday(connection, id, new("Lamp week", new(2026, 12, 1), new(2026, 12, 2)));
            return ++done;
        });
        Assert.Equal(serverHears ? 1 : times + 1, done);
        Assert.Equal(done, told);
        // Where the server had heard it the first time, nothing is committed again.
        Assert.Equal(serverHears ? 1 : times, wire.Lost);
        Assert.Single(await schools.InA(Timetables.Holidays), holiday => holiday.Id == id);
    }

    [Fact]
    public async Task Work_that_is_cut_off_is_done_anew_and_what_only_reads_leaves_no_mark()
    {
        await using var source = NpgsqlDataSource.Create(Through(Settings.Port));
        var database = new Database(source, patience: Patience);
        var (done, marks) = (0, await Marks());
        var seen = await database.InSchool(schools.A, async connection =>
        {
            if (++done == 1)
            {
                var own = await connection.ExecuteScalarAsync<int>("select pg_backend_pid()");
                await schools.InA(other => other.ExecuteScalarAsync<bool>("select pg_terminate_backend(@own)", new { own }));
            }
            return await connection.ExecuteScalarAsync<int>("select count(*) from school");
        });
        Assert.Equal((1, 2), (seen, done));
        Assert.Equal(marks, await Marks());
    }

    [Fact]
    public async Task Of_several_hosts_the_one_that_is_written_to_is_found()
    {
        using var gone = new LossyWire(Settings.Port);
        var port = gone.Port;
        gone.Dispose();
        var settings = Settings;
        (settings.Host, settings.Timeout) = ($"127.0.0.1:{port},127.0.0.1:{Settings.Port}", 3);
        Assert.True(DatabaseHosts.AreSeveral(settings));
        await using var source = DatabaseHosts.Source(settings);
        Assert.Equal(1, await new Database(source).InSchool(schools.A,
            connection => connection.ExecuteScalarAsync<int>("select count(*) from school")));
        var found = new NpgsqlConnectionStringBuilder(DatabaseHosts.WrittenTo(settings.ConnectionString));
        Assert.Equal(("127.0.0.1", Settings.Port), (found.Host, found.Port));
        Assert.Equal(Settings.ConnectionString, DatabaseHosts.WrittenTo(Settings.ConnectionString));
    }

    [Fact]
    public async Task What_is_refused_is_not_asked_again()
    {
        await using var source = NpgsqlDataSource.Create(Through(Settings.Port));
        var done = 0;
        await Assert.ThrowsAsync<PostgresException>(() => new Database(source, patience: Patience).InSchool(schools.A, connection =>
        {
            done++;
            return connection.ExecuteAsync("select 1 / 0");
        }));
        Assert.Equal(1, done);
    }

    /// <summary>The site keeps something of a school that is being erased: the erasing waits for it, and nothing is left.</summary>
    [Fact]
    public async Task A_school_is_erased_while_what_a_site_keeps_of_it_is_being_committed()
    {
        var school = new SchoolId(Guid.NewGuid());
        await schools.Owner.InSchool(school, owner => Schools.Add(owner, new School(school, "Noss")));
        Task? erased = null;
        await schools.App.InSchool(school, async connection =>
        {
            await connection.ExecuteAsync(
                "insert into commit_mark (school, id) values (@school, @id)", new { school, id = Guid.NewGuid() });
            erased = schools.Owner.InSchool(school, Schools.Erase);
            while (!erased.IsCompleted && await connection.ExecuteScalarAsync<long>("select count(*) from pg_locks where not granted") == 0)
                await Task.Yield();
        });
        await erased!;
        Assert.DoesNotContain(school, await schools.App.BeforeSchool(Schools.Ids));
    }

    private static NpgsqlConnectionStringBuilder Settings => new(Environment.GetEnvironmentVariable("UMBICK_APP"));

    private static NpgsqlConnectionStringBuilder Through(int port) =>
        new(Environment.GetEnvironmentVariable("UMBICK_APP")) { Port = port, NoResetOnClose = true };

    private Task<int> Marks() => schools.InA(connection => connection.ExecuteScalarAsync<int>("select count(*) from commit_mark"));
}
