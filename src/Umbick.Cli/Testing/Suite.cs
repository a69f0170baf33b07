using System.Diagnostics;

namespace Umbick.Cli.Testing;

/// <summary>Tests that one program runs.</summary>
/// <param name="Name">What they are called.</param>
/// <param name="Program">The program.</param>
/// <param name="Arguments">What it is told.</param>
/// <param name="Log">The file that holds what it prints.</param>
/// <param name="Report">The file in which it says what passed; null where its exit code says it.</param>
internal sealed record Suite(string Name, string Program, IReadOnlyList<string> Arguments, string Log, string? Report)
{
    /// <summary>What has to be over before it begins.</summary>
    public Task After { get; init; } = Task.CompletedTask;

    /// <summary>Whether it computes for long, and code that is run often is worth watching to compile it once more.</summary>
    public bool Computes { get; init; }

    /// <summary>How many that failed are run once more, alone: a browser on a busy machine is late at times. More is a fault.</summary>
    public int RunAgain { get; init; }

    /// <summary>The tests of a project.</summary>
    public static Suite OfProject(string name, string state, params IReadOnlyList<string> options)
    {
        var report = Path.Combine(state, $"test-{name}.trx");
        return new($"Umbick.{name}", "dotnet",
            [$"artifacts/bin/Umbick.{name}.Tests/release/Umbick.{name}.Tests.dll", "-noColor", "-trx", report, .. options],
            Path.Combine(state, $"test-{name}.log"), report);
    }

    /// <summary>Tests that Node runs, by their folder.</summary>
    public static Suite OfNode(string folder, string state)
    {
        var report = Path.Combine(state, $"test-{folder}.xml");
        return new(folder, "node",
            ["--test", "--test-reporter=junit", $"--test-reporter-destination={report}", $"tests/{folder}/"],
            Path.Combine(state, $"test-{folder}.log"), report);
    }

    /// <summary>Something that is right where a program ends with 0.</summary>
    public static Suite OfCheck(string name, string state, string program, params IReadOnlyList<string> arguments) =>
        new(name, program, arguments, Path.Combine(state, $"test-{name}.log"), null);

    /// <summary>Runs them. A report that is missing or holds no test is a failure.</summary>
    public async Task<TestReport> Run(CancellationToken cancel)
    {
        await After;
        if (Report is not null) File.Delete(Report);
        var began = Stopwatch.StartNew();
        var start = new ProcessStartInfo(Program, Arguments) { RedirectStandardOutput = true, RedirectStandardError = true };
        if (!Computes) start.Environment["DOTNET_TieredPGO"] = "0";
        using var process = Process.Start(start)!;
        await using var file = new StreamWriter(Log) { AutoFlush = true };
        var log = TextWriter.Synchronized(file);
        process.OutputDataReceived += (_, line) => log.WriteLine(line.Data);
        process.ErrorDataReceived += (_, line) => log.WriteLine(line.Data);
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        try
        {
            await process.WaitForExitAsync(cancel);
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            throw;
        }
        var report = TestReport.Read(this, began.Elapsed, process.ExitCode);
        return report.Failures.Count == 0 || report.FailedMethods.Count > RunAgain ? report
            : report.After(await Only(report.FailedMethods).Run(cancel));
    }

    private Suite Only(IReadOnlyList<string> methods) => this with
    {
        Arguments = [.. Arguments.Select(argument => argument == Report ? Again(Report!) : argument),
            .. methods.SelectMany(method => new[] { "-method", method })],
        Log = Again(Log),
        Report = Again(Report!),
        RunAgain = 0,
    };

    private static string Again(string file) => Path.ChangeExtension(file, $"again{Path.GetExtension(file)}");
}
