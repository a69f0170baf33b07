using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>How support fades across sets and within one.</summary>
public static class Fading
{
    /// <summary>The last items, which never carry help.</summary>
    public const int BareAtTheEnd = 2;

    private const double Less = 0.8;
    private const double More = 0.5;
    private const int DaysAway = 21;

    /// <summary>The level to start the next set at.</summary>
    /// <param name="last">The level the last set started at.</param>
    /// <param name="right">The share of its telling items that came out right, 0 to 1: a pattern gets half of a set right by
    /// itself.</param>
    public static Support Next(Support last, double right) => right switch
    {
        >= Less => (Support)Math.Max((int)Support.Bare, (int)last - 1),
        < More => (Support)Math.Min((int)Support.Full, (int)last + 1),
        _ => last,
    };

    /// <summary>Whether so long has passed since the last sitting that help begins higher: three weeks.</summary>
    public static bool IsAway(DateOnly last, DateOnly day) => day >= last.AddDays(DaysAway);

    /// <summary>The level at one place of a set: full at the start, falling evenly, and the last two always bare.</summary>
    public static Support Within(Support start, int place, int length)
    {
        var faded = length - BareAtTheEnd;
        return place >= faded ? Support.Bare : (Support)Math.Ceiling((int)start * (1 - (place / (double)faded)));
    }
}
