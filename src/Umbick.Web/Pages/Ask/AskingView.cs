using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Casework;

namespace Umbick.Web.Pages.Ask;

/// <summary>A child's turn on a clock that several share.</summary>
/// <param name="Alias">The child.</param>
/// <param name="Sitting">Their sitting.</param>
/// <param name="IsHere">Whether it is their turn.</param>
/// <param name="IsOver">Whether their sitting is over.</param>
public sealed record TurnInGroup(string Alias, SittingId Sitting, bool IsHere, bool IsOver);

/// <summary>A sitting as the asking page shows it.</summary>
/// <param name="Record">The child's record.</param>
/// <param name="Sitting">This sitting with its questions.</param>
/// <param name="Ready">Wrong answers that stand ready.</param>
/// <param name="Offer">A reason to stop now, which they may take or leave.</param>
/// <param name="Group">The children who share the clock; none where they are alone.</param>
/// <param name="Message">Something to tell the teacher; null where there is nothing.</param>
/// <param name="Typed">What stands in the field.</param>
public sealed record AskingView(
    ChildRecord Record, SittingRecord Sitting, IReadOnlyList<ReadyAnswer> Ready, StopReason Offer, IReadOnlyList<TurnInGroup> Group, string? Message, string Typed)
{
    /// <summary>The code that opens this sitting on another device, just after it was made.</summary>
    public string? Code { get; init; }

    /// <summary>What was typed that cannot be read: sent once more, it is kept as it is.</summary>
    public string? Unreadable { get; init; }

    /// <summary>The question being asked; null when the sitting is over.</summary>
    public ItemResponse? Current =>
        Sitting.Sitting.EndedAt is null ? Sitting.Questions.FirstOrDefault(question => question.Asked.Place == Sitting.Sitting.CurrentPlace) : null;

    /// <summary>The id of the answer that this page will send: sending the page twice is one answer.</summary>
    public Guid AnswerId { get; } = Guid.CreateVersion7();

    /// <summary>How many questions were answered.</summary>
    public int Answered => Sitting.Answered.Count();

    /// <summary>Whether the child answers on a screen of their own.</summary>
    public bool OnScreen => Sitting.Sitting.Delivery == DeliveryMode.OnChildsScreen;

    /// <summary>Whether the teacher sets their own clock.</summary>
    public bool OwnClock => Sitting.Sitting.Delivery == DeliveryMode.OwnClock;

    /// <summary>What can be said of stopping, or null.</summary>
    public string? OfferText => Offer switch
    {
        StopReason.NoAnswers => "Three in a row without an answer. You could end on an easy one.",
        StopReason.Clear => "The answers are clear enough. You could end on an easy one.",
        _ => null,
    };

    /// <summary>How an answer of this kind is typed.</summary>
    public static string Typing(Item item, Wording wording) => AnswerBoxes.Of(item) switch
    {
        AnswerBox.Hands => AnswerBoxes.LooseHands(item) switch
        {
            (true, false) => "Where the short hand was put, in hours, then a bar: 7.5|",
            (false, true) => "A bar, then where the long hand was put, in minutes: |40",
            _ when item.Task == ClockTasks.RepairClock => "Only the hand that was moved: 7.5| or |40",
            _ => "Short hand in hours, bar, long hand in minutes: 7.5|40",
        },
        AnswerBox.HandAndTime => wording.Fill("A bar, where the long hand was put in minutes, and the time: |25 8:25. The time alone will do, too"),
        AnswerBox.HourPlace => "The hour, and where: 6 on, 6 little past, 6 halfway, 6 nearly next",
        AnswerBox.Places => "Like this: between 8 and 9, 7. Or: on 12, 9",
        AnswerBox.Pairs => wording.Fill("Clock and time: A=6:20; B=7:45"),
        AnswerBox.Several => wording.Fill("All that are named, with semicolons: 6:45; quarter {to} 7"),
        AnswerBox.Numerals => "The numbers from the top, clockwise: 12 1 2 3 …",
        AnswerBox.Feel => "The seconds after which the child stopped: 27.5",
        AnswerBox.Clocks => "The letter or the time of the clock that is pointed to",
        AnswerBox.Choice or AnswerBox.Times => "What the child chooses, or press it below",
        _ when item.OtherSkill is not null => "Just as the child says or writes it",
        _ => wording.Fill("Just as the child gives it: 8:35, 835, quarter {to} nine, 25 {past} 6"),
    };

    /// <summary>The answers that they can point to; none where the answer is free.</summary>
    public static IReadOnlyList<(string Raw, string Shown)> Pointed(Item item, Wording wording) => item switch
    {
        { OtherSkill.Choices: { Count: > 0 } choices } => [.. choices.Select(choice => (choice, wording.Fill(choice)))],
        { Task.Id: TaskIds.ChooseClock } => [.. item.Choices.Select((choice, i) => (choice.Short(Wording.Usual), $"{ClockLetters.Of(i)}"))],
        { Task.Id: TaskIds.ChooseTime } => [.. item.Choices.Select(choice => (choice.Short(Wording.Usual), AnswerText.ToChoose(choice, wording)))],
        _ => [],
    };
}
