using Umbick.Core.Clocks;

namespace Umbick.Core.Diagnosis;

/// <summary>Why a sitting may stop.</summary>
public enum StopReason
{
    /// <summary>It need not.</summary>
    None,

    /// <summary>It has the length that was asked for.</summary>
    Length,

    /// <summary>Every step in play has one choice that is as good as sure, and what is likely has been seen.</summary>
    Clear,

    /// <summary>Three in a row got no answer.</summary>
    NoAnswers,
}

/// <summary>When a sitting may stop. Stopping is offered, never forced; it ends on an item that will very likely come right.</summary>
public static class StopRules
{
    /// <summary>From this belief on a choice is as good as sure.</summary>
    public const double Sure = 0.9;

    /// <summary>So many in a row without an answer are enough.</summary>
    public const int NoAnswersInARow = 3;

    private const int FewestAnswers = 6;

    /// <summary>Whether a sitting may stop now, and why.</summary>
    /// <param name="model">The model.</param>
    /// <param name="belief">What is believed now.</param>
    /// <param name="answers">The answers of this sitting, in order.</param>
    /// <param name="length">The length that was asked for.</param>
    public static StopReason After(ReadingModel model, Belief belief, IReadOnlyList<Observed> answers, int length)
    {
        if (answers.Count >= length) return StopReason.Length;
        if (answers.Count >= NoAnswersInARow && answers.TakeLast(NoAnswersInARow).All(answer => answer.Given.Answer is NoAnswer or DontKnow)) return StopReason.NoAnswers;
        return answers.Count >= FewestAnswers && IsClear(model, belief, answers) ? StopReason.Clear : StopReason.None;
    }

    private static bool IsClear(ReadingModel model, Belief belief, IReadOnlyList<Observed> answers)
    {
        foreach (var step in answers.SelectMany(answer => answer.Observations).SelectMany(seen => seen.Prediction.SubSpace.Steps).Distinct())
        {
            var choices = model.Space.At(step);
            // Two variants of one pattern are one choice.
            var most = belief.At(step).Select((share, i) => (share, choices[i])).GroupBy(choice => string.Join('+', choice.Item2.Patterns.Select(pattern => pattern.Id)) + choice.Item2.IsOther).Max(same => same.Sum(choice => choice.share));
            if (most < Sure) return false;
        }
        return Wanting.After(model, belief, answers).Count == 0;
    }
}
