using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>What an item does in a set.</summary>
public enum SetPart
{
    /// <summary>Something the child can do already.</summary>
    Secure,

    /// <summary>The first of a pair: the pattern and the right reading give the same.</summary>
    Agree,

    /// <summary>The second of a pair: here they part.</summary>
    Differ,

    /// <summary>A claim to be judged, true as often as not; or hands to be put right.</summary>
    Judge,

    /// <summary>Once more where they part.</summary>
    Again,

    /// <summary>The same idea in a form not yet practised, without help.</summary>
    Transfer,

    /// <summary>Without any help, to see whether it holds.</summary>
    Bare,

    /// <summary>Something they can do, to be done with less and less effort.</summary>
    Ease,
}

/// <summary>What the parts of a set are for.</summary>
public static class SetParts
{
    /// <summary>Whether its answer tells if the pattern is still there: what comes right either way tells nothing.</summary>
    public static bool IsTelling(this SetPart part) =>
        part is SetPart.Differ or SetPart.Judge or SetPart.Again or SetPart.Transfer or SetPart.Bare;
}

/// <summary>One item of a set.</summary>
/// <param name="Item">The item.</param>
/// <param name="Part">What it does here.</param>
/// <param name="Support">The help on its face.</param>
/// <param name="Why">Why it is here, as a sentence for the teacher.</param>
public sealed record SetItem(Item Item, SetPart Part, Support Support, string Why);

/// <summary>A practice set.</summary>
/// <param name="Pattern">The pattern it mends; null where it is for reading at ease.</param>
/// <param name="Items">Its items, in order.</param>
public sealed record PracticeSet(Pattern? Pattern, IReadOnlyList<SetItem> Items)
{
    /// <summary>The heading of a set for reading at ease.</summary>
    public const string AtEase = "Practise: reading at ease";

    /// <summary>What a set is called.</summary>
    public static string Heading(Pattern? pattern, Wording wording) => pattern?.TextsIn(wording).Practise ?? AtEase;
}
