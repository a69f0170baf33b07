using System.Text.RegularExpressions;

namespace Umbick.Web.Tests;

/// <summary>What docs/threats.md claims is shown by tests that are there.</summary>
public sealed partial class ThreatsTests
{
    private static readonly string Root = Site.Setting("UMBICK_ROOT");

    [Fact]
    public async Task Each_claim_names_a_test_that_is_there_or_says_that_nothing_is_done()
    {
        var rows = (await File.ReadAllLinesAsync(Path.Combine(Root, "docs/threats.md"), TestContext.Current.CancellationToken))
            .Where(line => Row().IsMatch(line)).ToList();
        Assert.True(rows.Count >= 30, $"{rows.Count} threats");
        var missing = new List<string>();
        foreach (var row in rows)
        {
            var named = Named().Matches(row).ToList();
            if (named.Count == 0 && !row.Contains("*Not prevented*", StringComparison.Ordinal)) missing.Add($"no test: {row[..60]}");
            foreach (Match match in named)
            {
                var (name, method) = (match.Groups["class"].Value, match.Groups["method"].Value);
                var file = Directory.EnumerateFiles(Path.Combine(Root, "tests"), $"{name}.cs", SearchOption.AllDirectories)
                    .FirstOrDefault();
                if (file is null || (method.Length > 0
                    && !Regex.IsMatch(await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken), $@"public .*\b{method}\(")))
                    missing.Add($"{name}.{method}");
            }
        }
        Assert.Empty(missing);
    }

    [GeneratedRegex(@"^\| \d+ \|")]
    private static partial Regex Row();

    [GeneratedRegex(@"`(?<class>\w+Tests)(\.(?<method>\w+))?`")]
    private static partial Regex Named();
}
