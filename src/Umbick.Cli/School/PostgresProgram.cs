using System.Diagnostics;
using System.Globalization;
using Npgsql;

namespace Umbick.Cli.School;

/// <summary>PostgreSQL's own programs.</summary>
internal static class PostgresProgram
{
    /// <summary>Runs one; the password goes by the environment, and nothing of what it reads is shown.</summary>
    /// <exception cref="VerbException">It failed.</exception>
    public static async Task Run(string program, string connection, params string[] options)
    {
        var to = new NpgsqlConnectionStringBuilder(connection);
        var start = new ProcessStartInfo(Path.Combine(Environment.GetEnvironmentVariable("UMBICK_PG_BIN") ?? "", program), options)
        { RedirectStandardError = true };
        (start.Environment["PGHOST"], start.Environment["PGPORT"], start.Environment["PGDATABASE"]) =
            (to.Host, to.Port.ToString(CultureInfo.InvariantCulture), to.Database);
        (start.Environment["PGUSER"], start.Environment["PGPASSWORD"]) = (to.Username, to.Password);
        using var process = Process.Start(start) ?? throw new VerbException($"{program} cannot be started.");
        var said = await process.StandardError.ReadToEndAsync();
        await process.WaitForExitAsync();
        if (process.ExitCode != 0)
            throw new VerbException($"{program} failed: {said.Split('\n', StringSplitOptions.RemoveEmptyEntries).FirstOrDefault()}");
    }
}
