using System.Diagnostics;
using System.Net.Sockets;

namespace Umbick.Cli.Running;

/// <summary>A private PostgreSQL cluster, as the launcher made it.</summary>
/// <param name="Folder">Its folder.</param>
/// <param name="StartCommand">The launcher's command that starts it, with what it is told.</param>
internal sealed record Cluster(string Folder, IReadOnlyList<string> StartCommand)
{
    /// <summary>What the server prints.</summary>
    public string Log => Path.Combine(Folder, "log");

    /// <summary>Whether the server is there and listens. One that was killed can stand in the list of processes for a while.</summary>
    public bool Runs()
    {
        try
        {
            var lines = File.ReadAllLines(Path.Combine(Folder, "postmaster.pid"));
            var state = File.ReadLines($"/proc/{lines[0].Trim()}/status")
                .First(line => line.StartsWith("State:", StringComparison.Ordinal));
            if ("ZX".Contains(state[6..].TrimStart()[0], StringComparison.Ordinal)) return false;
            using var client = new TcpClient();
            client.Connect("127.0.0.1", int.Parse(lines[3], System.Globalization.CultureInfo.InvariantCulture));
            return true;
        }
        catch (Exception gone) when (gone is IOException or UnauthorizedAccessException or SocketException or IndexOutOfRangeException
            or FormatException)
        {
            return false;
        }
    }

    /// <summary>Starts the server; false where it cannot be started now.</summary>
    public async Task<bool> Start(CancellationToken cancel)
    {
        using var process = Process.Start(new ProcessStartInfo(StartCommand[0], StartCommand.Skip(1)))!;
        await process.WaitForExitAsync(cancel);
        return process.ExitCode == 0;
    }
}
