using Umbick.Core.Clocks;

namespace Umbick.Simulation;

/// <summary>An odd way of reading a clock, told of single children: no catalogue can list them all.</summary>
/// <param name="Name">What they do.</param>
/// <param name="Misreads">From hour (1 to 12) and minutes (0 to 59) to what they read, which need not be in range.</param>
public sealed record OddWay(string Name, Func<int, int, (int Hour, int Minutes)> Misreads)
{
    /// <summary>Ways that were told of.</summary>
    public static IReadOnlyList<OddWay> All { get; } =
    [
        new("counts the numerals in threes", (h, m) => (h, m / 5 * 3)),
        new("counts the numerals in fours", (h, m) => (h, m / 5 * 4)),
        new("two hours on", (h, m) => (h + 2, m)),
        new("sees the face as in a mirror", (h, m) => (12 - h, (60 - m) % 60)),
        new("the long hand gives hour and minutes", (h, m) => (m / 5, m)),
        new("the short hand gives hour and minutes", (h, m) => (h, h * 5)),
        new("adds the hour to the minutes", (h, m) => (h, m + h)),
        new("ten minutes ahead", (h, m) => (h, m + 10)),
        new("starts to count at the short hand", (h, m) => (h, m - (h % 12 * 5))),
        new("skips the 6 in counting", (h, m) => (h, m >= 30 ? m - 5 : m)),
        new("starts at the 11", (h, m) => (h, m + 10 < 60 ? m + 10 : 5)),
        new("gives the sum of the numerals as the hour", (h, m) => (h + (m / 5), m)),
        new("reads upside down", (h, m) => (h + 6, m + 30)),
        new("says every late time as quarter to", (h, m) => m > 30 ? (h, 45) : (h, m)),
        new("reads the numeral opposite the short hand", (h, m) => (h + 6, m)),
    ];

    /// <summary>The time they answer with: only reading a clock is odd; words and setting come right.</summary>
    public ClockTime Reads(string task, ClockTime time)
    {
        if (task is not (Core.Items.TaskIds.ReadDigital or Core.Items.TaskIds.ReadWords)) return time;
        var (hour, minutes) = Misreads(time.Hour, time.Minute);
        return new ClockTime(Hours.Named(((hour % 12) + 12) % 12), ((minutes % 60) + 60) % 60);
    }
}
