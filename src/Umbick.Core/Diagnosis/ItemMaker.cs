using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>Completes items: the choices, the claim to judge, the clocks to join, the hands to put right, how far the hand moves.</summary>
/// <param name="model">The model whose patterns make the wrong ones.</param>
public sealed class ItemMaker(ReadingModel model)
{
    private const int Clocks = 4;

    private readonly Distractors _distractors = new(model);

    /// <summary>A whole item of a task on a time.</summary>
    /// <param name="task">A task that is about a time.</param>
    /// <param name="time">The time.</param>
    /// <param name="seed">The same seed makes the same item.</param>
    /// <param name="choices">How many there are to choose from, 2 to 5.</param>
    /// <exception cref="ArgumentException">The task is a question that is no reading: those are listed in <see cref="SideQuestions"/>.</exception>
    public Item Make(ClockTask task, ClockTime time, int seed, int choices = 4)
    {
        var item = new Item(task, time);
        if (task.Given == Given.Text && task.Order.Count == 0) throw new ArgumentException($"{task.Id} is not about a time.", nameof(task));
        return task.Id switch
        {
            "choose-time" or "choose-clock" => _distractors.With(item, choices, seed),
            "choose-names" => Named(item, choices, seed),
            "match" => item with { Clocks = Joined(time, seed), Choices = Times(Joined(time, seed), seed) },
            "judge" => item with { Claim = seed % 2 == 0 ? DigitalAnswer.Of(time) : Wrong(new Item(ClockTasks.ChooseTime, time), seed) },
            "repair-clock" => item with { Claim = Impossible(time, seed) },
            "full-turn" => item with { Move = seed % 2 == 0 ? 60 : 30 },
            _ => item,
        };
    }

    /// <summary>Names in words, and the right one in figures too: there may be more than one that fits.</summary>
    private Item Named(Item item, int choices, int seed)
    {
        var named = _distractors.With(item, choices - 1, seed);
        return named with { Choices = [.. named.Choices, DigitalAnswer.Of(item.Time)] };
    }

    private Answer Wrong(Item item, int seed) => _distractors.With(item, 2, seed).Choices.First(choice => choice.Meaning != item.Time);

    /// <summary>The clock asked about and others of the same kind, at other hours.</summary>
    private static IReadOnlyList<ClockTime> Joined(ClockTime time, int seed) =>
        [.. Enumerable.Range(0, Clocks).Select(i => new ClockTime(Hours.Named(time.Hour + (i * (2 + (seed % 2)))), (time.Minute + (i * 15)) % 60))];

    /// <summary>The times of some clocks, and one more that a pattern would give for the first.</summary>
    private IReadOnlyList<Answer> Times(IReadOnlyList<ClockTime> clocks, int seed)
    {
        var random = new Random(seed);
        var more = _distractors.With(new Item(ClockTasks.ChooseTime, clocks[0]), Distractors.Most, seed).Choices.First(choice => choice.Meaning is { } meant && !clocks.Contains(meant));
        return [.. clocks.Select(DigitalAnswer.Of).Append(more).OrderBy(_ => random.Next())];
    }

    /// <summary>Hands of which the hour hand is where a placing pattern puts it; at the full hour, where it is half a space off.</summary>
    private PlacedAnswer Impossible(ClockTime time, int seed)
    {
        var placing = model.Patterns.Where(pattern => pattern.Step == Step.Placing).ToList();
        var set = model.Predict(new Item(ClockTasks.SetFromDigital, time), AnswerMode.Placed);
        var wrong = placing
            .Select(pattern => set.Answers[set.LikeliestOf(set.SubSpace.PartOf(model.Space.Of([pattern])))])
            .OfType<PlacedAnswer>()
            .Where(hands => hands.Hands is { } placed && HandPositions.HoursApart(placed.Hour, HandPositions.Of(time).Hour) > Scoring.PlaceTolerance)
            .ToList();
        return wrong.Count > 0 ? wrong[seed % wrong.Count] : new PlacedAnswer((time.Hour % 12) + 0.5, time.Minute);
    }
}
