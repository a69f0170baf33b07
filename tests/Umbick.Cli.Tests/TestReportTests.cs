using Umbick.Cli.Testing;

namespace Umbick.Cli.Tests;

public sealed class TestReportTests
{
    private static readonly Suite Suite = Suite.OfProject("Web", "state");

    [Fact]
    public void What_passes_the_second_time_is_told_as_that_and_what_does_not_stays_failed()
    {
        var first = Report(600, "A.B.Late\n    timed out", "A.B.Wrong(minutes: 5)\n    not equal", "A.B.Wrong(minutes: 10)\n    not equal");
        Assert.Equal(["A.B.Late", "A.B.Wrong"], first.FailedMethods);
        var told = first.After(Report(3, "A.B.Wrong(minutes: 5)\n    not equal"));
        Assert.Equal(["A.B.Late\n    timed out"], told.PassedAgain);
        Assert.Equal(2, told.Failures.Count);
        Assert.Equal(600, told.Total);
    }

    [Fact]
    public void A_second_run_that_did_not_run_saves_nothing()
    {
        var first = Report(600, "A.B.Late\n    timed out", "A.B.Wrong\n    not equal");
        Assert.Equal(first, first.After(Report(1)));
        Assert.Equal(first, first.After(Report(2, "Umbick.Web ended with 134\n    no memory")));
    }

    private static TestReport Report(int total, params string[] failures) => new(Suite, TimeSpan.FromSeconds(1), total, failures);
}
