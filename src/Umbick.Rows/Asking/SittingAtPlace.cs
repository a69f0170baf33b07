using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Rows;

/// <summary>A sitting with what an answer to one of its places is read by.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Preferences">How clocks are taught, said and drawn for its child.</param>
/// <param name="Item">The item at the place, also one that was taken back; null where none was asked there.</param>
public sealed record SittingAtPlace(Sitting Sitting, TeachingPreferences Preferences, Item? Item);
