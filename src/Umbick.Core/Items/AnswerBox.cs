namespace Umbick.Core.Items;

/// <summary>What a child answers with on a screen.</summary>
public enum AnswerBox
{
    /// <summary>Keys for figures.</summary>
    Keys,

    /// <summary>Words put together from three parts.</summary>
    Words,

    /// <summary>Loose hands, one or both.</summary>
    Hands,

    /// <summary>A loose minute hand, and keys for the time.</summary>
    HandAndTime,

    /// <summary>Clocks, of which one is chosen.</summary>
    Clocks,

    /// <summary>Times, of which one is chosen.</summary>
    Times,

    /// <summary>Times, of which every one that fits is chosen.</summary>
    Several,

    /// <summary>Clocks and times to join.</summary>
    Pairs,

    /// <summary>Right or wrong; if wrong, keys for the right time.</summary>
    Verdict,

    /// <summary>The same of a claim in words, put right in words.</summary>
    VerdictInWords,

    /// <summary>An hour, and how far the hand is past it.</summary>
    HourPlace,

    /// <summary>The numerals beside the hands.</summary>
    Places,

    /// <summary>Numerals to put round a face.</summary>
    Numerals,

    /// <summary>Words to choose from.</summary>
    Choice,

    /// <summary>A press when so many seconds are over.</summary>
    Feel,
}

/// <summary>How each item is answered on a screen.</summary>
public static class AnswerBoxes
{
    /// <summary>What the child answers this item with.</summary>
    public static AnswerBox BoxFor(Item item) => item switch
    {
        { OtherSkill: { Kind: QuestionKind.Feel } } => AnswerBox.Feel,
        { OtherSkill: { Given: OtherSkillItems.WholeFace } } => AnswerBox.Numerals,
        { OtherSkill: { Choices.Count: > 0 } } => AnswerBox.Choice,
        { OtherSkill: not null } => AnswerBox.Keys,
        { Task.Form: AnswerForm.Hands } => AnswerBox.Hands,
        { Task.Id: TaskIds.InferMinuteHand } => AnswerBox.HandAndTime,
        { Task.Form: AnswerForm.Words } => AnswerBox.Words,
        { Task.Form: AnswerForm.Verdict, Claim: Clocks.WordsAnswer } => AnswerBox.VerdictInWords,
        { Task.Form: AnswerForm.Verdict } => AnswerBox.Verdict,
        { Task.Form: AnswerForm.Hour } => AnswerBox.HourPlace,
        { Task.Form: AnswerForm.Places } => AnswerBox.Places,
        { Task.Form: AnswerForm.Several, Clocks.Count: > 0 } => AnswerBox.Pairs,
        { Task.Form: AnswerForm.Several } => AnswerBox.Several,
        { Task.Id: TaskIds.ChooseClock } => AnswerBox.Clocks,
        { Task.Chosen: true } => AnswerBox.Times,
        _ => AnswerBox.Keys,
    };

    /// <summary>Whether the hour hand and the minute hand of an item can be moved; both stand still where none is placed.</summary>
    public static (bool Hour, bool Minute) LooseHands(Item item) =>
        item.Task == ClockTasks.RepairClock ? (true, true)
        : item.Task == ClockTasks.InferMinuteHand ? (false, true)
        : item.Right is Clocks.PlacedAnswer right ? (right.Hour is not null, right.Minute is not null)
        : (false, false);

    /// <summary>Whether both hands are set from nothing, so that they could go together.</summary>
    public static bool CanGear(Item item) => item.Right is Clocks.PlacedAnswer { Hour: not null, Minute: not null }
        && item.Task != ClockTasks.RepairClock;
}
