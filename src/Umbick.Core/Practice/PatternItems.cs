using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>Which items show a pattern on its own.</summary>
public static class PatternItems
{
    /// <summary>The task at which a pattern shows most plainly.</summary>
    public static ClockTask TaskFor(Pattern pattern) => pattern.Step switch
    {
        Step.PastOrTo => ClockTasks.ReadWords,
        Step.Fractions or Step.Writing => ClockTasks.WordsToDigital,
        Step.Placing => ClockTasks.SetFromDigital,
        _ => ClockTasks.ReadDigital,
    };

    /// <summary>How the answer to a pattern's own task is given.</summary>
    public static AnswerMode ModeFor(Pattern pattern) =>
        pattern.Step == Step.Writing ? AnswerMode.Written : TaskFor(pattern).Aloud;

    /// <summary>What a child with only this pattern would answer most often.</summary>
    public static Answer AnswerOf(ReadingModel model, Pattern pattern, Item item)
    {
        var prediction = model.Predict(item, ModeFor(pattern));
        return prediction.Answers[prediction.LikeliestOf(prediction.SubSpace.PartOf(model.Space.Of([pattern])))];
    }

    /// <summary>Whether a child with only this pattern would answer an item wrongly.</summary>
    public static bool IsTelling(ReadingModel model, Pattern pattern, Item item)
    {
        var prediction = model.Predict(item, ModeFor(pattern));
        return prediction.LikeliestOf(prediction.SubSpace.PartOf(model.Space.Of([pattern]))) != prediction.RightId;
    }
}
