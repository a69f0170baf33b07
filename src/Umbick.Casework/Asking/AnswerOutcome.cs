namespace Umbick.Casework;

/// <summary>The outcome of a sent answer.</summary>
public enum AnswerOutcome
{
    /// <summary>It is kept.</summary>
    Kept,

    /// <summary>It had been kept before; nothing changed.</summary>
    KeptBefore,

    /// <summary>Another answer was kept under the same id; this one was not.</summary>
    OtherAnswerKept,

    /// <summary>The item has an answer already, under another id; this one was not kept.</summary>
    AnsweredBefore,

    /// <summary>Nothing was asked at its place; it was not kept.</summary>
    NotAsked,

    /// <summary>The school has no such sitting.</summary>
    NotFound,
}

/// <summary>What is told of an answer that was not kept.</summary>
public static class AnswerOutcomeTexts
{
    /// <summary>Whether it stands on record, now or from before.</summary>
    public static bool IsKept(this AnswerOutcome outcome) => outcome is AnswerOutcome.Kept or AnswerOutcome.KeptBefore;

    /// <summary>Why it was not kept, as a sentence.</summary>
    /// <param name="outcome">The outcome.</param>
    /// <param name="typed">What was typed.</param>
    public static string WhyNot(this AnswerOutcome outcome, string typed) => outcome switch
    {
        AnswerOutcome.NotFound => "This child is not here.",
        AnswerOutcome.OtherAnswerKept => $"Another answer was kept from this page before, so “{typed}” was not.",
        AnswerOutcome.NotAsked => $"Nothing was asked there, so “{typed}” was not kept.",
        _ => $"That question has an answer already, so “{typed}” was not kept.",
    };
}
