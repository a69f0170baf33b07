using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Web.Pages.Children;

/// <summary>A decision that is offered.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Offer">What is offered.</param>
/// <param name="Id">The id that the decision would have: sending the page twice decides once.</param>
public sealed record OfferShown(Pattern Pattern, Offer Offer, DecisionId Id)
{
    /// <summary>What is read.</summary>
    public OfferText Text => DecisionTexts.For(Offer);
}
