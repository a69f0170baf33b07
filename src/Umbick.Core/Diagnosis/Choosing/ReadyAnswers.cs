using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>A wrong answer that stands ready, so that it needs no typing.</summary>
/// <param name="Answer">The answer.</param>
/// <param name="Patterns">The patterns that give it, the commonest first.</param>
public sealed record ReadyAnswer(Answer Answer, IReadOnlyList<Pattern> Patterns);

/// <summary>The wrong answers that single patterns would give to an item.</summary>
public sealed class ReadyAnswers(ReadingModel model)
{
    /// <summary>The most answers that stand ready.</summary>
    public const int Most = 5;

    /// <summary>
    /// The answers to an item, those of the patterns most believed first; none for a question beside the reading of a clock.
    /// </summary>
    /// <param name="item">The item.</param>
    /// <param name="mode">How it is answered.</param>
    /// <param name="belief">What is believed of the child.</param>
    public IReadOnlyList<ReadyAnswer> For(Item item, AnswerMode mode, Belief belief)
    {
        if (item.Task.Order.Count == 0 || item.Task == ClockTasks.Judge) return [];
        var prediction = model.Predict(item, mode);
        return
        [
            .. model.Patterns
                .Select(pattern => (Pattern: pattern,
                Answer: prediction.LikeliestOf(prediction.SubSpace.PartOf(model.Space.PlaceOf([pattern])))))
                .Where(pattern => pattern.Answer != prediction.RightId && prediction.Answers[pattern.Answer] is not SomeOtherAnswer)
                .GroupBy(pattern => pattern.Answer)
                .OrderByDescending(same => same.Sum(each => belief.ProbabilityOf(each.Pattern)))
                .Take(Most)
                .Select(same => new ReadyAnswer(prediction.Answers[same.Key],
                [.. same.Select(each => each.Pattern).OrderByDescending(belief.ProbabilityOf)])),
        ];
    }
}
