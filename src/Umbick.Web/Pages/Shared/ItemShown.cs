using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Drawing;

namespace Umbick.Web.Pages;

/// <summary>What the child looks at while they are asked.</summary>
/// <param name="Item">The item.</param>
/// <param name="Support">The help on the face.</param>
/// <param name="Label">What a screen reader says of the clock.</param>
public sealed record ItemShown(Item Item, Support Support, string Label)
{
    /// <summary>The one clock that is shown; null where there is none, or where there are several.</summary>
    public Face? Clock => Item switch
    {
        { OtherSkill.Given: OtherSkillItems.WholeFace } =>
            new Face(FaceSize.Large) { Blank = true, Label = "A clock face without numbers" },
        { Task.Id: TaskIds.NamePart, OtherSkill.Given: not "figures" } =>
            new Face(FaceSize.Large) { Hands = HandPositions.Showing(new ClockTime(10, 10)), Label = Label },
        { Task.Id: TaskIds.RepairClock, Claim: PlacedAnswer { Hands: { } wrong } } =>
            new Face(FaceSize.Large) { Hands = wrong, Support = Support, Label = Label },
        { Clocks.Count: > 0 } => null,
        { Task.ShowsClock: true } =>
            new Face(FaceSize.Large)
            {
                Hands = HandPositions.Showing(Item.Time),
                Only = Face.OnlyOf(Item.Task),
                Support = Support,
                InWords = Item.IsInWords,
                Label = Label
            },
        _ => null,
    };

    /// <summary>The clocks to choose from or to join; none where there are none.</summary>
    public IReadOnlyList<ClockTime> Clocks => ClockLetters.Clocks(Item);

    /// <summary>What stands in large letters where no clock does; null where the question says it all.</summary>
    public string? Large(Wording wording) => Item.Task.Stimulus switch
    {
        _ when Item.OtherSkill is not null => null,
        Stimulus.Words => wording.Words(Item.Time),
        Stimulus.Figures when Item.Task == ClockTasks.SetMinutes => $"{Item.Time.Minute} minutes",
        Stimulus.Figures => wording.Digital(Item.Time),
        _ => null,
    };
}
