using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Drawing;

namespace Umbick.Web.Pages.ChildTurn;

/// <summary>What the child sees in a practice set: one question, or what came of their answer to it.</summary>
/// <param name="Place">Where they are.</param>
/// <param name="LookAgain">What to look at, when an answer was not right.</param>
/// <param name="Message">Something that has to be told; null where there is nothing.</param>
public sealed record SetPlaceView(Casework.SetPlace Place, string LookAgain, string? Message)
{
    /// <summary>The item.</summary>
    public Item Item => Place.Asked!.Item;

    /// <summary>Their latest answer; null before they have given one.</summary>
    public Answer? ChildsAnswer => (Place.Second ?? Place.First)?.ReadFor(Item, Place.Preferences);

    /// <summary>What this face shows, hand by hand, where the answer went wrong.</summary>
    public IReadOnlyList<string> Explained => FaceInWords.For(Item, ChildsAnswer, Place.Preferences);

    /// <summary>The minutes that the short hand is checked against, once the item is settled; null where nothing is checked.</summary>
    public ClockTime? ChecksHandsAt =>
        Place.Settled && Place.Preferences.ChecksHands && Item.Time.Minute != 0
            && (Item.Task.Stimulus == Stimulus.Clock || Item.Right is PlacedAnswer) ? Item.Time : null;

    /// <summary>What the clock that is worked through shows, hand by hand.</summary>
    public IReadOnlyList<string> ExampleTold => Place.Example is { } example ? FaceInWords.For(example, null, Place.Preferences) : [];

    private Wording Wording => Place.Preferences.Wording;

    /// <summary>Whether their latest answer is right.</summary>
    public bool IsRight => Place.FirstRight || Place.SecondRight;

    /// <summary>Their answer as a clock, or null where no clock shows it.</summary>
    public HandPositions? AnswerAsClock => Face.HandsOf(Item.Meant(ChildsAnswer), Item.Time);

    /// <summary>The answer in words or figures.</summary>
    public string AnswerInFigures => AnswerText.ToldBack(ChildsAnswer, Item, Wording);

    /// <summary>The right answer, as it is told at last.</summary>
    public string Right => FaceInWords.Right(Item, Wording);

    /// <summary>The right answer to the clock that is worked through.</summary>
    public string ExampleRight => FaceInWords.Right(Place.Example!, Wording);
}
