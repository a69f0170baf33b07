using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Store.Casework;

namespace Umbick.Web.Pages.Children;

/// <summary>What the answers say beside the reading of clocks: ground skills, counting on, the halves of the day, a sense of time.</summary>
public sealed record Beside(IReadOnlyList<SkillBelief> Skills, IReadOnlyList<SideFinding> Findings, IReadOnlyList<string> Felt)
{
    /// <summary>Whether there is anything to say.</summary>
    public bool IsEmpty => Skills.Count + Findings.Count + Felt.Count == 0;

    /// <summary>Reads it off a child's record.</summary>
    public static Beside Of(ChildRecord record)
    {
        var given = record.Sittings.SelectMany(sitting => sitting.Answered).Select(ChildRecord.AsGiven).Where(answer => answer.Item.Question is not null).ToList();
        var findings = new[] { Step.CountingOn, Step.DayHalves }
            .SelectMany(step => SideModel.Of(step, given))
            .Where(finding => finding is { Pattern: not null, Belief: >= Conclusion.PossibleFrom, ItsWay: > 0 });
        return new Beside([.. SkillBelief.Of(given)], [.. findings], [.. given.Select(Stopped).OfType<string>()]);
    }

    /// <summary>How sure it is that a skill is there, in a word.</summary>
    public static string Sure(SkillBelief skill) => skill.Known switch
    {
        >= SkillBelief.Sure => "yes",
        < 1 - SkillBelief.Sure => "no",
        >= 0.5 => "probably",
        _ => "probably not",
    };

    private static string? Stopped(GivenAnswer given)
    {
        var question = given.Item.Question!;
        if (given.Answer is not Core.Clocks.TextAnswer { Text: var text } || question.SecondsOff(text) is not { } off) return null;
        var seconds = Math.Abs(off).ToString("0.#", CultureInfo.InvariantCulture);
        return $"{question.Right} seconds: {(Math.Abs(off) < 0.05 ? "exactly" : off < 0 ? $"{seconds} too early" : $"{seconds} too late")}";
    }
}
