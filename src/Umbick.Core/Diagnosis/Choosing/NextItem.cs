using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>An item to ask, and why.</summary>
/// <param name="Item">The item.</param>
/// <param name="Why">The reason, as a sentence.</param>
/// <param name="Information">What the answer is expected to tell, in bits, 0 or more.</param>
/// <param name="RightChance">The chance that it comes out right by present belief, 0 to 1.</param>
public sealed record NextItem(Item Item, string Why, double Information, double RightChance);
