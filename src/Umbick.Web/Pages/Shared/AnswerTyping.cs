using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Pages;

/// <summary>How a teacher types what a child answers.</summary>
public static class AnswerTyping
{
    /// <summary>How an answer of this kind is typed.</summary>
    public static string How(Item item, Wording wording) => AnswerBoxes.BoxFor(item) switch
    {
        AnswerBox.Hands => AnswerBoxes.LooseHands(item) switch
        {
            (true, false) => "Where the short hand was put, in hours, then a bar: 7.5|",
            (false, true) => "A bar, then where the long hand was put, in minutes: |40",
            _ when item.Task == ClockTasks.RepairClock => "Only the hand that was moved: 7.5| or |40",
            _ => "The short hand, then the long one: on 7, just past 7, half 7 (halfway on), nearly 8; then its minutes, or @ and its "
                + "numeral. So: half 7 40, or nearly 8 @9",
        },
        AnswerBox.HandAndTime =>
            wording.Fill("A bar, where the long hand was put in minutes, and the time: |25 8:25. The time alone will do, too"),
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
        { Task.Id: TaskIds.ChooseClock } =>
            [.. item.Choices.Select((choice, i) => (choice.Short(Wording.Usual), $"{ClockLetters.LetterAt(i)}"))],
        { Task.Id: TaskIds.ChooseTime } =>
            [.. item.Choices.Select(choice => (choice.Short(Wording.Usual), choice.ToChoose(wording)))],
        _ => [],
    };
}
