using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>The catalogue made ready to compute with: the space of procedures, and what each of them answers to each item.</summary>
public sealed class ReadingModel
{
    /// <summary>Stands with everything that is kept of a diagnosis, so that it can be told which rules it came from.</summary>
    public const string Version = "umbick-6";

    private readonly ConcurrentDictionary<(ClockTask Task, ClockTime Time, bool Written), Prediction> _predictions = new(new ByReference());
    private readonly ConcurrentDictionary<Answer, Answer> _answers = [];
    private readonly SharedShapes _shapes = new();

    /// <summary>The model over the whole catalogue.</summary>
    public ReadingModel() : this(Catalogue.All) { }

    /// <summary>The model over some patterns.</summary>
    public ReadingModel(IReadOnlyList<Pattern> patterns)
    {
        Patterns = [.. patterns.Where(pattern => Steps.OfReading.Contains(pattern.Step))];
        Space = new ProcedureSpace(Patterns);
        Priors = Belief.PriorsIn(Space);
    }

    /// <summary>The patterns of reading that it knows.</summary>
    public IReadOnlyList<Pattern> Patterns { get; }

    /// <summary>The space of procedures.</summary>
    public ProcedureSpace Space { get; }

    /// <summary>The share of each procedure before anything is asked, a lane for each level of consistency.</summary>
    internal Vector256<double>[] Priors { get; }

    private readonly ConcurrentDictionary<Type, object> _beside = [];

    /// <summary>What is remembered beside the model for as long as it lives, one of each kind: the model does not know what.</summary>
    internal T Beside<T>() where T : class, new() => (T)_beside.GetOrAdd(typeof(T), static _ => new T());

    /// <summary>What every procedure would answer to an item. Computed once, then kept.</summary>
    public Prediction Predict(Item item, AnswerMode mode)
    {
        var free = _predictions.GetOrAdd(
            (item.Task, item.Time, mode == AnswerMode.Written),
            static (_, asked) => new Prediction(asked.Space, new Item(asked.Item.Task, asked.Item.Time), asked.Mode, asked.Answers,
                asked.Shapes),
            (Space, Item: item, Mode: mode, Answers: _answers, Shapes: _shapes));
        return item.Choices.Count == 0 ? free : free.Choosing(item.Choices);
    }

    /// <summary>Whether a child with only this pattern would answer an item wrongly, where it is answered as it is usually taken.</summary>
    public bool IsTelling(Pattern pattern, Item item) => IsTelling(pattern.Step, Space.StateWith(pattern), item);

    /// <summary>The same for one state of a step, be it a pattern or a variant of one.</summary>
    public bool IsTelling(Step step, int state, Item item)
    {
        var prediction = Predict(item, item.Task.Taken);
        return prediction.LikeliestOf(prediction.SubSpace.PartOf(Space.With(0, step, state))) != prediction.RightId;
    }

    /// <summary>An answer held against the model, a reading at a time; none where it says nothing about how the child reads.</summary>
    public IReadOnlyList<Observation> Observe(ItemAnswer given)
    {
        if (given.Item.OtherSkill is not null) return [];
        if (given.Item.Task == ClockTasks.ChooseClock) return ChosenClock(given);
        var observations = new List<Observation>();
        foreach (var reading in ImpliedReading.In(given.Item, given.Telling, given.Mode))
        {
            var answer = AsAskedFor(reading);
            if (!IsReadable(reading.Item, answer)) continue;
            // What was scored right tells of no pattern, however near the score had it.
            if (given is { Scored: true, First: null } && answer is PlacedAnswer && reading.Item.Task == given.Item.Task)
                answer = reading.Item.Right;
            var prediction = Predict(reading.Item, reading.Mode);
            observations.Add(new Observation(prediction, prediction.AsPredicted(answer), reading.Weight, given.Helped));
        }
        return observations;
    }

    /// <summary>A time read off a clock means the same in words and in figures, whichever was asked for.</summary>
    private static Answer AsAskedFor(ImpliedReading reading) => (reading.Item.Task.Form, reading.Answer) switch
    {
        (AnswerForm.Words, DigitalAnswer { Meaning: { } time }) when reading.Item.Task.ShowsClock =>
            new WordsAnswer(new SpokenTime(time.Minute == 0 ? SpokenForm.OClock : SpokenForm.Past, time.Minute, time.Hour)),
        (AnswerForm.Digital, WordsAnswer { Meaning: { } time }) when reading.Item.Task.ShowsClock => DigitalAnswer.Showing(time),
        _ => reading.Answer,
    };

    private static bool IsReadable(Item item, Answer answer) => item.Task.Order.Count > 0 && (item.Task.Form, answer) switch
    {
        (AnswerForm.Words, WordsAnswer { Time: { Amount: not null, Hour: not null } }) => true,
        (AnswerForm.Digital, DigitalAnswer { Hour: not null }) => true,
        (AnswerForm.Hour, HourPlaceAnswer) => true,
        (AnswerForm.Minutes, DigitalAnswer { Hour: null, Minutes: not null }) => true,
        (AnswerForm.Places, PlacesAnswer) => true,
        (AnswerForm.Hands, PlacedAnswer placed) => item.Right is PlacedAnswer right && (right.Hour is null || placed.Hour is not null)
            && (right.Minute is null || placed.Minute is not null),
        _ => false,
    };

    /// <summary>A chosen clock is one that they read as the time they were given.</summary>
    private Observation[] ChosenClock(ItemAnswer given)
    {
        if (given.Telling.Meaning is not { } chosen) return [];
        var read = new Item(ClockTasks.ReadWords, chosen);
        var prediction = Predict(read, AnswerMode.Said);
        return [new Observation(prediction, new WordsAnswer(SpokenTime.From(given.Item.Time)), ModelParameters.ChosenWeight, given.Helped)];
    }

    /// <summary>There is one of each task: to compare them by reference is quick.</summary>
    private sealed class ByReference : IEqualityComparer<(ClockTask Task, ClockTime Time, bool Written)>
    {
        public bool Equals((ClockTask Task, ClockTime Time, bool Written) x, (ClockTask Task, ClockTime Time, bool Written) y) =>
            ReferenceEquals(x.Task, y.Task) && x.Time == y.Time && x.Written == y.Written;

        public int GetHashCode((ClockTask Task, ClockTime Time, bool Written) key) =>
            (RuntimeHelpers.GetHashCode(key.Task) * 31 * 1440) + (key.Time.GetHashCode() * 2) + (key.Written ? 1 : 0);
    }

}
