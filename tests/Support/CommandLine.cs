using System.Diagnostics;

namespace Umbick.Tests;

/// <summary>The launcher's verbs that are C#, run as a process of their own.</summary>
internal static class CommandLine
{
    /// <summary>Runs a verb to its end.</summary>
    /// <param name="input">What is typed.</param>
    /// <param name="settings">Variables that it is started with; null for those of the tests.</param>
    /// <param name="arguments">The verb and its options.</param>
    public static async Task<(int Code, string Output, string Errors)> Run(
        string input, Dictionary<string, string>? settings, params string[] arguments)
    {
        using var process = Start(settings, arguments);
        await process.StandardInput.WriteAsync(input);
        process.StandardInput.Close();
        var errors = process.StandardError.ReadToEndAsync();
        var output = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, output, await errors);
    }

    /// <summary>Runs a verb that can write no file of more than so many blocks of 1,024 bytes, as on a disk that is full.</summary>
    public static async Task<(int Code, string Output, string Errors)> RunLimited(
        int blocks, Dictionary<string, string> settings, params string[] arguments)
    {
        // A program that is not told of the limit by a signal is told by its write.
        using var process = Start(settings,
            ["bash", "-c", $"trap '' XFSZ; ulimit -f {blocks}; exec dotnet \"$@\"", "umbick", Cli, .. arguments], isShell: true);
        var errors = process.StandardError.ReadToEndAsync();
        var output = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, output, await errors);
    }

    /// <summary>Starts a verb.</summary>
    public static Process Start(Dictionary<string, string>? settings, params string[] arguments) =>
        Start(settings, ["dotnet", Cli, .. arguments], isShell: false);

    private static string Cli => Path.Combine(
        Environment.GetEnvironmentVariable("UMBICK_ROOT")
            ?? throw new InvalidOperationException("UMBICK_ROOT is not set. Run ./umbick test."),
            "artifacts/bin/Umbick.Cli/release/Umbick.Cli.dll");

    private static Process Start(Dictionary<string, string>? settings, string[] line, bool isShell)
    {
        var start = new ProcessStartInfo(line[0], line[1..])
        {
            RedirectStandardInput = !isShell,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        // As the launcher starts a school's verbs.
        start.Environment["DOTNET_TieredCompilation"] = "1";
        foreach (var (name, value) in settings ?? []) start.Environment[name] = value;
        return Process.Start(start)!;
    }
}
