using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Where loose hands stand before a child has moved them: as a true clock shows some time, and nowhere that the right answer, or a
/// pattern's, would put them. So a hand that was left alone is never taken for one that was placed.
/// </summary>
public static class StartingHands
{
    private const double HourHandReach = 0.3;
    private const double MinuteHandReach = 1.5;

    private static readonly int[] Minutes = [22, 38, 52, 8, 43, 17, 28, 33, 57, 12, 48, 3];

    /// <summary>The hands at the start.</summary>
    /// <param name="model">The model, which knows what every pattern would place.</param>
    /// <param name="item">The item; the same item starts the same way.</param>
    public static HandPositions For(ReadingModel model, Item item)
    {
        var placed = Answers(model, item).OfType<PlacedAnswer>().ToList();
        // From an hour away round the face, so that the start is another one for another time.
        var starts =
            from minute in Minutes
            from hour in Enumerable.Range(0, 12)
            select HandPositions.Of(new ClockTime(Hours.Named(item.Time.Hour + 4 + hour), minute));
        return starts.First(start => placed.TrueForAll(answer => IsElsewhere(start, answer)));
    }

    private static bool IsElsewhere(HandPositions start, PlacedAnswer answer) =>
        (answer.Hour is not { } hour || HandPositions.HoursApart(start.Hour, hour) > HourHandReach)
        && (answer.Minute is not { } minute || HandPositions.MinutesApart(start.Minute, minute) > MinuteHandReach);

    private static IEnumerable<Answer> Answers(ReadingModel model, Item item)
    {
        // Where the time is told by the hour hand, the minute hand is placed as for that time.
        var placing = item.Task == ClockTasks.InferMinuteHand ? new Item(ClockTasks.PlaceMinuteHand, item.Time) : item;
        return placing.Task.Order.Count == 0 ? [placing.Right] : model.Predict(placing, AnswerMode.Placed).Answers.Append(placing.Right);
    }
}
