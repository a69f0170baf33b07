using System.Diagnostics;
using System.Globalization;
using Npgsql;

namespace Umbick.Cli.School;

/// <summary>PostgreSQL's own programs.</summary>
internal static class PostgresProgram
{
    /// <summary>Where one lies.</summary>
    public static string PathOf(string program) => Path.Combine(Environment.GetEnvironmentVariable("UMBICK_PG_BIN") ?? "", program);

    /// <summary>Runs one; the password goes by the environment, and nothing of what it reads is shown.</summary>
    /// <exception cref="VerbException">It failed.</exception>
    public static Task Run(string program, string connection, params string[] options) =>
        Run(new ProcessStartInfo(PathOf(program), options), program, connection);

    /// <summary>Runs what runs one.</summary>
    /// <exception cref="VerbException">It failed.</exception>
    public static async Task Run(ProcessStartInfo start, string program, string connection)
    {
        var to = new NpgsqlConnectionStringBuilder(connection);
        start.RedirectStandardError = true;
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
