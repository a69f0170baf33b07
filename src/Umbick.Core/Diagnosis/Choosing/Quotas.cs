using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>Something that every sitting asks.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Is">Whether an item is such a one.</param>
/// <param name="Count">How many of them a sitting has at least.</param>
public sealed record Quota(string Name, Func<Item, bool> Is, int Count)
{
    /// <summary>Whether a sitting had as many.</summary>
    public bool IsMetBy(IEnumerable<Item> asked) => asked.Count(Is) >= Count;
}

/// <summary>
/// What every sitting asks, whatever is believed: what is never asked is never found. Two clocks whose hands lie close, two clocks to be
/// set, one of them early in the hour, a second o'clock, a twelve; as far as there are such items. Where what goes wrong is hardly anything
/// but close hands, two more of those.
/// </summary>
public sealed class Quotas
{
    /// <summary>So many minutes apart, at most, hands lie close: a little more than a numeral.</summary>
    private const double CloseMinutes = 6;

    /// <summary>So many more whose hands lie close, where hardly anything else goes wrong.</summary>
    private const int MoreClose = 2;

    /// <summary>A setting this early in the hour shows a hand that moves back, or stays.</summary>
    private const int EarlyMinutes = 12;

    private readonly (Func<Item, bool> Is, int Missing)[] _open;

    /// <summary>How many o'clocks are left for the end: the last item is one, unless o'clocks go wrong.</summary>
    private readonly int _atTheEnd;

    /// <summary>What every sitting asks.</summary>
    public static IReadOnlyList<Quota> All { get; } =
    [
        new("clocks whose hands lie close", HandsLieClose, 2), new("settings", IsSetting, 2), new("an early setting", IsEarlySetting, 1),
        new("o’clocks", IsOClock, 2), new("a twelve", IsTwelve, 1),
    ];

    /// <summary>Looks at what was asked.</summary>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    /// <param name="bank">The items that may be asked: what it does not have is not waited for.</param>
    /// <param name="wrong">Those of them that went wrong.</param>
    public Quotas(IReadOnlyList<Item> asked, IReadOnlyList<Item> bank, IReadOnlyList<Item>? wrong = null)
    {
        var onlyClose = wrong is not null && wrong.Any(HandsLieClose) && wrong.Count(item => !HandsLieClose(item)) <= 1;
        _atTheEnd = wrong is not null && wrong.Any(IsOClock) ? 0 : 1;
        _open = [.. All.Select(quota => Open(quota.Is, onlyClose && quota == All[0] ? quota.Count + MoreClose : quota.Count))];

        (Func<Item, bool> Is, int Missing) Open(Func<Item, bool> quota, int count) =>
            count - asked.Count(quota) is > 0 and var missing && bank.Count(quota) >= missing ? (quota, missing) : (quota, 0);
    }

    /// <summary>
    /// How many more items it takes at least: an early setting is a setting, a twelve may be any of them, and an o'clock may be the last.
    /// </summary>
    public int Missing => Least([.. _open.Select(quota => quota.Missing)]);

    /// <summary>Whether fewer are missing once an item has been asked.</summary>
    public bool IsDue(Item item) => Least([.. _open.Select(quota => quota.Missing - (quota.Is(item) ? 1 : 0))]) < Missing;

    /// <summary>How many quotas an item serves that are not met.</summary>
    public int Serves(Item item) => _open.Count(quota => quota.Missing > 0 && quota.Is(item));

    /// <summary>Whether the hands of the clock that is looked at lie close together, and it is no o'clock.</summary>
    public static bool HandsLieClose(Item item) => item.Task.ShowsClock && item.Time.Minute != 0
        && HandPositions.MinutesApart(HandPositions.Showing(item.Time).Hour * 5, item.Time.Minute) <= CloseMinutes;

    private int Least(int[] missing)
    {
        var (close, settings, early, oClocks, twelves) = (Open(0), Open(1), Open(2), Open(3), Open(4));
        return Math.Max(close + Math.Max(settings, early) + Math.Max(0, oClocks - _atTheEnd), twelves);

        int Open(int quota) => Math.Max(0, missing[quota]);
    }

    private static bool IsEarlySetting(Item item) => IsSetting(item) && item.Time.Minute is > 0 and <= EarlyMinutes;

    private static bool IsOClock(Item item) => item.Task.ShowsClock && item.Time.Minute == 0;

    private static bool IsTwelve(Item item) => item.Time.Hour == 12 && item.Time.Minute != 0;

    /// <summary>Whether hands are set from a time that is given.</summary>
    public static bool IsSetting(Item item) => item.Task == ClockTasks.SetFromDigital || item.Task == ClockTasks.SetFromWords;
}
