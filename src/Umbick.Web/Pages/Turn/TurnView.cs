using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages.Turn;

/// <summary>What the child sees in a practice set: one question, or what came of her answer to it.</summary>
/// <param name="Turn">Where she is.</param>
/// <param name="LookAgain">What to look at, when an answer was not right.</param>
/// <param name="Told">Something that has to be told; null where there is nothing.</param>
public sealed record TurnView(Store.Casework.Turn Turn, string LookAgain, string? Told)
{
    /// <summary>The item.</summary>
    public Item Item => Turn.Asked!.Item;

    /// <summary>Her latest answer; null before she has given one.</summary>
    public Answer? Hers => (Turn.Second ?? Turn.First)?.ReadFor(Item);

    /// <summary>What this face shows, hand by hand, where the answer went wrong.</summary>
    public IReadOnlyList<string> Explained => FaceTold.Of(Item, Hers, Turn.Manner);

    private Wording Wording => Turn.Manner.Wording;

    /// <summary>Whether her latest answer is right.</summary>
    public bool IsRight => Turn.FirstRight || Turn.SecondRight;

    /// <summary>Her answer as a clock, or null where no clock shows it.</summary>
    public HandPositions? HersAsClock => Face.HandsOf(Hers is SaidRight ? Item.Claim : Hers);

    /// <summary>Her answer in words or figures.</summary>
    public string HersInFigures => Hers switch
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
