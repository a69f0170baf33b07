using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>What is believed of one prerequisite skill.</summary>
/// <param name="Skill">The skill.</param>
/// <param name="Known">The belief that it is there, 0 to 1.</param>
/// <param name="Asked">How many questions were asked for it.</param>
public sealed record SkillBelief(string Skill, double Known, int Asked)
{
    /// <summary>From this belief on a skill is there; below one minus this it is not.</summary>
    public const double Sure = 0.9;

    /// <summary>Whether the skill is there, in a word.</summary>
    public string InAWord => Known switch
    {
        >= Sure => "yes",
        < 1 - Sure => "no",
        >= 0.5 => "probably",
        _ => "probably not",
    };

    /// <summary>Every skill that was asked for.</summary>
    public static IReadOnlyList<SkillBelief> From(IEnumerable<ItemAnswer> answers) =>
    [
        .. from given in answers
           where given.Item.OtherSkill?.Skill is not null
           group given by given.Item.OtherSkill!.Skill! into skill
           select new SkillBelief(skill.Key, Believed(skill), skill.Count()),
    ];

    /// <summary>Whether these answers say that the child does not yet count in fives.</summary>
    public static bool NotYetCountingInFives(IEnumerable<ItemAnswer> answers) =>
        From(answers).Any(skill => skill.Skill == OtherSkillItems.CountsInFives && skill.Known < 1 - Sure);

    private static double Believed(IEnumerable<ItemAnswer> answers)
    {
        var (known, not) = (ModelParameters.SkillPrior, 1 - ModelParameters.SkillPrior);
        foreach (var given in answers)
        {
            var question = given.Item.OtherSkill!;
            var right = given.Telling is TextAnswer text && question.IsRight(text.Text);
            var guessed = Math.Max(ModelParameters.RightWhenNotKnown, question.Choices.Count > 0 ? 1.0 / question.Choices.Count : 0);
            known *= right ? ModelParameters.RightWhenKnown : 1 - ModelParameters.RightWhenKnown;
            not *= right ? guessed : 1 - guessed;
        }
        return known / (known + not);
    }
}
