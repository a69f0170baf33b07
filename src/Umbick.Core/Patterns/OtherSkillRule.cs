using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>A way of answering questions that are no reading of a clock: each answers one question outright.</summary>
/// <param name="step">Counting on, or the halves of the day.</param>
/// <param name="answer">What it answers to a question, as it would be typed; null where it is right.</param>
public sealed class OtherSkillRule(Step step, Func<Items.OtherSkillItem, string?> answer) : StepRule(step)
{
    /// <summary>What this way answers to a question, as it would be typed; null where it answers rightly.</summary>
    public string? AnswerTo(Items.OtherSkillItem question) => answer(question);
}
