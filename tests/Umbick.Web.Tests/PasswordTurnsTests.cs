
namespace Umbick.Web.Tests;

/// <summary>Turns at hashing a password: given back whatever becomes of who waited.</summary>
public sealed class PasswordTurnsTests
{
    [Fact]
    public async Task A_stranger_who_goes_while_waiting_leaves_the_way_free()
    {
        using var turns = new PasswordTurns();
        var held = new List<IDisposable>();
        for (var i = 0; i < Math.Max(1, Environment.ProcessorCount / 2); i++)
            held.Add((await turns.Wait(atHome: true, CancellationToken.None))!);
        using var gone = new CancellationTokenSource();
        var waiting = turns.Wait(atHome: false, gone.Token);
        Assert.False(waiting.IsCompleted);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => waiting);
        held.ForEach(turn => turn.Dispose());
        var next = turns.Wait(atHome: false, CancellationToken.None);
        Assert.True(next.IsCompletedSuccessfully, "the next stranger waits for one who has gone");
        (await next)!.Dispose();
    }

    [Fact]
    public async Task Behind_strangers_who_wait_more_are_sent_away_and_the_school_is_not()
    {
        using var turns = new PasswordTurns();
        using var over = new CancellationTokenSource();
        using var first = await turns.Wait(atHome: false, CancellationToken.None);
        var waiting = Enumerable.Range(0, 8).Select(_ => turns.Wait(atHome: false, over.Token)).ToList();
        Assert.Null(await turns.Wait(atHome: false, CancellationToken.None));
        var home = turns.Wait(atHome: true, CancellationToken.None);
        first!.Dispose();
        using var own = await home;
        Assert.NotNull(own);
        await over.CancelAsync();
        foreach (var each in waiting)
        {
            try
            {
                (await each)?.Dispose();
            }
            catch (OperationCanceledException)
            {
                // Sent home by the end of the test.
            }
        }
    }
}
