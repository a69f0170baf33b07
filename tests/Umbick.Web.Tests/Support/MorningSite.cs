using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>A process of the site whose clock stands in a school's morning, whenever the tests run.</summary>
public sealed class MorningSite : IAsyncLifetime
{
    private SiteProcess _process = null!;

    /// <summary>The next weekday, five past ten.</summary>
    public static DateTime Morning { get; } =
        Enumerable.Range(1, 3).Select(days => DateTime.UtcNow.Date.AddDays(days).AddMinutes(605))
            .First(day => day.DayOfWeek is not DayOfWeek.Saturday and not DayOfWeek.Sunday);

    public static DateOnly Today { get; } = DateOnly.FromDateTime(Morning);

    public Uri Address => _process.Address;

    public async ValueTask InitializeAsync() => _process =
        await SiteProcess.Start(RunningSite.FreeAddress(), ahead: Morning - DateTime.UtcNow);

    public ValueTask DisposeAsync()
    {
        _process.Dispose();
        return ValueTask.CompletedTask;
    }

    /// <summary>A slot that is on in that morning, by the clocks of a school that has London's.</summary>
    public static Task SlotNow(Site site, params IEnumerable<ChildId> children) => site.App.InSchool(site.A, async connection =>
    {
        var (_, now) = await Schools.LocalNow(connection, Morning);
        await Timetables.AddSlot(connection,
            new Slot(Guid.NewGuid(), Today.DayOfWeek, now.AddMinutes(-5), Slot.Longest, [.. children.Select(child => child.Value)]));
    });
}
