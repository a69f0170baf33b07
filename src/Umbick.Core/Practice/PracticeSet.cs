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

    /// <summary>The pattern's own answer, to be judged.</summary>
    Judge,

    /// <summary>The same idea the other way round.</summary>
    Transfer,

    /// <summary>Without any help, to see whether it holds.</summary>
    Bare,
}

/// <summary>One item of a set.</summary>
/// <param name="Item">The item.</param>
/// <param name="Part">What it does here.</param>
/// <param name="Support">The help on its face.</param>
/// <param name="Why">Why it is here, as a sentence for the teacher.</param>
public sealed record SetItem(Item Item, SetPart Part, Support Support, string Why);

/// <summary>A practice set, made for one pattern.</summary>
public sealed record PracticeSet(Pattern Pattern, IReadOnlyList<SetItem> Items);
