using System.Collections.Concurrent;
using System.ComponentModel;
using System.Diagnostics;
using System.Security.Cryptography;
using System.Text.Json;
using Umbick.Core.Grouping;

namespace Umbick.Hosting;

/// <summary>
/// Looks for a plan of groups in a process of its own: what it takes it takes beside the site and not within, and whatever goes wrong there
/// ends there. What was found for a problem is remembered for a while.
/// </summary>
public sealed partial class PlannerProcess(ILogger<PlannerProcess> log) : IPlanSolver, IDisposable
{
    private const int MostRemembered = 50;

    /// <summary>A search that takes so long has gone wrong; on the slowest machine it takes a tenth of it.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(90);

    private readonly ConcurrentDictionary<string, SolvedPlan> _remembered = [];

    /// <summary>One search at a time: two at once would take what answers of children need.</summary>
    private readonly SemaphoreSlim _turn = new(1);

    /// <summary>The program; it lies beside the site, wherever that was built.</summary>
    private static string Program => Environment.GetEnvironmentVariable("UMBICK_PLANNER")
        ?? Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../bin/Umbick.Planner/release/Umbick.Planner.dll"));

    /// <summary>What runs this site runs the planner, wherever it is installed.</summary>
    private static string Host => Environment.ProcessPath is { } path && Path.GetFileNameWithoutExtension(path) == "dotnet" ? path
        : "dotnet";

    /// <inheritdoc/>
    public async Task<SolvedPlan?> Solve(
        GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> start, CancellationToken cancel)
    {
        var asked = JsonSerializer.SerializeToUtf8Bytes(new PlanAsked(problem, start));
        var mark = Convert.ToHexString(SHA256.HashData(asked));
        if (_remembered.TryGetValue(mark, out var known)) return known;
        if (!File.Exists(Program)) return null;
        await _turn.WaitAsync(cancel);
        try
        {
            if (_remembered.TryGetValue(mark, out known)) return known;
            if (await Run(asked, cancel) is not { } solved) return null;
            if (_remembered.Count >= MostRemembered) _remembered.Clear();
            return _remembered[mark] = solved;
        }
        finally
        {
            _turn.Release();
        }
    }

    private async Task<SolvedPlan?> Run(byte[] asked, CancellationToken cancel)
    {
        using var longest = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        longest.CancelAfter(Longest);
        using var process = new Process
        {
            StartInfo = new ProcessStartInfo("nice", ["-n", "10", Host, Program])
            {
                RedirectStandardInput = true,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            },
        };
        try
        {
            process.Start();
            var faults = process.StandardError.ReadToEndAsync(longest.Token);
            await process.StandardInput.BaseStream.WriteAsync(asked, longest.Token);
            process.StandardInput.Close();
            var solved = await JsonSerializer.DeserializeAsync<SolvedPlan>(process.StandardOutput.BaseStream,
                cancellationToken: longest.Token);
            await process.WaitForExitAsync(longest.Token);
            _ = await faults;
            return solved;
        }
        catch (Exception e) when (e is JsonException or IOException or Win32Exception
            || (e is OperationCanceledException && !cancel.IsCancellationRequested))
        {
            CouldNotPlan(e.GetType().Name);
            return null;
        }
        finally
        {
            try
            {
                if (!process.HasExited) process.Kill(entireProcessTree: true);
            }
            catch (InvalidOperationException)
            {
                // It never began.
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The planner gave no plan ({Fault}); the plain one is used.")]
    private partial void CouldNotPlan(string fault);

    /// <inheritdoc/>
    public void Dispose() => _turn.Dispose();
}
