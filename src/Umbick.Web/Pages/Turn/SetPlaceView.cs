using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages.Turn;

/// <summary>What the child sees in a practice set: one question, or what came of her answer to it.</summary>
/// <param name="Place">Where she is.</param>
/// <param name="LookAgain">What to look at, when an answer was not right.</param>
/// <param name="Told">Something that has to be told; null where there is nothing.</param>
public sealed record SetPlaceView(Casework.SetPlace Place, string LookAgain, string? Told)
{
    /// <summary>The item.</summary>
    public Item Item => Place.Asked!.Item;

    /// <summary>Her latest answer; null before she has given one.</summary>
    public Answer? ChildsAnswer => (Place.Second ?? Place.First)?.ReadFor(Item);

    /// <summary>What this face shows, hand by hand, where the answer went wrong.</summary>
    public IReadOnlyList<string> Explained => FaceTold.Of(Item, ChildsAnswer, Place.Preferences);

    private Wording Wording => Place.Preferences.Wording;

    /// <summary>Whether her latest answer is right.</summary>
    public bool IsRight => Place.FirstRight || Place.SecondRight;

    /// <summary>Her answer as a clock, or null where no clock shows it.</summary>
    public HandPositions? AnswerAsClock => Face.HandsOf(ChildsAnswer is SaidRight ? Item.Claim : ChildsAnswer);

    /// <summary>Her answer in words or figures.</summary>
    public string AnswerInFigures => ChildsAnswer switch
    {
        PlacedAnswer { Hands: { } hands } => $"about {Wording.Digital(hands.Read())}",
        SaidRight => Item.Claim!.Short(Wording),
        { } answer => answer.Short(Wording),
        null => "",
    };

    /// <summary>The right answer, as it is told at last.</summary>
    public string Right => Item.Task switch
    {
        { Form: AnswerForm.Words } => Wording.Words(Item.Time),
        { Form: AnswerForm.Hour } => HourPlaces.Told(Item.Time),
        { Form: AnswerForm.Minutes } => $"{Item.Time.Minute} minutes",
        _ => Wording.Digital(Item.Time),
    };
}
