using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Drawing;

/// <summary>A sheet of clocks to be done with a pencil. It never names an idea or a pattern.</summary>
/// <param name="Items">The items, in order, with the help on their faces.</param>
/// <param name="Preferences">How clocks are drawn and times are said.</param>
public sealed record PaperSheet(IReadOnlyList<(Item Item, Support Support)> Items, TeachingPreferences Preferences)
{
    /// <summary>What every sheet is called.</summary>
    public const string Title = "Clocks";

    /// <summary>Whose it is; null where a line is left for the name.</summary>
    public string? Alias { get; init; }

    /// <summary>The code by which its answers are entered; null where none can be.</summary>
    public string? Code { get; init; }

    /// <summary>Which form it is, by its letter; null where it is none.</summary>
    public string? Form { get; init; }
}
