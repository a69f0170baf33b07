using Umbick.Core.Clocks;
using Umbick.Core.Items;

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
    /// <summary>Whether a sitting may stop now, and why.</summary>
    /// <param name="model">The model.</param>
    /// <param name="belief">What is believed now.</param>
    /// <param name="answers">The answers of this sitting, in order.</param>
    /// <param name="bank">The items that may be asked: what none of them could show is not waited for.</param>
    /// <param name="length">The length that was asked for.</param>
    public static StopReason After(
        ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, IReadOnlyList<Item> bank, int length)
    {
        if (answers.Count >= length) return StopReason.Length;
        if (HasGivenUp(answers.Select(answer => answer.Given.Answer))) return StopReason.NoAnswers;
        return answers.Count >= ModelParameters.FewestAnswers && IsClear(model, belief, answers, bank) ? StopReason.Clear : StopReason.None;
    }

    /// <summary>Whether the last answers in a row were none, so that it is enough.</summary>
    /// <param name="answers">The answers of a sitting, in order.</param>
    public static bool HasGivenUp(IEnumerable<Answer> answers)
    {
        var last = answers.TakeLast(ModelParameters.NoAnswersInARow).ToList();
        return last.Count == ModelParameters.NoAnswersInARow && last.TrueForAll(answer => answer is NoAnswer or DontKnow);
    }

    private static bool IsClear(ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, IReadOnlyList<Item> bank)
    {
        foreach (var step in answers.SelectMany(answer => answer.Observations).SelectMany(seen => seen.Prediction.SubSpace.Steps).Distinct()
            .Where(Steps.OfReading.Contains))
        {
            var states = model.Space.At(step);
            // Two variants of one pattern are one choice. A state that no item can show is not waited for, be it the whole pattern or a
            // variant.
            var shares = belief.MarginalAt(step)
                .Select((share, i) => (Share: share, State: states[i], At: i))
                .Where(state => state.At == 0 || state.State.IsOther || bank.Any(item => model.IsTelling(step, state.At, item)))
                .GroupBy(state => (state.State.Patterns.Count == 0 ? null : state.State.Patterns[0], state.State.Patterns.Count,
                state.State.IsOther))
                .Select(same => same.Sum(state => state.Share))
                .ToList();
            if (shares.Max() < ModelParameters.AsGoodAsSure * shares.Sum()) return false;
        }
        return UnconfirmedPattern.After(model, belief, answers).Count == 0;
    }
}
