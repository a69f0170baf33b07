[assembly: Xunit.v3.Parallelization(Mode = Xunit.Sdk.ParallelMode.None)]

namespace Umbick.Cli.Tests;

/// <summary>A verb that has run to its end.</summary>
/// <param name="Code">What it ended with.</param>
/// <param name="Output">What it printed.</param>
/// <param name="Errors">What it printed as an error.</param>
/// <remarks>
/// It runs in the tests' own process, which saves a start and its compiling each time. The console and the environment are the
/// process's, so the tests of this project run one after the other. That the built program runs them too is seen by the tests of
/// <c>./umbick</c> itself.
/// </remarks>
internal sealed record VerbRun(int Code, string Output, string Errors)
{
    /// <summary>Runs a verb.</summary>
    /// <param name="settings">Variables that it is started with; null for those of the tests.</param>
    /// <param name="arguments">The verb and its options.</param>
    public static async Task<VerbRun> Run(IReadOnlyDictionary<string, string>? settings, params string[] arguments)
    {
        var (output, errors, before) = (Console.Out, Console.Error, new Dictionary<string, string?>());
        using var printed = new StringWriter();
        using var told = new StringWriter();
        try
        {
            foreach (var (name, value) in settings ?? new Dictionary<string, string>())
            {
                before[name] = Environment.GetEnvironmentVariable(name);
                Environment.SetEnvironmentVariable(name, value);
            }
            Console.SetOut(printed);
            Console.SetError(told);
            var code = await Verbs.Build().Parse(arguments).InvokeAsync();
            return new(code, printed.ToString(), told.ToString());
        }
        finally
        {
            Console.SetOut(output);
            Console.SetError(errors);
            foreach (var (name, value) in before) Environment.SetEnvironmentVariable(name, value);
        }
    }
}
