namespace Umbick.Cli.Testing;

/// <summary>Runs every test there is, several side by side, and says which failed.</summary>
internal static class TestRun
{
    /// <summary>Runs the tests.</summary>
    /// <param name="root">The folder of this clone.</param>
    /// <param name="browsers">How many classes of the web's tests run at a time.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>0 where all passed, else 1.</returns>
    public static async Task<int> Run(string root, int browsers, CancellationToken cancel)
    {
        Environment.CurrentDirectory = root;
        var state = Path.Combine(root, ".umbick");
        // The demonstration's school is made only where there is no other: who asks the database waits for it.
        var demonstration = Suite.OfCheck("demonstration", state, "dotnet", typeof(TestRun).Assembly.Location, "prepare", "--demo")
            .Run(cancel);
        var lanes = await Task.WhenAll(
            InTurn([Suite.OfNode("verbs", state)], cancel),
            // The web's tests take longest and mostly wait for a browser: the others run in what they leave.
            InTurn([Suite.OfProject("Web", state, "-maxThreads", $"{browsers}") with { After = demonstration, RunAgain = 3 }],
                cancel),
            InTurn(
                [
                    Suite.OfNode("scripts", state), Suite.OfProject("Core", state) with { Computes = true },
                    Suite.OfProject("Cli", state) with { After = demonstration },
                    Suite.OfProject("Casework", state), Suite.OfProject("Store", state), Suite.OfProject("Drawing", state),
                    Suite.OfProject("Planner", state),
                    Suite.OfCheck("formatting", state, "dotnet", "format", "whitespace", "--folder", "--verify-no-changes", ".",
                        "--include", "src/", "tests/", "bench/"),
                    Suite.OfCheck("style of scripts", state, "npm", "run", "--silent", "lint"),
                ], cancel));
        List<TestReport> reports = [await demonstration, .. lanes.SelectMany(lane => lane)];
        foreach (var report in reports) Console.WriteLine($"  {report.Suite.Name}: {report.Total} tests, {report.Time.TotalSeconds:0} s");
        // Told, whether or not all is well: what passes only the second time hides a fault.
        foreach (var late in reports.SelectMany(report => report.PassedAgain)) Console.WriteLine($"  only the second time: {late}");
        // Last and short: whoever sees only the end of a long log sees what failed.
        foreach (var failure in reports.SelectMany(report => report.Failures)) Console.WriteLine($"  failed: {failure}");
        var failed = reports.Sum(report => report.Failures.Count);
        Console.WriteLine($"{reports.Sum(report => report.Total) - failed} passed, {failed} failed");
        return failed == 0 ? 0 : 1;
    }

    private static async Task<List<TestReport>> InTurn(Suite[] suites, CancellationToken cancel)
    {
        var reports = new List<TestReport>();
        foreach (var suite in suites) reports.Add(await suite.Run(cancel));
        return reports;
    }
}
