using System.Diagnostics;

namespace Umbick.Cli.Tests;

/// <summary>A verb as a process of its own: for those that are killed, talked with, or short of room.</summary>
internal static class VerbProcess
{
    /// <summary>Starts a verb.</summary>
    /// <param name="settings">Variables that it is started with; null for those of the tests.</param>
    /// <param name="arguments">The verb and its options.</param>
    public static Process Start(IReadOnlyDictionary<string, string>? settings, params string[] arguments) =>
        Start(settings, ["dotnet", Cli, .. arguments], isShell: false);

    /// <summary>Runs a verb that can write no file of more than so many blocks of 1,024 bytes, as on a disk that is full.</summary>
    public static async Task<VerbRun> RunWithFilesUpTo(int blocks, IReadOnlyDictionary<string, string> settings, params string[] arguments)
    {
        // A program that is not told of the limit by a signal is told by its write.
        using var process = Start(new Dictionary<string, string>(settings) { ["DOTNET_EnableWriteXorExecute"] = "0" },
            ["bash", "-c", $"trap '' XFSZ; ulimit -f {blocks}; exec dotnet \"$@\"", "umbick", Cli, .. arguments], isShell: true);
        var errors = process.StandardError.ReadToEndAsync();
        var output = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return new(process.ExitCode, output, await errors);
    }

    private static string Cli => typeof(Verbs).Assembly.Location;

    private static Process Start(IReadOnlyDictionary<string, string>? settings, string[] line, bool isShell)
    {
        var start = new ProcessStartInfo(line[0], line[1..])
        {
            RedirectStandardInput = !isShell,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        // As the launcher starts a school's verbs.
        start.Environment["DOTNET_TieredCompilation"] = "1";
        foreach (var (name, value) in settings ?? new Dictionary<string, string>()) start.Environment[name] = value;
        return Process.Start(start)!;
    }
}
