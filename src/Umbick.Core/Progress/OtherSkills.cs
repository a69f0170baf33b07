using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Core.Progress;

/// <summary>
/// What the answers say beside the reading of clocks: prerequisite skills, counting on, the halves of the day, a sense of time.
/// </summary>
/// <param name="Skills">The prerequisite skills that were asked for.</param>
/// <param name="Findings">The patterns beside reading that are possible or likely, and have shown themselves.</param>
/// <param name="Felt">How far off each stop by feeling was, in words.</param>
public sealed record OtherSkills(IReadOnlyList<SkillBelief> Skills, IReadOnlyList<OtherSkillFinding> Findings, IReadOnlyList<string> Felt)
{
    /// <summary>A stop this near, in seconds, is exact: nobody presses nearer.</summary>
    private const double Exact = 0.05;

    /// <summary>Whether there is anything to say.</summary>
    public bool IsEmpty => Skills.Count + Findings.Count + Felt.Count == 0;

    /// <summary>Reads it off a child's answers; those that are a reading of a clock say nothing here.</summary>
    /// <param name="answers">All answers.</param>
    /// <param name="hundreds">The belief, 0 to 1, that a quarter is 25 or a half is 50.</param>
    public static OtherSkills From(IEnumerable<ItemAnswer> answers, double hundreds)
    {
        var given = answers.Where(answer => answer.Item.OtherSkill is not null).ToList();
        var findings = new[] { Step.CountingOn, Step.DayHalves }
            .SelectMany(step => OtherSkillModel.Findings(step, given, hundreds))
            .Where(finding => finding is { Pattern: not null, Label: Label.Likely or Label.Possible, ItsWay: > 0 });
        return new OtherSkills([.. SkillBelief.From(given)], [.. findings], [.. given.Select(Stopped).OfType<string>()]);
    }

    private static string? Stopped(ItemAnswer given)
    {
        var question = given.Item.OtherSkill!;
        if (given.Answer is not TextAnswer { Text: var text } || question.SecondsOff(text) is not { } off) return null;
        var seconds = Math.Abs(off).ToString("0.#", CultureInfo.InvariantCulture);
        return $"{question.Right} seconds: {(Math.Abs(off) < Exact ? "exactly" : off < 0 ? $"{seconds} too early" : $"{seconds} too late")}";
    }
}
