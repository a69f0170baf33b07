using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>The catalogue made ready to reckon with: the space of procedures, and what each of them answers to each item.</summary>
public sealed class ReadingModel(IReadOnlyList<Pattern> patterns)
{
    /// <summary>Stands with everything that is kept of a diagnosis, so that it can be told which rules it came from.</summary>
    public const string Version = "umbick-1";

    private readonly ConcurrentDictionary<(string Task, ClockTime Time, bool Written), Prediction> _predictions = new();

    /// <summary>The model over the whole catalogue.</summary>
    public ReadingModel() : this(Catalogue.All) { }

    /// <summary>The patterns it knows.</summary>
    public IReadOnlyList<Pattern> Patterns { get; } = patterns;

    /// <summary>The space of procedures.</summary>
    public ProcedureSpace Space { get; } = new(patterns);

    /// <summary>What every procedure would answer to an item. Reckoned once, then kept.</summary>
    public Prediction Predict(Item item, AnswerMode mode) =>
        _predictions.GetOrAdd((item.Task.Id, item.Time, mode == AnswerMode.Written), _ => new Prediction(Space, item, mode));

    /// <summary>
    /// The item that an answer really answers, the answer in the shape in which answers are predicted, and the prediction for it;
    /// null where the answer says nothing about how the child reads.
    /// </summary>
    public (Prediction Prediction, Answer Answer)? Match(GivenAnswer given)
    {
        var (item, answer) = given.Item.Answered(given.Answer);
        var mode = item.Task == given.Item.Task ? given.Mode : AnswerMode.Said;
        if (mode != AnswerMode.Written && answer is DigitalAnswer { Minutes: not null } digital) answer = digital with { Figures = 2 };
        var readable = (item.Task.Form, answer) switch
        {
            (AnswerForm.Words, WordsAnswer { Time: { Amount: not null, Hour: not null } }) => true,
            (AnswerForm.Digital, DigitalAnswer { Hour: not null }) => true,
            (AnswerForm.Hands, PlacedAnswer { Hands: not null }) => true,
            _ => false,
        };
        return readable ? (Predict(item, mode), answer) : null;
    }
}
