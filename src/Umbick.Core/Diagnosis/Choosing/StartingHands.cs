using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Where loose hands stand before a child has moved them: as a true clock shows some time, neither hand where it belongs, and nowhere that
/// a pattern would put them. So a hand that was left alone is never taken for one that was placed.
/// </summary>
public static class StartingHands
{
    private const double HourHandReach = 0.3;
    private const double MinuteHandReach = 2;

    /// <summary>Between ticks, where nobody means to put a minute hand.</summary>
    private static readonly double[] Minutes = [22.5, 37.5, 52.5, 7.5, 42.5, 17.5, 27.5, 32.5, 57.5, 12.5, 47.5, 2.5];

    /// <summary>The hands at the start.</summary>
    /// <param name="model">The model, which knows what every pattern would place.</param>
    /// <param name="item">The item; the same item starts the same way.</param>
    public static HandPositions For(ReadingModel model, Item item)
    {
        var (right, patterns) = (HandPositions.Showing(item.Time), Answers(model, item).OfType<PlacedAnswer>().ToList());
        // From some hours away round the face, so that another time starts another way.
        var starts =
            from minute in Minutes
            from hour in Enumerable.Range(item.Time.Hour + 4, 12)
            select HandPositions.Wrapped(hour + (minute / 60), minute);
        return starts
            .Where(start => HandPositions.HoursApart(start.Hour, right.Hour) > HourHandReach
            && HandPositions.MinutesApart(start.Minute, right.Minute) > MinuteHandReach)
            .First(start => patterns.TrueForAll(answer => IsElsewhere(start, answer)));
    }

    /// <summary>Whether hands show something else than an answer: one of its hands is away.</summary>
    private static bool IsElsewhere(HandPositions start, PlacedAnswer answer) =>
        (answer.Hour is { } hour && HandPositions.HoursApart(start.Hour, hour) > HourHandReach)
        || (answer.Minute is { } minute && HandPositions.MinutesApart(start.Minute, minute) > MinuteHandReach);

    private static IEnumerable<Answer> Answers(ReadingModel model, Item item)
    {
        // Where the time is told by the hour hand, the minute hand is placed as for that time.
        var placing = item.Task == ClockTasks.InferMinuteHand ? new Item(ClockTasks.PlaceMinuteHand, item.Time) : item;
        return placing.Task.Order.Count == 0 ? [placing.Right] : model.Predict(placing, AnswerMode.Placed).Answers;
    }
}
