using Npgsql;

namespace Umbick.Cli.Tests;

/// <summary>A database of which one host is away: verbs find the one that is written to, and do what they do with one.</summary>
public sealed class SeveralHostsTests : IAsyncLifetime
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-test-");
    private OwnDatabase _database = null!;

    public async ValueTask InitializeAsync()
    {
        _database = await OwnDatabase.Make();
        await using var source = NpgsqlDataSource.Create(_database.Owner);
        await new Database(source).InSchool(Guid.NewGuid(),
            connection => Schools.Add(connection, new Rows.School(connection.School, "Skerry")), TestContext.Current.CancellationToken);
    }

    public async ValueTask DisposeAsync()
    {
        await _database.DisposeAsync();
        _folder.Delete(recursive: true);
    }

    /// <summary>Each verb is a process of its own, as the launcher starts it: what one has found out, the next one does not know.</summary>
    [Fact]
    public async Task Each_verb_finds_the_host_that_is_written_to_also_a_second_time()
    {
        var backup = Path.Combine(_folder.FullName, "one.backup");
        foreach (var verb in new[]
        {
            ["prepare"], ["backup", backup], ["check-backup", backup], ["restore", backup, "--replace"], ["restore", backup, "--replace"],
            ["recover"], ["drop-replaced"], ["export", "children"],
            new[] { "new-school", "--name", "Holm", "--zone", "Europe/London", "--teacher", "Asta", "--user-name", "asta@holm.example" },
            ["add-teacher", "--school", "Holm", "--teacher", "Bo", "--user-name", "bo@holm.example"], ["let-in", "asta@holm.example"],
        })
        {
            using var process = VerbProcess.Start(
                new Dictionary<string, string> { ["UMBICK_OWNER"] = Two(_database.Owner), ["UMBICK_BACKUP"] = Two(_database.Backup) },
                    verb);
            var told = process.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
            var errors = await process.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
            await process.WaitForExitAsync(TestContext.Current.CancellationToken);
            Assert.True(process.ExitCode == 0, $"{verb[0]}: {await told}{errors}");
        }
    }

    /// <summary>The same connection with a host before it at which nobody listens.</summary>
    private static string Two(string connection)
    {
        var settings = new NpgsqlConnectionStringBuilder(connection);
        settings.Host = $"127.0.0.1:1,{settings.Host}:{settings.Port}";
        settings.Remove("Port");
        return settings.ConnectionString;
    }
}
