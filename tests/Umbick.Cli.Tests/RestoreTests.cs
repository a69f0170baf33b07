using Dapper;
using Npgsql;
using Umbick.Core.Items;

namespace Umbick.Cli.Tests;

/// <summary>
/// A restore leaves one whole database whatever happens to it, runs onto no live site, and brings back nothing that was erased.
/// </summary>
public sealed class RestoreTests : IAsyncLifetime
{
    private static readonly SchoolId School = Guid.NewGuid();

    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-test-");
    private OwnDatabase _database = null!;
    private ChildId _child;

    public async ValueTask InitializeAsync()
    {
        _database = await OwnDatabase.Make();
        await AsOwner(_database, async connection =>
        {
            await Schools.Add(connection, new Rows.School(School, "Skerry"));
            await People.Add(connection, "tern@skerry.example", "Tern", "no hash");
            for (var i = 0; i < 20; i++)
                await Children.Add(connection, new Child(new ChildId(Guid.NewGuid()), $"Pip {i}", Stage.OClock), DateTime.UtcNow);
            _child = new ChildId(Guid.NewGuid());
            await Children.Add(connection, new Child(_child, "Fennel", Stage.OClock), DateTime.UtcNow);
        });
    }

    public async ValueTask DisposeAsync()
    {
        await _database.DisposeAsync();
        _folder.Delete(recursive: true);
    }

    private string At(string name) => Path.Combine(_folder.FullName, name);

    [Fact]
    public async Task It_runs_onto_no_site_that_is_there_however_the_database_was_named()
    {
        await Done(_database.Run("backup", At("one.backup")));
        await using (var site = new SiteLock(_database.App))
        {
            await site.Hold(TestContext.Current.CancellationToken);
            var (code, _, errors) = await _database.Run("restore", At("one.backup"), "--replace");
            Assert.Equal(2, code);
            Assert.Contains("A site runs on this database. Stop it first", errors, StringComparison.Ordinal);
            // The site goes on, and the door is open to it again.
            await site.Hold(TestContext.Current.CancellationToken);
            Assert.Equal(21, Assert.Single(await _database.Ask<long>("select count(*) from child")));
        }
        await Done(_database.Run("restore", At("one.backup"), "--replace"));
    }

    [Fact]
    public async Task What_was_erased_stays_erased_by_a_second_restore_on_a_new_machine_and_in_what_is_put_aside()
    {
        await Done(_database.Run("backup", At("early.backup")));
        await AsOwner(_database, connection => Children.Erase(connection, _child, "Fennel"));
        await Done(_database.Run("backup", At("late.backup")));
        Assert.DoesNotContain("Fennel", await File.ReadAllTextAsync(At("umbick-erased.csv"), TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        Assert.DoesNotContain(_child.ToString()!,
            await File.ReadAllTextAsync(At("umbick-erased.csv"), TestContext.Current.CancellationToken), StringComparison.Ordinal);

        for (var time = 1; time <= 2; time++)
        {
            Assert.Contains("Erased again: 1 record that Skerry had erased",
                await Done(_database.Run("restore", At("early.backup"), "--replace")), StringComparison.Ordinal);
            Assert.Equal(("Pip 0", 20L), Assert.Single(await _database.Ask<(string, long)>("select min(alias), count(*) from child")));
        }
        // A new machine has the folder alone.
        await using (var other = await OwnDatabase.Make(migrated: false))
        {
            await Done(other.Run("restore", At("early.backup")));
            Assert.Empty(await other.Ask<string>("select alias from child where alias = 'Fennel'"));
            Assert.Single(await other.Ask<DateOnly>("select day from erasure"));
        }
        // What another copy of the database still had is erased from it too, once it is put aside.
        await using var unaware = await OwnDatabase.Make(migrated: false);
        File.Move(At("umbick-erased.csv"), At("hidden"));
        await Done(unaware.Run("restore", At("early.backup")));
        Assert.Single(await unaware.Ask<string>("select alias from child where alias = 'Fennel'"));
        File.Move(At("hidden"), At("umbick-erased.csv"));
        await Done(unaware.Run("restore", At("late.backup"), "--replace"));
        var aside = Assert.Single(
            await OwnDatabase.AskServer<string>(
                $"select datname::text from pg_database where starts_with(datname::text, '{unaware.Name}_before_')"));
        await OwnDatabase.AskServer<int>($"alter database {aside} allow_connections true");
        await using var closed =
            new NpgsqlConnection(new NpgsqlConnectionStringBuilder(unaware.Backup) { Database = aside }.ConnectionString);
        await closed.OpenAsync(TestContext.Current.CancellationToken);
        Assert.Equal(0, await closed.ExecuteScalarAsync<int>("select count(*) from child where alias = 'Fennel'"));
    }

    [Fact]
    public async Task What_is_put_aside_is_closed_and_is_dropped_on_request_and_after_a_week()
    {
        await Done(_database.Run("backup", At("one.backup")));
        await Done(_database.Run("restore", At("one.backup"), "--replace"));
        Assert.Equal([false], await OwnDatabase.AskServer<bool>(
            $"select datallowconn from pg_database where starts_with(datname::text, '{_database.Name}_before_')"));
        Assert.Contains("Dropped", await Done(_database.Run("drop-replaced")), StringComparison.Ordinal);
        Assert.Contains("Nothing was put aside", await Done(_database.Run("drop-replaced")), StringComparison.Ordinal);

        foreach (var days in new[] { 6, 8 })
            await OwnDatabase.AskServer<int>($"create database {_database.Name}_before_{DateTime.UtcNow.AddDays(-days):yyyyMMdd't'HHmmss}");
        await Done(_database.Run("backup", At("two.backup")));
        Assert.Single(await OwnDatabase.AskServer<string>(
            $"select datname::text from pg_database where starts_with(datname::text, '{_database.Name}_before_')"));
    }

    [Fact]
    public async Task A_backup_of_a_later_version_changes_nothing()
    {
        await Done(_database.Run("backup", At("one.backup")));
        var before = await Hash();
        await _database.Ask<int>(
            "insert into schemaversions (scriptname, applied) values ('Umbick.Store.Migrations.9999_later.sql', now())");
        await Done(_database.Run("backup", At("later.backup")));
        await _database.Ask<int>("delete from schemaversions where scriptname like '%9999%'");
        foreach (var asItWas in new[] { Array.Empty<string>(), ["--as-it-was"] })
        {
            var (code, _, errors) = await _database.Run(["restore", At("later.backup"), "--replace", .. asItWas]);
            Assert.Equal(2, code);
            Assert.Contains("was made by a later version of Umbick", errors, StringComparison.Ordinal);
        }
        Assert.Equal(before, await Hash());
    }

    /// <summary>
    /// Killed at each of its steps, a restore leaves what was there before or what the backup holds, whole, and the next one goes through.
    /// </summary>
    [Fact]
    public async Task Killed_at_any_step_there_is_one_whole_school()
    {
        await Done(_database.Run("backup", At("early.backup")));
        var early = await Hash();
        await AsOwner(_database,
            connection => Children.Add(connection, new Child(new ChildId(Guid.NewGuid()), "Knot", Stage.OClock), DateTime.UtcNow));
        var late = await Hash();
        Assert.NotEqual(early, late);
        var ends = new List<string>();
        foreach (var step in new[] { "Loading it", "Bringing it", "Putting it", "What was there" })
        {
            using (var restore = _database.Start("restore", At("early.backup"), "--replace"))
            {
                while (await restore.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken) is { } line
                    && !line.StartsWith(step, StringComparison.Ordinal))
                {
                }
                restore.Kill(entireProcessTree: true);
                await restore.WaitForExitAsync(TestContext.Current.CancellationToken);
            }
            await Recovered(_database);
            var found = await Hash();
            ends.Add(found == early ? "early" : found == late ? "late" : "neither");
            Assert.Empty(await OwnDatabase.AskServer<string>(
                $"select datname::text from pg_database where datname = '{_database.Name}_loading'"));
            // Whatever it was, the next restore of the same backup is the backup.
            await Done(_database.Run("restore", At("early.backup"), "--replace"));
            Assert.Equal(early, await Hash());
            await AsOwner(_database,
                connection => Children.Add(connection, new Child(new ChildId(Guid.NewGuid()), "Knot", Stage.OClock), DateTime.UtcNow));
            late = await Hash();
        }
        Assert.DoesNotContain("neither", ends);
        Assert.Equal(["late", "late"], ends[..2]);
        Assert.Equal("early", ends[3]);
    }

    /// <summary>
    /// The same at ten moments spread over a whole restore of the demonstration's school, three times each: <c>./umbick bench restore</c>
    /// runs it; the tests do not.
    /// </summary>
    [Fact(Explicit = true)]
    [Trait("Kind", "Kill")]
    public async Task Killed_at_ten_moments_three_times_each_there_is_one_whole_school()
    {
        await using var demo = await OwnDatabase.Make();
        await using (var source =
            NpgsqlDataSource.Create(
                demo.Owner)) await new Demo.DemoSchool(new Core.Diagnosis.ReadingModel(), TimeProvider.System.GetUtcNow()).Fill(
                    new Database(source), "no hash");
        await Done(demo.Run("backup", At("early.backup")));
        var early = await Hash(demo);
        var clock = System.Diagnostics.Stopwatch.StartNew();
        await Done(demo.Run("restore", At("early.backup"), "--replace"));
        var whole = clock.Elapsed;
        var ends = new SortedDictionary<string, int>();
        for (var kill = 0; kill < 30; kill++)
        {
            await AsOwner(demo, connection =>
                Children.Add(connection, new Child(new ChildId(Guid.NewGuid()), $"Knot {kill}", Stage.OClock), DateTime.UtcNow),
                    Demo.DemoSchool.Id);
            var late = await Hash(demo);
            using (var restore = demo.Start("restore", At("early.backup"), "--replace"))
            {
                await Task.Delay(whole * ((kill % 10) + 0.5) / 10, TestContext.Current.CancellationToken);
                restore.Kill(entireProcessTree: true);
                await restore.WaitForExitAsync(TestContext.Current.CancellationToken);
            }
            await Recovered(demo);
            var found = await Hash(demo);
            var end = found == early ? "the backup" : found == late ? "what was there" : "neither";
            ends[end] = ends.GetValueOrDefault(end) + 1;
        }
        Console.WriteLine($"killed: 30 restores of {whole.TotalSeconds:0.0} s at ten moments, three times each; then there was "
            + $"{string.Join(", ", ends.Select(pair => $"{pair.Key} {pair.Value} times"))}, whole");
        Assert.DoesNotContain("neither", ends.Keys);
    }

    /// <summary>A process that was killed gives its turn back when the server notices: within moments.</summary>
    private static async Task Recovered(OwnDatabase database)
    {
        for (var tries = 0; tries < 50; tries++)
        {
            if ((await database.Run("recover")).Code == 0) return;
        }
        Assert.Fail("what the restore left could not be cleared away");
    }

    /// <summary>The hash of every row of every table, but for the list of backups.</summary>
    private Task<string> Hash() => Hash(_database);

    private static async Task<string> Hash(OwnDatabase database)
    {
        var rows = await database.Rows();
        return Convert.ToHexString(
            System.Security.Cryptography.SHA256.HashData(
                System.Text.Encoding.UTF8.GetBytes(
                    string.Join('\n', rows.Where(table => table.Key != "backup_made").OrderBy(table => table.Key, StringComparer.Ordinal)
                        .Select(table => $"{table.Key} {table.Value}")))));
    }

    private static async Task AsOwner(OwnDatabase database, Func<SchoolConnection, Task> work, SchoolId? school = null)
    {
        await using var source = NpgsqlDataSource.Create(database.Owner);
        await new Database(source).InSchool(school ?? School, work);
    }

    private static async Task<string> Done(Task<VerbRun> run)
    {
        var (code, output, errors) = await run;
        Assert.True(code == 0, errors);
        return output;
    }
}
