using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Web.Pages.Children;

/// <summary>A decision that is offered.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Offer">What is offered.</param>
/// <param name="Id">The id that the decision would have: sending the page twice decides once.</param>
/// <param name="Seen">What the page that offers it follows from.</param>
/// <param name="Wrong">Which clocks stay wrong in the cold starts it rests on; null where none does.</param>
public sealed record OfferShown(Pattern Pattern, Offer Offer, DecisionId Id, string Seen, StaysWrong? Wrong)
{
    /// <summary>What is read.</summary>
    public OfferText Text => DecisionTexts.For(Offer);
}
