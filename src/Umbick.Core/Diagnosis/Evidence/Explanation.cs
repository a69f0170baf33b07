using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>One way to explain a single answer.</summary>
/// <param name="Patterns">The patterns that together give it, in the order of the steps.</param>
/// <param name="Share">Its share among the explanations, a slip among them, 0 to 1, before anything else is known of the child.</param>
/// <param name="Next">The item that would tell it from the others and from reading rightly; null where none would.</param>
/// <param name="NextAnswer">What it would answer to that item.</param>
public sealed record Explanation(IReadOnlyList<Pattern> Patterns, double Share, Item? Next, Answer? NextAnswer);

/// <summary>How well the best explanation fits, by itself: not only better than the others.</summary>
public enum Fit
{
    /// <summary>A common pattern gives just this.</summary>
    Common,

    /// <summary>Only a rare way, or two together, gives this.</summary>
    Rare,

    /// <summary>Nothing that is known gives this more likely than a guess would.</summary>
    Nothing,
}

/// <summary>What could lie behind one answer.</summary>
/// <param name="IsRight">Whether the answer is right: then nothing needs explaining, though some patterns give it too.</param>
/// <param name="Explanations">At most three, the likeliest first. None where nothing that is known fits.</param>
/// <param name="SlipShare">The share, 0 to 1, of a slip among the explanations: a minute, five minutes or an hour off, a hand a little off;
/// 0 where it is none.</param>
/// <param name="Fit">How well the best of them fits.</param>
/// <param name="AlsoRight">How many patterns read this item rightly too: where it is many, the item tells little.</param>
public sealed record Explained(bool IsRight, IReadOnlyList<Explanation> Explanations, double SlipShare, Fit Fit, int AlsoRight)
{
    /// <summary>Whether a slip is likelier than each of them.</summary>
    public bool IsSlipFirst => Explanations.Count > 0 && SlipShare > Explanations[0].Share;
}
