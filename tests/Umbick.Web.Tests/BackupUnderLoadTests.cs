using System.Collections.Concurrent;
using System.Diagnostics;
using Dapper;
using Npgsql;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// A backup that is made while ten devices answer: whatever was acknowledged before it began is in it, and nothing is in it by half.
/// </summary>
public sealed class BackupUnderLoadTests(Site site) : IClassFixture<Site>
{
    private const int Devices = 10;

    [Fact]
    public async Task Every_answer_that_was_acknowledged_before_is_there_and_nothing_by_half()
    {
        var sittings = new List<SittingId>();
        for (var i = 0; i < Devices; i++) sittings.Add(await site.Sitting(site.A, (await site.Child(site.A, Stage.EveryMinute)).Id));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var token = await (await teacher.Get("/token")).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        var (acknowledged, enough) = (new ConcurrentQueue<Guid>(), new TaskCompletionSource());
        using var over = new CancellationTokenSource();
        var devices = sittings.Select(sitting => Answer(teacher, token, sitting, acknowledged, enough, over.Token)).ToList();

        await enough.Task;
        var before = acknowledged.ToArray();
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.backup");
        await Run(Site.Setting("UMBICK_BACKUP"), "backup", file);
        var during = acknowledged.Count - before.Length;
        await over.CancelAsync();
        await Task.WhenAll(devices);

        var other = new NpgsqlConnectionStringBuilder(Site.Setting("UMBICK_BACKUP"))
        {
            Database = $"umbick_load_{Guid.NewGuid():N}"[..30],
            Pooling = false
        };
        try
        {
            await Run(other.ConnectionString, "restore", file, "--as-it-was");
            await using var restored = new NpgsqlConnection(other.ConnectionString);
            await restored.OpenAsync(TestContext.Current.CancellationToken);
            var there = (await restored.QueryAsync<Guid>("select id from answer where sitting = any(@ids)",
                new { ids = sittings.Select(id => id.Value).ToArray() })).ToHashSet();
            Assert.True(before.Length >= 3 * Devices && during > 0, $"{before.Length} answers before, {during} meanwhile: no load");
            Assert.Empty(before.Except(there));
            // With an answer goes the item that is asked next, and where the sitting stands: one transaction, so both or neither.
            Assert.Equal(0, await restored.ExecuteScalarAsync<int>(
                """
                select count(*) from sitting where id = any(@ids) and ended_at is null and (
                  current_place <> 1 + (select count(*) from answer where answer.sitting = sitting.id)
                  or not exists (select from asked_item where asked_item.sitting = sitting.id and place = current_place))
                """,
                new { ids = sittings.Select(id => id.Value).ToArray() }));
            TestContext.Current.TestOutputHelper?.WriteLine(
                $"{before.Length} answers before the backup, {during} meanwhile, {there.Count} in it");
        }
        finally
        {
            File.Delete(file);
            await using var home = NpgsqlDataSource.Create(Site.Setting("UMBICK_BACKUP"));
            await home.CreateCommand($"drop database if exists {other.Database} with (force)").ExecuteNonQueryAsync(CancellationToken.None);
        }
    }

    private static async Task Answer(Visitor teacher, string token, SittingId sitting, ConcurrentQueue<Guid> acknowledged,
        TaskCompletionSource enough, CancellationToken over)
    {
        for (var place = 1; place <= 12 && !over.IsCancellationRequested; place++)
        {
            var id = Guid.CreateVersion7();
            var answer = await teacher.Post($"/ask/{sitting}?handler=answer",
                new() { ["__RequestVerificationToken"] = token, ["answer"] = id.ToString(), ["place"] = $"{place}", ["raw"] = "8:11" });
            Assert.True((int)answer.StatusCode < 400, $"{answer.StatusCode}");
            acknowledged.Enqueue(id);
            if (acknowledged.Count >= 3 * Devices) enough.TrySetResult();
        }
    }

    private static async Task Run(string backup, params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet",
            [Path.Combine(Site.Setting("UMBICK_ROOT"), "artifacts/bin/Umbick.Cli/release/Umbick.Cli.dll"), .. arguments])
        { RedirectStandardError = true, RedirectStandardOutput = true };
        start.Environment["UMBICK_BACKUP"] = backup;
        using var process = Process.Start(start)!;
        var errors = await process.StandardError.ReadToEndAsync();
        await process.WaitForExitAsync();
        Assert.True(process.ExitCode == 0, errors);
    }
}
