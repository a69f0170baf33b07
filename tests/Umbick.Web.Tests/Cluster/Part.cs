using System.Diagnostics;
using System.Globalization;

namespace Umbick.Web.Tests.Cluster;

/// <summary>A program of a cluster: it runs as the account of PostgreSQL where this is root, and what it says goes to a file.</summary>
public sealed class Part : IDisposable
{
    private readonly Func<Process> _start;
    private Process _process;

    private Part(Func<Process> start) => (_start, _process) = (start, start());

    /// <summary>Where the newest PostgreSQL of this machine has its programs.</summary>
    public static string PostgresBin { get; } = Directory.GetDirectories("/usr/lib/postgresql").Select(version => $"{version}/bin")
        .Where(bin => File.Exists($"{bin}/postgres"))
        .MaxBy(bin => double.Parse(Path.GetFileName(Path.GetDirectoryName(bin)!), CultureInfo.InvariantCulture))!;

    private static bool IsRoot => Environment.UserName == "root";

    public int Id => _process.Id;

    /// <summary>Starts a program; what it is run by is replaced by it, so that its id is its own.</summary>
    public static Part Start(string folder, string name, string program, string[] options, bool asPostgres = true) => new(() =>
    {
        var start = new ProcessStartInfo("sh",
            ["-c", "log=$1; shift; cd /; exec \"$@\" >>\"$log\" 2>&1", "sh", $"{folder}/{name}.log",
                .. IsRoot && asPostgres ? new[] { "setpriv", "--reuid=postgres", "--regid=postgres", "--init-groups" } : [],
                program, .. options]);
        // Neither the tests' own database nor anything else of this run is theirs to know.
        foreach (var variable in start.Environment.Keys.Where(key => key.StartsWith("UMBICK_", StringComparison.Ordinal)
            || key.StartsWith("PG", StringComparison.Ordinal)).ToList()) start.Environment.Remove(variable);
        start.Environment["HOME"] = folder;
        start.Environment["PATH"] = $"{start.Environment["PATH"]}:/usr/sbin";
        return Process.Start(start)!;
    });

    /// <summary>Gives a folder to the account of PostgreSQL.</summary>
    public static void GiveToPostgres(string folder)
    {
        if (!IsRoot) return;
        using var given = Process.Start("chown", ["postgres:postgres", folder]);
        given.WaitForExit();
    }

    /// <summary>Sends a signal to a process, if it is there.</summary>
    public static void Signal(string signal, int id)
    {
        using var told = Process.Start(new ProcessStartInfo("kill", [$"-{signal}", $"{id}"]) { RedirectStandardError = true })!;
        told.WaitForExit();
    }

    public void Signal(string signal)
    {
        if (!_process.HasExited) Signal(signal, _process.Id);
    }

    /// <summary>Starts it again, once it has ended.</summary>
    public void StartAgain()
    {
        _process.WaitForExit();
        _process.Dispose();
        _process = _start();
    }

    public void Dispose()
    {
        if (!_process.HasExited)
        {
            _process.Kill();
            _process.WaitForExit();
        }
        _process.Dispose();
    }
}
