using System.Diagnostics;
using Npgsql;
using Umbick.Demo;
using Umbick.Core.Diagnosis;

namespace Umbick.Cli.Tests;

/// <summary>A backup holds every row, and a broken one is told.</summary>
public sealed class BackupTests(BackupTests.Filled filled) : IClassFixture<BackupTests.Filled>, IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-test-");
    private readonly OwnDatabase _database = filled.Database;

    /// <summary>A database with the demonstration's school: made once, for it takes long.</summary>
    public sealed class Filled : IAsyncLifetime
    {
        internal OwnDatabase Database { get; private set; } = null!;

        public async ValueTask InitializeAsync()
        {
            Database = await OwnDatabase.Make();
            await using var source = NpgsqlDataSource.Create(Database.Owner);
            await new DemoSchool(new ReadingModel(), TimeProvider.System.GetUtcNow()).Fill(new Database(source), "no hash");
        }

        public ValueTask DisposeAsync() => Database.DisposeAsync();
    }

    private string At(string name) => Path.Combine(_folder.FullName, name);

    public void Dispose() => _folder.Delete(recursive: true);

    [Fact]
    public async Task What_is_restored_is_every_row_of_every_table()
    {
        var before = await _database.Rows();
        Assert.True(before["answer"].Count(sign => sign == '\n') > 800, "there is too little to compare");
        AssertDone(await _database.Run("backup", At("one.backup")), "rows of");
        AssertDone(await _database.Run("check-backup", At("one.backup")), "is whole");
        await using var other = await OwnDatabase.Make(migrated: false);
        AssertDone(await other.Run("restore", At("one.backup")), "Gull Point");
        Assert.Equal(before, await other.Rows());
        // That it was made is noted afterwards, and nothing else has changed.
        Assert.Contains("one.backup", await _database.Ask<string>("select file_name from backup_made"));
        if (!OperatingSystem.IsWindows())
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(At("one.backup")));
    }

    /// <summary>By the public key it is made; only the private one, which lies elsewhere, puts it back.</summary>
    [Fact]
    public async Task An_encrypted_backup_is_made_by_the_public_key_and_put_back_by_the_private_one_alone()
    {
        var (own, others) = (Key("own"), Key("others"));
        var before = await _database.Rows();
        AssertDone(await _database.Run("backup", At("kept.backup"), "--recipient", own), "encrypted");
        AssertDone(await _database.Run("backup", At("plain.backup")), "rows of");
        // A dump of PostgreSQL begins by its name, and an encrypted one by that of age.
        Assert.True(Holds(At("plain.backup"), "PGDMP"u8));
        Assert.False(Holds(At("kept.backup"), "PGDMP"u8));
        Assert.True(Holds(At("kept.backup"), "age-encryption.org"u8));
        AssertDone(await _database.Run("check-backup", At("kept.backup")), "its hash was compared, and that alone");
        Assert.Equal([0], await _database.Ask<long>(
            "select count(*) from backup_made where file_name = 'kept.backup' and checked_at is not null"));
        AssertDone(await _database.Run("check-backup", At("kept.backup"), "--identity", At("own.key")), "is whole");
        await using var other = await OwnDatabase.Make(migrated: false);
        foreach (var (options, told) in new[]
        {
            (Array.Empty<string>(), "--identity FILE names"), (["--identity", At("others.key")], "no identity matched"),
            (["--identity", At("none.key")], "none.key"),
        })
        {
            var (code, _, errors) = await other.Run(["restore", At("kept.backup"), .. options]);
            Assert.Equal(2, code);
            Assert.Contains(told, errors, StringComparison.Ordinal);
        }
        AssertDone(await other.Run("restore", At("kept.backup"), "--identity", At("own.key")), "Gull Point");
        Assert.Equal(before, await other.Rows());
        Assert.NotEqual(own, others);

        string Key(string name)
        {
            using var made = Process.Start(new ProcessStartInfo("age-keygen", ["-o", At($"{name}.key")]) { RedirectStandardError = true })!;
            var said = made.StandardError.ReadToEnd();
            made.WaitForExit();
            return said.Split(' ', StringSplitOptions.TrimEntries)[^1];
        }

        static bool Holds(string file, ReadOnlySpan<byte> sign) => File.ReadAllBytes(file).AsSpan().IndexOf(sign) >= 0;
    }

    /// <summary>Everybody knows the demonstration's passwords: a backup of it makes no school's site.</summary>
    [Fact]
    public async Task A_restored_demonstration_is_one_still()
    {
        await using var source = await OwnDatabase.Make();
        await source.Mark(Database.DemoMark);
        AssertDone(await source.Run("backup", At("demo.backup")), "rows of");
        await using var other = await OwnDatabase.Make(migrated: false);
        AssertDone(await other.Run("restore", At("demo.backup")), "Restored");
        var (code, _, errors) = await other.Run("may-start");
        Assert.Equal(2, code);
        Assert.Contains("demonstration data", errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_broken_backup_is_told_and_changes_nothing()
    {
        AssertDone(await _database.Run("backup", At("whole.backup")), "rows of");
        var whole = await File.ReadAllBytesAsync(At("whole.backup"), TestContext.Current.CancellationToken);
        var before = await _database.Rows();
        foreach (var (name, bytes, told) in new[]
        {
            ("none", "no backup at all"u8.ToArray(), "no backup of Umbick"),
            ("empty", [], "no backup of Umbick"),
            ("short", whole[..(whole.Length / 2)], "is damaged"),
            ("flipped", Flipped(whole, whole.Length / 2), "is damaged"),
        })
        {
            await File.WriteAllBytesAsync(At(name), bytes, TestContext.Current.CancellationToken);
            foreach (var verb in new[] { new[] { "check-backup", At(name) }, ["restore", At(name), "--replace"] })
            {
                var (code, _, errors) = await _database.Run(verb);
                Assert.Equal(2, code);
                Assert.Contains(told, errors, StringComparison.Ordinal);
            }
        }
        Assert.Equal(before, await _database.Rows());
    }

    [Fact]
    public async Task A_school_is_replaced_only_when_that_is_said()
    {
        AssertDone(await _database.Run("backup", At("early.backup")), "rows of");
        var (code, _, errors) = await _database.Run("restore", At("early.backup"));
        Assert.Equal(2, code);
        Assert.Contains("The database holds Gull Point. --replace puts the backup in its place", errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_folder_is_begun_once_and_keeps_the_latest()
    {
        var folder = At("kept");
        var (code, _, errors) = (0, "", "");
        // With or without its stroke: a folder that is not there becomes no file of its name.
        foreach (var name in new[] { folder, $"{folder}/" })
        {
            (code, _, errors) = await _database.Run("backup", name, "--keep", "2");
            Assert.Equal(2, code);
            Assert.Contains("There is no folder", errors, StringComparison.Ordinal);
            Assert.False(File.Exists(folder));
        }
        // Another machine's folder that is not mounted is an empty place: nothing is written to it.
        Directory.CreateDirectory(folder);
        (code, _, errors) = await _database.Run("backup", folder, "--keep", "2");
        Assert.Equal(2, code);
        Assert.Contains("is no folder of backups", errors, StringComparison.Ordinal);
        Assert.Empty(Directory.EnumerateFiles(folder));

        AssertDone(await _database.Run("backup", folder, "--new-folder", "--keep", "2"), "rows of");
        foreach (var _ in new[] { 1, 2 })
        {
            // They are named by the second.
            foreach (var file in new DirectoryInfo(folder).EnumerateFiles("umbick-20*"))
                file.MoveTo(Path.Combine(folder, $"umbick-1{Guid.CreateVersion7():N}.backup"), overwrite: true);
            AssertDone(await _database.Run("backup", folder, "--keep", "2"), "rows of");
        }
        Assert.Equal(2, Directory.EnumerateFiles(folder, "umbick-*.backup").Count());
        AssertDone(await _database.Run("check-backup", folder), $"{Directory.EnumerateFiles(folder, "umbick-20*").Single()} is whole");
        Assert.Contains(true, await _database.Ask<bool>("select checked_at is not null from backup_made order by made_at desc limit 1"));
    }

    /// <summary>A limit on the size of files stands for a disk that is full.</summary>
    [Fact]
    public async Task A_full_disk_is_told_in_a_sentence_and_leaves_no_half_of_a_backup()
    {
        var run = await _database.RunWithFilesUpTo(40, "backup", At("full.backup"));
        Assert.Equal(2, run.Code);
        Assert.StartsWith("umbick: ", run.Errors, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", run.Errors, StringComparison.Ordinal);
        Assert.Empty(_folder.EnumerateFiles());
    }

    [Fact]
    public async Task Whoever_does_not_see_every_row_makes_no_backup()
    {
        var (code, _, errors) = await VerbRun.Run(new Dictionary<string, string> { ["UMBICK_BACKUP"] = _database.Owner }, "backup", At("half.backup"));
        Assert.Equal(2, code);
        Assert.Contains("does not see every row", errors, StringComparison.Ordinal);
        Assert.False(File.Exists(At("half.backup")));
    }

    private static byte[] Flipped(byte[] bytes, int at)
    {
        byte[] other = [.. bytes];
        other[at] ^= 0x10;
        return other;
    }

    private static void AssertDone(VerbRun run, string says)
    {
        Assert.True(run.Code == 0, run.Errors);
        Assert.Contains(says, run.Output, StringComparison.Ordinal);
    }
}
