namespace Umbick.Cli.School;

/// <summary>What a verb cannot do, said as a sentence to whoever runs it.</summary>
internal sealed class VerbException(string message) : Exception(message)
{
    /// <summary>Runs a verb; what it cannot do is told, and the exit code is 2.</summary>
    public static async Task<int> Told(Func<Task> verb)
    {
        try
        {
            await verb();
            return 0;
        }
        catch (VerbException cannot)
        {
            await Console.Error.WriteLineAsync($"umbick: {cannot.Message}");
            return 2;
        }
    }
}
