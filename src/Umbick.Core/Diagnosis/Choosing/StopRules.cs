using Umbick.Core.Clocks;
namespace Umbick.Core.Diagnosis;

/// <summary>Why a sitting may stop.</summary>
public enum StopReason
{
    /// <summary>It need not.</summary>
    None,

    /// <summary>It has the length that was asked for.</summary>
    Length,

    /// <summary>What is concluded has stayed the same, nothing is open, and what every sitting asks has been asked.</summary>
    Clear,

    /// <summary>Three in a row got no answer.</summary>
    NoAnswers,

    /// <summary>Four in a row went wrong.</summary>
    ManyWrong,
}

/// <summary>When a sitting may stop. Stopping is offered, never forced; it ends on an item that will very likely come right.</summary>
public static class StopRules
{
    /// <summary>Whether a sitting may stop now, and why.</summary>
    /// <param name="model">The model.</param>
    /// <param name="belief">What is believed now.</param>
    /// <param name="answers">The answers of this sitting, in order.</param>
    /// <param name="items">The items that may be asked: what none of them could show is not waited for.</param>
    /// <param name="concluded">What was concluded after the last answers, the latest last: asked for only where all else is done.</param>
    public static StopReason After(ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, SittingItems items,
        Func<IReadOnlyList<Conclusion>> concluded)
    {
        if (answers.Count >= items.Length) return StopReason.Length;
        if (HasGivenUp(answers.Select(answer => answer.Given.Answer))) return StopReason.NoAnswers;
        if (WrongRunning(answers) >= ModelParameters.WrongRunningEnough) return StopReason.ManyWrong;
        return answers.Count >= ModelParameters.FewestAnswers && IsClear(model, belief, answers, items, concluded)
            ? StopReason.Clear : StopReason.None;
    }

    /// <summary>Whether the last answers in a row were none, so that it is enough.</summary>
    /// <param name="answers">The answers of a sitting, in order.</param>
    public static bool HasGivenUp(IEnumerable<Answer> answers)
    {
        var last = answers.TakeLast(ModelParameters.NoAnswersInARow).ToList();
        return last.Count == ModelParameters.NoAnswersInARow && last.TrueForAll(answer => answer is NoAnswer or DontKnow);
    }

    /// <summary>How many answers in a row went wrong by now.</summary>
    /// <param name="answers">The answers of a sitting, in order.</param>
    public static int WrongRunning(IReadOnlyList<ObservedAnswer> answers) =>
        answers.Reverse().TakeWhile(answer => answer.Given.IsWrong).Count();

    private static bool IsClear(ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, SittingItems items,
        Func<IReadOnlyList<Conclusion>> concluded)
    {
        var asked = new Quotas([.. answers.Select(answer => answer.Given.Item)], items.Bank,
            [.. answers.Where(answer => answer.Given.IsWrong).Select(answer => answer.Given.Item)]);
        if (asked.Missing > 0) return false;
        var latest = concluded().TakeLast(ModelParameters.SameConclusions).ToList();
        return latest.Count == ModelParameters.SameConclusions
            && latest.TrueForAll(conclusion => conclusion.SaysTheSameAs(latest[^1]))
            && !latest[^1].Findings.Any(finding => finding.Label is not Label.Likely && finding.Belief >= ModelParameters.OpenFrom)
            && (latest[^1].IsGuessing || latest[^1].Guessing < ModelParameters.OpenFrom)
            && UnconfirmedPattern.After(model, belief, answers, Reach.At(model, items.Stage)).Count == 0;
    }
}
