using Umbick.Core.Diagnosis;
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
}
