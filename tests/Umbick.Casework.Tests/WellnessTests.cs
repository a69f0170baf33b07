using Umbick.Casework.Running;

namespace Umbick.Casework.Tests;

/// <summary>What somebody is told to see to, and what not.</summary>
public sealed class WellnessTests
{
    private static readonly DateTime Now = new(2026, 12, 2, 10, 0, 0, DateTimeKind.Utc);

    private static readonly Wellness Well = new()
    {
        Now = Now,
        DatabaseNow = Now,
        Backups = [new BackupMade(Now.AddHours(-7), "one.backup", 1)],
        LastChecked = Now.AddDays(-3),
    };

    [Fact]
    public void Where_nothing_is_amiss_nothing_is_told() => Assert.Empty(Well.Worries);

    [Fact]
    public void That_an_answer_is_on_one_machine_is_told() =>
        Assert.Contains("on one machine", Assert.Single((Well with { HasNoCopy = true }).Worries), StringComparison.Ordinal);

    [Theory]
    [InlineData(30, null)]
    [InlineData(20, "ends on 22 December 2026. Once it is renewed in its file, the site uses it by itself.")]
    [InlineData(-1, "ended on 1 December 2026.")]
    public void A_certificate_is_told_of_three_weeks_before_it_ends(int days, string? told)
    {
        var worries = (Well with { CertificateEnds = Now.AddDays(days) }).Worries.ToList();
        if (told is null) Assert.Empty(worries);
        else Assert.Contains(told, Assert.Single(worries), StringComparison.Ordinal);
    }
}
