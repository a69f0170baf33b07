using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages;

/// <summary>A question on paper.</summary>
/// <param name="Item">The item.</param>
/// <param name="Support">The help on its face.</param>
public sealed record SheetItem(Item Item, Support Support)
{
    /// <summary>What the child answers it with; on paper each has lines to write on, rings to tick or an empty face to draw on.</summary>
    public AnswerBox Box => AnswerBoxes.BoxFor(Item);

    /// <summary>The clock that is printed; null where there is none, or where there are several.</summary>
    public Face? Clock
    {
        get
        {
            if (Box is not (AnswerBox.Hands or AnswerBox.HandAndTime) || Item.Task == ClockTasks.RepairClock
                || Item.Task == ClockTasks.CopyClock)
                return new ItemShown(Item, Support, "A clock").Clock;
            var (hour, minute) = AnswerBoxes.LooseHands(Item);
            return new Face(FaceSize.Large)
            {
                Hands = (hour && minute) || Item.Task == ClockTasks.SetMinutes ? null : HandPositions.Showing(Item.Time),
                Only = hour ? OneHand.Minute : OneHand.Hour,
                Label = "A clock to draw on",
            };
        }
    }

    /// <summary>Several clocks with letters; none where there is one or none.</summary>
    public IReadOnlyList<ClockTime> Clocks => ClockLetters.Clocks(Item);

    /// <summary>Whether an empty face stands beside the clock, to be drawn on.</summary>
    public bool HasEmptyFace => Item.Task == ClockTasks.CopyClock || Item.Task == ClockTasks.RepairClock;

    /// <summary>What there is to tick, as it is said here; none where the answer is written.</summary>
    public IReadOnlyList<string> Choices(Wording wording) =>
        Item.OtherSkill is { } question ? [.. question.Choices.Select(wording.Fill)]
        : Box is AnswerBox.Clocks ? [.. Clocks.Select((_, i) => $"{ClockLetters.LetterAt(i)}")]
        : [.. Item.Choices.Select(choice => AnswerText.ToChoose(choice, wording))];
}
