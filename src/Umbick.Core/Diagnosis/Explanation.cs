using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>One way to explain a single answer.</summary>
/// <param name="Patterns">The patterns that together give it, in the order of the steps.</param>
/// <param name="Share">Its share among the explanations, 0 to 1, before anything else is known of the child.</param>
/// <param name="Next">The item that would tell it from the others and from reading rightly; null where none would.</param>
/// <param name="NextAnswer">What it would answer to that item.</param>
public sealed record Explanation(IReadOnlyList<Pattern> Patterns, double Share, Item? Next, Answer? NextAnswer);

/// <summary>What could lie behind one answer.</summary>
/// <param name="IsRight">Whether the answer is right: then nothing needs explaining, though some patterns give it too.</param>
/// <param name="Explanations">At most three, the likeliest first. None where no pattern gives the answer.</param>
/// <param name="NearSlip">Whether the answer is only a minute, five minutes or an hour off, so that it may be a slip.</param>
/// <param name="AlsoRight">How many patterns read this item rightly too: where it is many, the item tells little.</param>
public sealed record Explained(bool IsRight, IReadOnlyList<Explanation> Explanations, bool NearSlip, int AlsoRight);
