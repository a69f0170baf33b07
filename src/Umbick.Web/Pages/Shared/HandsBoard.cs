using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Web.Pages;

/// <summary>A face with hands that can be moved.</summary>
/// <param name="Hour">Where the hour hand starts, in hours; null where there is none.</param>
/// <param name="Minute">Where the minute hand starts, in minutes; null where there is none.</param>
/// <param name="HourLoose">Whether the hour hand can be moved.</param>
/// <param name="MinuteLoose">Whether the minute hand can be moved.</param>
public sealed record HandsBoard(double? Hour, double? Minute, bool HourLoose, bool MinuteLoose)
{
    /// <summary>Whether the hands go together, as those of a real clock do.</summary>
    public bool Geared { get; init; }

    /// <summary>Whether it is the big clock, with room for what can be laid over it.</summary>
    public bool IsBig { get; init; }

    /// <summary>The clock that things are shown with.</summary>
    public static HandsBoard ToShow(HandPositions hands) => new(hands.Hour, hands.Minute, true, true) { IsBig = true };

    /// <summary>
    /// The board for an item: a hand that is not asked for stands where it belongs, loose ones where nothing known would put them.
    /// </summary>
    public static HandsBoard For(Item item, ReadingModel model)
    {
        var (hour, minute) = AnswerBoxes.LooseHands(item);
        if (item.Claim is PlacedAnswer { Hands: { } wrong }) return new HandsBoard(wrong.Hour, wrong.Minute, hour, minute);
        var (right, start) = (HandPositions.Showing(item.Time), StartingHands.For(model, item));
        return new HandsBoard(
            hour ? start.Hour : item.Task == ClockTasks.SetMinutes ? null : right.Hour,
            minute ? start.Minute : right.Minute,
            hour,
            minute);
    }

    /// <summary>A place as a field holds it.</summary>
    public static string Text(double? place) => (place ?? 0).ToString("0.##", CultureInfo.InvariantCulture);

    /// <summary>How far a hand is turned, in degrees.</summary>
    public static string Degrees(double? place, int round) => ((place ?? 0) * 360 / round).ToString("0.##", CultureInfo.InvariantCulture);
}
