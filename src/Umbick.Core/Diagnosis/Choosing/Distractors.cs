using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Makes the answers to choose from. Each wrong one is what a named pattern, or a common pair of them, would answer; no two are alike, and
/// there is no filler: where fewer patterns differ from right, there are fewer answers.
/// </summary>
public sealed class Distractors(ReadingModel model)
{
    /// <summary>The most answers there may be to choose from.</summary>
    public const int Most = 5;

    private const double PairWeight = 0.3;

    /// <summary>So many of the likeliest wrong answers are looked at.</summary>
    private const int LookedAt = 10;

    /// <summary>An item with answers to choose from.</summary>
    /// <param name="item">The item, of a task whose answers are chosen.</param>
    /// <param name="count">How many there are to be, 2 to 5, the right one among them.</param>
    /// <param name="seed">The same seed makes the same choice in the same order.</param>
    /// <exception cref="ArgumentOutOfRangeException">The count is outside its range.</exception>
    public Item With(Item item, int count, int seed)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(count, 2);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(count, Most);
        var random = new Random(seed);
        List<Answer> choices = [item.Task == ClockTasks.ChooseClock ? DigitalAnswer.Showing(item.Time) : Right(item),
            .. NotGivenAway(item, [.. Wrong(item).Take(LookedAt)], count - 1)];
        return item with { Choices = [.. choices.OrderBy(_ => random.Next())] };
    }

    private static Answer Right(Item item) => item.Task.ReadAs == ClockTasks.ReadWords ? new WordsAnswer(SpokenTime.From(item.Time))
        : DigitalAnswer.Showing(item.Time);

    /// <summary>
    /// The likeliest wrong answers among which the right one does not stand out: whoever picks what has most in common with the others is
    /// right as seldom as can be.
    /// </summary>
    private static IReadOnlyList<Answer> NotGivenAway(Item item, IReadOnlyList<Answer> wrong, int count)
    {
        if (wrong.Count <= count) return wrong;
        var (best, least) = ((IReadOnlyList<Answer>)[.. wrong.Take(count)], double.MaxValue);
        foreach (var chosen in Chosen(wrong, count, 0))
        {
            var given = RightByLikeness(item.Time, [.. chosen.Select(answer => answer.Meaning!.Value)]);
            if (given >= least) continue;
            (best, least) = (chosen, given);
            if (least <= 1.0 / (count + 1)) break;
        }
        return best;
    }

    /// <summary>So many of some answers, the likeliest first.</summary>
    private static IEnumerable<IReadOnlyList<Answer>> Chosen(IReadOnlyList<Answer> wrong, int count, int from)
    {
        if (count == 0)
        {
            yield return [];
            yield break;
        }
        for (var at = from; at <= wrong.Count - count; at++)
        {
            foreach (var rest in Chosen(wrong, count - 1, at + 1)) yield return [wrong[at], .. rest];
        }
    }

    /// <summary>
    /// How often, 0 to 1, the option that shares most hours and minutes with the others is the right one; one of several such is drawn.
    /// </summary>
    /// <param name="right">The right time.</param>
    /// <param name="wrong">The wrong ones.</param>
    public static double RightByLikeness(ClockTime right, IReadOnlyList<ClockTime> wrong)
    {
        List<ClockTime> all = [right, .. wrong];
        var likeness = all.ConvertAll(time =>
            all.Count(other => other.Hour == time.Hour) + all.Count(other => other.Minute == time.Minute));
        return likeness[0] < likeness.Max() ? 0 : 1.0 / likeness.Count(like => like == likeness.Max());
    }

    /// <summary>Wrong answers, the likeliest first.</summary>
    private IEnumerable<Answer> Wrong(Item item) => item.Task == ClockTasks.ChooseClock ? WrongClocks(item.Time) : WrongTimes(item);

    private IEnumerable<Answer> WrongTimes(Item item)
    {
        var prediction = model.Predict(new Item(item.Task.ReadAs ?? item.Task, item.Time), AnswerMode.Said);
        return Weighed(item)
            .Select(way => (Answer: prediction.Answers[prediction.LikeliestOf(prediction.SubSpace.PartOf(way.Procedure))], way.Weight))
            .Where(way => way.Answer is not SomeOtherAnswer && way.Answer.Meaning is { } time && time != item.Time)
            .GroupBy(way => way.Answer.Meaning)
            .OrderByDescending(same => same.Sum(way => way.Weight))
            .Select(same => same.First().Answer);
    }

    /// <summary>Clocks that some pattern reads as the time asked for.</summary>
    private IEnumerable<Answer> WrongClocks(ClockTime asked)
    {
        var words = new WordsAnswer(SpokenTime.From(asked));
        var item = new Item(ClockTasks.ReadWords, asked);
        return Weighed(item)
            .SelectMany(way => NearClocks(asked)
            .Select(clock => (Clock: clock, way.Weight, Prediction: model.Predict(new Item(ClockTasks.ReadWords, clock), AnswerMode.Said),
            way.Procedure)))
            .Where(way => way.Prediction.Answers[way.Prediction.LikeliestOf(way.Prediction.SubSpace.PartOf(way.Procedure))].Equals(words))
            .GroupBy(way => way.Clock)
            .OrderByDescending(same => same.Sum(way => way.Weight))
            .Select(same => (Answer)DigitalAnswer.Showing(same.Key));
    }

    /// <summary>
    /// Clocks at the same hour or the same minutes, or with the hands changed over; as far past a numeral as the time asked for, or on one.
    /// </summary>
    private static IEnumerable<ClockTime> NearClocks(ClockTime asked) =>
        ClockTime.All().Where(clock => clock != asked && (clock.Minute % 5 == 0 || clock.Minute % 5 == asked.Minute % 5)
            && (clock.Minute == asked.Minute || clock.Hour == asked.Hour || clock.Hour == Hours.Named(asked.Minute / 5)));

    private IEnumerable<(int Procedure, double Weight)> Weighed(Item item)
    {
        var touched = (item.Task.ReadAs ?? item.Task).Order;
        var patterns = model.Patterns.Where(pattern => touched.Contains(pattern.Step) && pattern.Step != Step.Writing).ToList();
        foreach (var pattern in patterns) yield return (model.Space.PlaceOf([pattern]), pattern.Weight);
        foreach (var first in patterns)
        {
            foreach (var second in patterns.Where(other => other.Step > first.Step))
                yield return (model.Space.PlaceOf([first, second]), first.Weight * second.Weight * PairWeight);
        }
    }
}
