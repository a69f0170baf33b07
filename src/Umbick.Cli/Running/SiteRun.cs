using System.Diagnostics;
using Umbick.Cli.School;

namespace Umbick.Cli.Running;

/// <summary>Runs the site until it ends or is told to, and starts its database again where that ends.</summary>
/// <param name="root">The folder of this clone.</param>
/// <param name="name">What the site is for: its log and the file with its id are named by it.</param>
/// <param name="cluster">The database that belongs to it; null where it is somebody else's.</param>
internal sealed class SiteRun(string root, string name, Cluster? cluster)
{
    private static readonly TimeSpan Between = TimeSpan.FromSeconds(2);

    // A database that ends again and again takes the site with it.
    private static readonly TimeSpan EndsAreCountedFor = TimeSpan.FromMinutes(10);
    private const int MostEnds = 10;

    private readonly string _state = Path.Combine(root, ".umbick");

    private string Log => Path.Combine(_state, $"{name}.site.log");

    /// <summary>Runs it.</summary>
    /// <param name="urls">Where it listens.</param>
    /// <param name="asked">The address by which this machine asks whether it is ready.</param>
    /// <param name="notes">Files of the state folder that are written once it is ready, as NAME=CONTENT.</param>
    /// <param name="says">What is said once it is ready.</param>
    /// <param name="cancel">Tells it to end.</param>
    /// <returns>The exit code of the site, 2 where it did not start, 143 where it was told to end.</returns>
    public async Task<int> Run(string urls, string asked, IEnumerable<string> notes, string says, CancellationToken cancel)
    {
        using var site = Start(urls);
        try
        {
            await File.WriteAllTextAsync(Path.Combine(_state, $"{name}.pid"), $"{site.Id}", cancel);
            if (await StartChecks.AwaitReady(asked, site.Id, cancel) != 0) return Failed("the site stopped while starting.", Log);
            foreach (var note in notes.Select(note => note.Split('=', 2)))
                await File.WriteAllTextAsync(Path.Combine(_state, note[0]), note[1], cancel);
            Console.WriteLine(says);
            return await Watch(site, cancel);
        }
        catch (OperationCanceledException) when (cancel.IsCancellationRequested)
        {
            return 143;
        }
        finally
        {
            await End(site);
        }
    }

    private Process Start(string urls)
    {
        var published = Path.Combine(root, "artifacts/publish/Umbick.Web/release");
        // What it prints goes to a file by the shell: it is written also when this process ends first.
        var start = new ProcessStartInfo("sh",
            ["-c", "log=$1; shift; exec dotnet \"$@\" >\"$log\" 2>&1", "sh", Log, Path.Combine(published, "Umbick.Web.dll"),
                "--contentRoot", published, "--urls", urls]);
        start.Environment["ASPNETCORE_ENVIRONMENT"] = "Production";
        // The site never holds the owner's password.
        start.Environment.Remove("UMBICK_OWNER");
        start.Environment.Remove("UMBICK_BACKUP");
        return Process.Start(start)!;
    }

    private async Task<int> Watch(Process site, CancellationToken cancel)
    {
        var (ends, since) = (0, Stopwatch.StartNew());
        var over = site.WaitForExitAsync(cancel);
        while (await Task.WhenAny(over, Task.Delay(Between, cancel)) != over)
        {
            cancel.ThrowIfCancellationRequested();
            if (cluster is null || cluster.Runs()) continue;
            if (since.Elapsed > EndsAreCountedFor)
            {
                since.Restart();
                ends = 0;
            }
            if (++ends > MostEnds) return Failed("the database ends again and again.", cluster.Log);
            await Console.Error.WriteLineAsync("The database ended. It is started again.");
            if (!await cluster.Start(cancel)) await Console.Error.WriteLineAsync($"It cannot be started yet; see {cluster.Log}");
        }
        await over;
        return site.ExitCode;
    }

    private static int Failed(string why, string log)
    {
        if (File.Exists(log)) foreach (var line in File.ReadLines(log).TakeLast(20)) Console.Error.WriteLine(line);
        Console.Error.WriteLine($"umbick: {why} The whole of it is in {log}");
        return 2;
    }

    private static async Task End(Process site)
    {
        if (site.HasExited) return;
        using var told = Process.Start("kill", ["-TERM", $"{site.Id}"]);
        await site.WaitForExitAsync();
    }
}
