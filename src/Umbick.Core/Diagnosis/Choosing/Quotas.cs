using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// What every sitting asks, whatever is believed: what is never asked is never found. Two clocks whose hands lie close, two clocks to be
/// set, one of them early in the hour, a second o'clock, a twelve; as far as there are such items.
/// </summary>
internal sealed class Quotas
{
    /// <summary>So many minutes apart, at most, hands lie close: a little more than a numeral.</summary>
    private const double CloseMinutes = 6;

    /// <summary>A setting this early in the hour shows a hand that moves back, or stays.</summary>
    private const int EarlyMinutes = 12;

    private readonly (Func<Item, bool> Is, int Missing)[] _open;

    /// <summary>Looks at what was asked.</summary>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    /// <param name="bank">The items that may be asked: what it does not have is not waited for.</param>
    public Quotas(IReadOnlyList<Item> asked, IReadOnlyList<Item> bank)
    {
        _open = [Open(HandsLieClose, 2), Open(IsSetting, 2), Open(IsEarlySetting, 1), Open(IsOClock, 2), Open(IsTwelve, 1)];

        (Func<Item, bool> Is, int Missing) Open(Func<Item, bool> quota, int count) =>
            count - asked.Count(quota) is > 0 and var missing && bank.Count(quota) >= missing ? (quota, missing) : (quota, 0);
    }

    /// <summary>
    /// How many more items it takes at least: an early setting is a setting, a twelve may be any of them, and the last item is an o'clock.
    /// </summary>
    public int Missing
    {
        get
        {
            var (close, settings, early, oClocks, twelves) =
                (_open[0].Missing, _open[1].Missing, _open[2].Missing, _open[3].Missing, _open[4].Missing);
            return Math.Max(close + Math.Max(settings, early) + Math.Max(0, oClocks - 1), twelves);
        }
    }

    /// <summary>How many quotas an item serves that are not met.</summary>
    public int Serves(Item item) => _open.Count(quota => quota.Missing > 0 && quota.Is(item));

    /// <summary>Whether the hands of the clock that is looked at lie close together, and it is no o'clock.</summary>
    public static bool HandsLieClose(Item item) => item.Task.ShowsClock && item.Time.Minute != 0
        && HandPositions.MinutesApart(HandPositions.Showing(item.Time).Hour * 5, item.Time.Minute) <= CloseMinutes;

    private static bool IsEarlySetting(Item item) => IsSetting(item) && item.Time.Minute is > 0 and <= EarlyMinutes;

    private static bool IsOClock(Item item) => item.Task.ShowsClock && item.Time.Minute == 0;

    private static bool IsTwelve(Item item) => item.Time.Hour == 12 && item.Time.Minute != 0;

    /// <summary>Whether hands are set from a time that is given.</summary>
    public static bool IsSetting(Item item) => item.Task == ClockTasks.SetFromDigital || item.Task == ClockTasks.SetFromWords;
}
