using Umbick.Core.Diagnosis;
using Umbick.Casework;

namespace Umbick.Web.Pages.Ask;

/// <summary>A sitting as the asking page shows it.</summary>
/// <param name="At">Where it is.</param>
/// <param name="Message">Something to tell the teacher; null where there is nothing.</param>
/// <param name="Typed">What stands in the field.</param>
public sealed record AskingView(AskingShown At, string? Message, string Typed)
{
    /// <summary>The code that opens this sitting on another device, just after it was made.</summary>
    public string? Code { get; init; }

    /// <summary>What was typed that cannot be read: sent once more, it is kept as it is.</summary>
    public string? Unreadable { get; init; }

    public SittingRecord Sitting => At.Sitting;

    /// <summary>The question being asked; null when the sitting is over.</summary>
    public ItemResponse? Current => At.Current;

    /// <summary>The id of the answer that this page will send: sending the page twice is one answer.</summary>
    public AnswerId AnswerId { get; } = AnswerId.New();

    /// <summary>How many questions were answered.</summary>
    public int Answered => Sitting.Answered.Count();

    /// <summary>Whether the child answers on a screen of their own.</summary>
    public bool OnScreen => Sitting.Sitting.Delivery == DeliveryMode.OnChildsScreen;

    /// <summary>Whether the teacher sets their own clock.</summary>
    public bool OwnClock => Sitting.Sitting.Delivery == DeliveryMode.OwnClock;

    /// <summary>What can be said of stopping, or null.</summary>
    public string? OfferText => At.Offer switch
    {
        StopReason.NoAnswers => "Three in a row without an answer. You could end on an easy one.",
        StopReason.Clear => "The answers are clear enough. You could end on an easy one.",
        StopReason.ManyWrong => "Four in a row went wrong. You could end on an easy one.",
        _ => null,
    };

    /// <summary>Whether this is the last question and something stays possible, so that a few more are offered.</summary>
    public bool OffersMore => Sitting.Sitting.Plan == Plan.Adaptive && Current is { Given: null }
        && Answered == Sitting.Sitting.Length - 1 && Sitting.Sitting.Length + Asking.More <= Asking.Longest
        && At.Evidence.Told.Any(finding => finding.Label == Label.Possible);
}
