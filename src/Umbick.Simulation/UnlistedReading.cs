using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>A way of reading that the catalogue does not list: a test of whether the model keeps its hands off.</summary>
/// <param name="Name">What they do.</param>
/// <param name="Misreads">From the true time to the time they read off a clock.</param>
public sealed record UnlistedReading(string Name, Func<ClockTime, ClockTime> Misreads)
{
    /// <summary>Ways of reading that nobody has listed.</summary>
    public static IReadOnlyList<UnlistedReading> All { get; } =
    [
        new("counts the numerals in threes", time => At(time.Hour, time.Minute / 5 * 3)),
        new("counts the numerals in fours", time => At(time.Hour, time.Minute / 5 * 4)),
        new("reads two hours on", time => At(time.Hour + 2, time.Minute)),
        new("sees the face as in a mirror", time => At(12 - time.Hour, time.Minute)),
        new("takes the minute hand's numeral for the hour", time => At(time.Minute / 5, time.Minute)),
        new("gives the nearest third of an hour", time => At(time.Hour, (time.Minute + 10) / 20 * 20 % 60)),
        new("adds the hour to the minutes", time => At(time.Hour, (time.Minute + time.Hour) % 60)),
        new("is ten minutes ahead", time => At(time.Hour, (time.Minute + 10) % 60)),
    ];

    /// <summary>The time they answer with: only reading a clock is odd; words and setting come right.</summary>
    public ClockTime Reads(ClockTask task, ClockTime time) => task.Stimulus == Stimulus.Clock ? Misreads(time) : time;

    private static ClockTime At(int hour, int minute) => new(Hours.Named(hour), minute);
}
