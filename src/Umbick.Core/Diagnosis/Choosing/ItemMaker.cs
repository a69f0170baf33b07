using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>Completes items: the choices, the claim to judge, the clocks to join, the hands to put right, how far the hand moves.</summary>
/// <param name="model">The model whose patterns make the wrong ones.</param>
public sealed class ItemMaker(ReadingModel model)
{
    private const int Clocks = 4;
    private const int Choices = 4;

    // Of three items to choose names in, one has its right name in figures only, one in words only, one in both.
    private const int InFiguresOnly = 1;
    private const int InWordsOnly = 2;

    private readonly Distractors _distractors = new(model);

    /// <summary>A whole item of a task on a time.</summary>
    /// <param name="task">A task that is about a time.</param>
    /// <param name="time">The time.</param>
    /// <param name="stage">How far times are taught: no clock that has to be read goes beyond it.</param>
    /// <param name="seed">The same seed makes the same item.</param>
    /// <exception cref="ArgumentException">The task is a question that is no reading: those are listed in
    /// <see cref="OtherSkillItems"/>.</exception>
    public Item Make(ClockTask task, ClockTime time, Stage stage, int seed)
    {
        var item = new Item(task, time);
        if (task.Stimulus == Stimulus.Text && task.Order.Count == 0)
            throw new ArgumentException($"{task.Id} is not about a time.", nameof(task));
        return task.Id switch
        {
            TaskIds.ChooseTime or TaskIds.ChooseClock => _distractors.With(item, Choices, seed),
            TaskIds.ChooseNames => Named(item, seed),
            TaskIds.Match => item with { Clocks = Joined(time, stage, seed), Choices = Times(Joined(time, stage, seed), seed) },
            TaskIds.Judge => item with
            { Claim = seed % 2 == 0 ? DigitalAnswer.Showing(time) : Wrong(new Item(ClockTasks.ChooseTime, time), seed) },
            TaskIds.RepairClock => item with { Claim = Impossible(time, seed) },
            TaskIds.FullTurn => item with { Move = seed % 2 == 0 || !stage.Has(time.Plus(30).Minute) ? 60 : 30 },
            _ => item,
        };
    }

    /// <summary>
    /// Two names in words and two in figures, in any order. Both kinds may hold the right one, or only one of them, so that neither the
    /// kind nor the place of a name tells whether it fits.
    /// </summary>
    private Item Named(Item item, int seed)
    {
        var random = new Random(seed);
        var wrong = _distractors.With(item, Choices - 1, seed).Choices.Where(choice => choice.Meaning != item.Time).ToList();
        var (right, kind) = (new WordsAnswer(SpokenTime.From(item.Time)), random.Next(3));
        Answer[] names =
        [
            wrong[0],
            kind == InFiguresOnly && wrong.Count > 1 ? wrong[1] : right,
            DigitalAnswer.Showing(wrong[0].Meaning!.Value),
            DigitalAnswer.Showing(kind == InWordsOnly && wrong.Count > 1 ? wrong[1].Meaning!.Value : item.Time),
        ];
        return item with { Choices = [.. names.OrderBy(_ => random.Next())] };
    }

    private Answer Wrong(Item item, int seed) => _distractors.With(item, 2, seed).Choices.First(choice => choice.Meaning != item.Time);

    /// <summary>The clock asked about and others at other hours, at minutes that are taught.</summary>
    private static IReadOnlyList<ClockTime> Joined(ClockTime time, Stage stage, int seed)
    {
        var random = new Random(seed);
        var taught = Enumerable.Range(0, 60).Where(minute => stage.Has(minute)).ToList();
        var apart = 2 + random.Next(2);
        return [time, .. Enumerable.Range(1, Clocks - 1)
            .Select(i => new ClockTime(Hours.Named(time.Hour + (i * apart)), taught[random.Next(taught.Count)]))];
    }

    /// <summary>The times of some clocks, and one more that a pattern would give for the first.</summary>
    private IReadOnlyList<Answer> Times(IReadOnlyList<ClockTime> clocks, int seed)
    {
        var random = new Random(seed);
        var more = _distractors.With(new Item(ClockTasks.ChooseTime, clocks[0]), Distractors.Most, seed).Choices.First(choice =>
            choice.Meaning is { } meant && !clocks.Contains(meant));
        return [.. clocks.Select(DigitalAnswer.Showing).Append(more).OrderBy(_ => random.Next())];
    }

    /// <summary>Hands of which the hour hand is where a placing pattern puts it; at the full hour, where it is half a space off.</summary>
    private PlacedAnswer Impossible(ClockTime time, int seed)
    {
        var placing = model.Patterns.Where(pattern => pattern.Step == Step.Placing).ToList();
        var set = model.Predict(new Item(ClockTasks.SetFromDigital, time), AnswerMode.Placed);
        var wrong = placing
            .Select(pattern => set.Answers[set.LikeliestOf(set.SubSpace.PartOf(model.Space.PlaceOf([pattern])))])
            .OfType<PlacedAnswer>()
            .Where(hands => hands.Hands is { } placed
            && HandPositions.HoursApart(placed.Hour, HandPositions.Showing(time).Hour) > ModelParameters.PlaceTolerance)
            .ToList();
        return wrong.Count > 0 ? wrong[seed % wrong.Count] : new PlacedAnswer((time.Hour % 12) + 0.5, time.Minute);
    }
}
