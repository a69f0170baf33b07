using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>An answer is given again whatever is asked: it comes of the answers before and of no step of a reading.</summary>
public sealed class RepeatingRule() : StepRule(Step.Answering);
