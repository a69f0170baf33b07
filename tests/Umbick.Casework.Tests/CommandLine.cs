using System.Diagnostics;

namespace Umbick.Casework.Tests;

/// <summary>The launcher's verbs that are C#, run as a process of their own.</summary>
internal static class CommandLine
{
    /// <summary>Runs a verb to its end.</summary>
    /// <param name="input">What is typed.</param>
    /// <param name="settings">Variables that it is started with; null for those of the tests.</param>
    /// <param name="arguments">The verb and its options.</param>
    public static async Task<(int Code, string Output, string Errors)> Run(string input, Dictionary<string, string>? settings, params string[] arguments)
    {
        using var process = Start(settings, arguments);
        await process.StandardInput.WriteAsync(input);
        process.StandardInput.Close();
        var errors = process.StandardError.ReadToEndAsync();
        var output = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, output, await errors);
    }

    /// <summary>Starts a verb.</summary>
    public static Process Start(Dictionary<string, string>? settings, params string[] arguments)
    {
        var root = Environment.GetEnvironmentVariable("UMBICK_ROOT") ?? throw new InvalidOperationException("UMBICK_ROOT is not set. Run ./umbick test.");
        var start = new ProcessStartInfo("dotnet", [Path.Combine(root, "artifacts/bin/Umbick.Cli/release/Umbick.Cli.dll"), .. arguments])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (var (name, value) in settings ?? []) start.Environment[name] = value;
        return Process.Start(start)!;
    }
}
