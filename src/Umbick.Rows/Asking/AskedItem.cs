using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>An item as it was asked.</summary>
public sealed record AskedItem(int Place, Item Item, Support Support, string Why);
