using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;

namespace Umbick.Rows;

/// <summary>One pattern's marginal after a sitting.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Belief">The belief in it, 0 to 1.</param>
/// <param name="Label">What it was called.</param>
/// <param name="PracticeOrder">Its place among what should be practised, from 0; null where it need not be.</param>
public sealed record Marginal(Pattern Pattern, double Belief, Label Label, int? PracticeOrder);
