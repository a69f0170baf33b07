using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>What is believed of one way of counting on, or of telling the halves of the day.</summary>
/// <param name="Pattern">The pattern; null for the correct way.</param>
/// <param name="Belief">The belief in it, 0 to 1.</param>
/// <param name="Telling">How many of its telling questions were asked.</param>
/// <param name="ItsWay">How many went its way.</param>
public sealed record OtherSkillFinding(Pattern? Pattern, double Belief, int Telling, int ItsWay)
{
    /// <summary>What it is called.</summary>
    public Label Label => Conclusion.LabelOf(Belief, ItsWay > 0, ItsWay >= ModelParameters.TellingNeeded);
}

/// <summary>
/// A small model beside the reading: the correct way and the patterns of one step, each of which answers outright. It is computed exactly,
/// by Bayes' rule, apart from the joint space.
/// </summary>
public static class OtherSkillModel
{
    /// <summary>What these answers say of a step.</summary>
    /// <param name="step">Counting on, or the halves of the day.</param>
    /// <param name="answers">All answers; those that are no question of this step say nothing.</param>
    /// <param name="hundreds">The belief, 0 to 1, that a quarter is 25 or a half is 50: who thinks so is more
    /// likely to count in hundreds.</param>
    public static IReadOnlyList<OtherSkillFinding> Findings(Step step, IEnumerable<ItemAnswer> answers, double hundreds = 0)
    {
        var patterns = Catalogue.All.Where(pattern => pattern.Step == step).ToList();
        var priors = patterns.Select(pattern =>
            pattern.Id == "hundred-minutes" ? pattern.Weight * (1 + ((ModelParameters.HundredsLink - 1) * hundreds)) : pattern.Weight)
                .ToList();
        var shares = priors.Prepend(1 - priors.Sum()).ToArray();
        var telling = new int[patterns.Count];
        var itsWay = new int[patterns.Count];
        foreach (var given in answers)
        {
            if (given.Item.OtherSkill is not { Kind: not (QuestionKind.Skill or QuestionKind.Feel or QuestionKind.Unreadable) } question
                || given.Telling is not TextAnswer { Text: var text }) continue;
            if (!Concerns(step, question)) continue;
            var right = question.IsRight(text);
            shares[0] *= Chance(right, right, question);
            for (var i = 0; i < patterns.Count; i++)
            {
                var its = ((OtherSkillRule)patterns[i].Rule).AnswerTo(question);
                var same = its is null ? right : OtherSkillItem.Same(its, text);
                shares[i + 1] *= Chance(same, right, question);
                if (its is null) continue;
                telling[i]++;
                if (same) itsWay[i]++;
            }
        }
        var total = shares.Sum();
        return [new OtherSkillFinding(null, shares[0] / total, 0, 0),
            .. patterns.Select((pattern, i) => new OtherSkillFinding(pattern, shares[i + 1] / total, telling[i], itsWay[i]))];
    }

    /// <summary>The patterns that answer just so to a question.</summary>
    public static IReadOnlyList<Pattern> Explaining(OtherSkillItem question, string answer) =>
        [.. Catalogue.All.Where(pattern =>
            pattern.Rule is OtherSkillRule way && way.AnswerTo(question) is { } its && OtherSkillItem.Same(its, answer))];

    private static bool Concerns(Step step, OtherSkillItem question) =>
        (step == Step.DayHalves) == (question.Kind is QuestionKind.HalfOfDay or QuestionKind.DayTime);

    private static double Chance(bool itsAnswer, bool right, OtherSkillItem question)
    {
        var chance = question.Choices.Count > 0 ? 1.0 / question.Choices.Count : ModelParameters.ChanceOfOtherAnswer;
        return (itsAnswer ? ModelParameters.FollowsOtherPattern : 0)
            + ((1 - ModelParameters.FollowsOtherPattern) * ((right ? ModelParameters.RightOtherwise : 0)
            + ((1 - ModelParameters.RightOtherwise) * chance)));
    }
}
