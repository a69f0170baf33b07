using Umbick.Web.Tests.Cluster;

namespace Umbick.Web.Tests;

/// <summary>
/// Machines that die in the middle of a lesson: whatever was acknowledged is there, once; whatever was typed is there too in the end.
/// </summary>
public sealed class ClusterTrialTests(ITestOutputHelper output)
{
    [Fact]
    public async Task A_lost_primary_and_a_lost_site_cost_no_answer_and_no_page()
    {
        var cancel = TestContext.Current.CancellationToken;
        await using var trial = await ClusterTrial.Start(cancel);
        Tell(await trial.Run(6, TimeSpan.FromSeconds(1.5), async () =>
        {
            await trial.KillPrimary();
            await trial.KillSite();
        }, cancel));
    }

    [Fact(Explicit = true)]
    [Trait("Kind", "Cluster")]
    public async Task Twenty_children_through_every_fault()
    {
        var cancel = TestContext.Current.CancellationToken;
        await using var trial = await ClusterTrial.Start(cancel);
        Tell(await trial.Run(20, TimeSpan.FromSeconds(8), async () =>
        {
            await trial.KillSite();
            await trial.KillPrimary();
            await trial.KillReplica();
            await trial.FreezePrimary();
            await trial.KillLeader();
            await trial.FreezeSite();
            await trial.RollingRestart();
        }, cancel));
    }

    private void Tell(TrialOutcome outcome)
    {
        foreach (var line in outcome.Table()) output.WriteLine(line);
        output.WriteLine($"| all | {outcome.Typed.Count} typed, {outcome.Heard.Count} acknowledged, each kept once | | | "
            + $"{outcome.Pages.Count} | | {outcome.Pages.Count(page => !page.IsWell)} |");
    }
}
