namespace Umbick.Web.Tests;

/// <summary>Who is brought up to date next: whoever is looked for first, each at most once in a while; then those who are behind.</summary>
public sealed class RenewalListTests
{
    private static readonly SchoolId School = SchoolId.New();
    private readonly TimeProvider _clock = TimeProvider.System;

    [Fact]
    public async Task While_nobody_looks_answers_alone_ask_for_nothing()
    {
        var list = new RenewalList(_clock);
        list.Add(School, [ChildId.New()], isLookedAt: false);
        Assert.Equal(0, list.Left(School));
        var child = ChildId.New();
        list.Add(School, [], isLookedAt: true);
        list.Add(School, [child], isLookedAt: false);
        Assert.Equal((School, child), await list.Next(CancellationToken.None));
        list.Add(School, [child], isLookedAt: false);
        // Once in a while is enough.
        var next = list.Next(CancellationToken.None);
        Assert.False(next.IsCompleted);
        Assert.Equal(1, list.Left(School));
    }

    [Fact]
    public async Task Those_of_whom_something_has_come_go_before_those_who_are_behind()
    {
        var (list, behind, come) = (new RenewalList(_clock), ChildId.New(), ChildId.New());
        list.AddBehind(School, [behind]);
        list.Add(School, [come], isLookedAt: true);
        Assert.True(list.AnyBehind);
        Assert.Equal(2, list.Left(School));
        Assert.Equal((School, come), await list.Next(CancellationToken.None));
        Assert.Equal((School, behind), await list.Next(CancellationToken.None));
        Assert.False(list.AnyBehind);
        var waits = list.Next(new CancellationToken(canceled: true));
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => waits);
    }
}
