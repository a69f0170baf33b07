using System.Xml;
using System.Xml.Linq;

namespace Umbick.Cli.Testing;

/// <summary>What passed and failed of a suite.</summary>
/// <param name="Suite">The suite.</param>
/// <param name="Time">How long it took.</param>
/// <param name="Total">How many tests it has; 1 at least, so that a suite that did not run is a failure.</param>
/// <param name="Failures">Each failed test with the first lines of what it said.</param>
internal sealed record TestReport(Suite Suite, TimeSpan Time, int Total, IReadOnlyList<string> Failures)
{
    private const int LinesOfFailure = 12;

    /// <summary>Tests that failed and passed when they were run once more: each is a fault still to be found.</summary>
    public IReadOnlyList<string> PassedAgain { get; init; } = [];

    /// <summary>The methods of a project's tests that failed, without what a theory was given.</summary>
    public IReadOnlyList<string> FailedMethods => [.. Failures.Select(MethodOf).Distinct()];

    /// <summary>The same report, after the tests that failed were run once more.</summary>
    public TestReport After(TestReport again)
    {
        var failedAgain = again.Failures.Select(MethodOf).ToHashSet();
        if (again.Total < FailedMethods.Count || failedAgain.Except(FailedMethods).Any()) return this;
        return this with
        {
            Time = Time + again.Time,
            Failures = [.. Failures.Where(failure => failedAgain.Contains(MethodOf(failure)))],
            PassedAgain = [.. Failures.Where(failure => !failedAgain.Contains(MethodOf(failure)))],
        };
    }

    private static string MethodOf(string failure) => failure.Split('\n', '(')[0];

    /// <summary>Reads the report of a suite: TRX of a project, JUnit of Node.</summary>
    public static TestReport Read(Suite suite, TimeSpan time, int exitCode)
    {
        if (suite.Report is null && exitCode == 0) return new(suite, time, 1, []);
        try
        {
            var (total, failures) = suite.Report is null ? (0, [])
                : suite.Report.EndsWith(".trx", StringComparison.Ordinal) ? OfTrx(suite.Report) : OfJUnit(suite.Report, suite.Name);
            if (total > 0 && (failures.Count > 0 || exitCode == 0)) return new(suite, time, total, failures);
        }
        catch (Exception error) when (error is IOException or XmlException)
        {
        }
        return new(suite, time, 1,
            [$"{suite.Name} ended with {exitCode}\n{Shortened(string.Join('\n', File.ReadLines(suite.Log).TakeLast(40)), 40)}"]);
    }

    private static (int Total, List<string> Failures) OfTrx(string report)
    {
        var results = XDocument.Load(report).Descendants().Where(part => part.Name.LocalName == "UnitTestResult")
            .Where(result => (string?)result.Attribute("outcome") is "Passed" or "Failed" or "Error").ToList();
        return (results.Count, [.. results.Where(result => (string?)result.Attribute("outcome") != "Passed").Select(result =>
            $"{(string?)result.Attribute("testName")}\n{Shortened(TextsOf(result, "Message", "StackTrace"), LinesOfFailure)}")]);
    }

    private static (int Total, List<string> Failures) OfJUnit(string report, string suite)
    {
        var cases = XDocument.Load(report).Descendants("testcase").ToList();
        return (cases.Count, [.. cases.Where(test => test.Element("failure") is not null).Select(test =>
            $"{suite}: {(string?)test.Attribute("name")}\n{Shortened(test.Element("failure")!.Value, LinesOfFailure)}")]);
    }

    private static string TextsOf(XElement result, params string[] names) =>
        string.Join('\n', result.Descendants().Where(part => names.Contains(part.Name.LocalName)).Select(part => part.Value));

    private static string Shortened(string text, int lines) => string.Join('\n', text.Split('\n').Where(line => line.Trim().Length > 0)
        .Take(lines).Select(line => $"    {(line.Length > 300 ? line[..300] : line).TrimEnd()}"));
}
