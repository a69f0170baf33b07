using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>The one question that tells a pattern from one that looks like it.</summary>
/// <param name="Item">The question.</param>
/// <param name="Answer">What the pattern answers.</param>
/// <param name="OtherAnswer">What the other answers.</param>
public sealed record TellingApart(Item Item, Answer Answer, Answer OtherAnswer)
{
    /// <summary>
    /// Finds it: at the earliest stage, a question to which the two answer differently, so that neither may give the other's answer, and
    /// best both wrongly, for an answer that is right tells of no pattern.
    /// </summary>
    /// <param name="model">The model.</param>
    /// <param name="pattern">The pattern.</param>
    /// <param name="other">The pattern that looks like it.</param>
    /// <returns>The question; null where none tells them apart.</returns>
    public static TellingApart? Find(ReadingModel model, Pattern pattern, Pattern other)
    {
        var (held, heldOther) = (HeldPattern.Plain(model, pattern), HeldPattern.Plain(model, other));
        return ItemBank.Upto(Stage.EveryMinute, [PracticeTasks.For(pattern), PracticeTasks.For(other)])
            .Select(item => new TellingApart(item, held.AnswerTo(item), heldOther.AnswerTo(item)))
            .Where(apart => !apart.Answer.Equals(apart.OtherAnswer))
            .OrderByDescending(apart => !held.MayAnswer(apart.Item, apart.OtherAnswer) && !heldOther.MayAnswer(apart.Item, apart.Answer))
            .ThenByDescending(apart => held.IsTelling(apart.Item) && heldOther.IsTelling(apart.Item))
            .ThenBy(apart => Stages.FirstWith(apart.Item.Time.Minute))
            .ThenBy(apart => Math.Abs(apart.Item.Time.Hour - 7))
            .FirstOrDefault();
    }
}
