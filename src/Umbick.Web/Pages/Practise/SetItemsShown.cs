using Umbick.Core.Practice;

namespace Umbick.Web.Pages.Practise;

/// <summary>The items of a set as they are shown to the teacher.</summary>
/// <param name="Items">The items.</param>
/// <param name="Swapped">The address at which a place, from 1, has another item; null where the set has been given.</param>
public sealed record SetItemsShown(IReadOnlyList<SetItem> Items, Func<int, string>? Swapped = null);
