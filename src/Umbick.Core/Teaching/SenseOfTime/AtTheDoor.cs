using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Teaching;

/// <summary>What is said at the classroom door, where a child is fetched or brought back: the time, and how long until something.</summary>
public static class AtTheDoor
{
    /// <summary>Further away than this, nothing is waited for, in minutes.</summary>
    private const int Soon = 150;

    /// <summary>What to say now; null where none of the school's times comes soon.</summary>
    /// <param name="day">The school's day, in order.</param>
    /// <param name="now">The time that it is.</param>
    /// <param name="wording">How times are said here.</param>
    public static string? Say(IReadOnlyList<SchoolMoment> day, TimeOnly now, Wording wording)
    {
        var to = now.AddMinutes((5 - (now.Minute % 5)) % 5);
        // After midnight nothing more comes of this day.
        if (to < now || day.FirstOrDefault(moment => moment.At > to) is not { } next || (next.At - to).TotalMinutes > Soon) return null;
        var time = new ClockTime(Hours.Named(to.Hour % 12), to.Minute);
        return $"It is {wording.Words(time)}. {Capital(next.Words)} is at {wording.Words(next.Time)}. How long until then?";
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
