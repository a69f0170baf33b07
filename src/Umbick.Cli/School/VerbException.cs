using System.ComponentModel;
using Npgsql;

namespace Umbick.Cli.School;

/// <summary>What a verb cannot do, said as a sentence to whoever runs it.</summary>
internal sealed class VerbException(string message) : Exception(message)
{
    /// <summary>Runs a verb; what it cannot do is told, and the exit code is 2.</summary>
    public static async Task<int> Report(Func<Task> verb)
    {
        try
        {
            await verb();
            return 0;
        }
        catch (Exception cannot) when (InWords(cannot) is { } words)
        {
            await Console.Error.WriteLineAsync($"umbick: {words}");
            return 2;
        }
    }

    /// <summary>What is told of a fault that somebody who runs a server can mend; null of any other.</summary>
    private static string? InWords(Exception fault) => fault switch
    {
        VerbException => fault.Message,
        PostgresException { SqlState: PostgresErrorCodes.DiskFull } => "The database’s disk is full. Nothing was changed.",
        PostgresException postgres => $"The database refuses it: {postgres.MessageText}",
        NpgsqlException => $"The database cannot be reached: {(fault.InnerException ?? fault).Message}",
        // A migration that was refused says why; it was undone whole.
        InvalidOperationException { InnerException: PostgresException refused } => refused.MessageText,
        UnauthorizedAccessException => $"{fault.Message} Nothing was finished.",
        IOException => $"{fault.Message.TrimEnd('.')}. Nothing was finished, and what was there before is as it was.",
        Win32Exception => $"{fault.Message}. It comes with Debian’s package postgresql-client.",
        _ => null,
    };
}
