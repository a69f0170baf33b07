using Umbick.Core;
using System.Text.Json;
using System.Text.Json.Serialization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Casework.Files;

/// <summary>What answers say, as it is printed and kept: JSON with names that never change.</summary>
public static class DiagnosisJson
{
    /// <summary>How it is written.</summary>
    public static JsonSerializerOptions Options { get; } = new()
    {
        PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
        DefaultIgnoreCondition = JsonIgnoreCondition.Never,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>One pattern of one child.</summary>
    public sealed record PatternFinding(string Pattern, string Step, double Belief, string Label, string Shows, int Telling, int ItsWay,
        int Right, IReadOnlyList<string> Alike);

    /// <summary>The answers that show a way that nobody has listed; their places count from 1.</summary>
    public sealed record OtherWayAnswers(string Pattern, IReadOnlyList<int> Answers);

    /// <summary>One child.</summary>
    public sealed record ChildFinding(string Child, int Answers, double Guessing, IReadOnlyList<PatternFinding> Patterns,
        IReadOnlyList<int> Unexplained, IReadOnlyList<OtherWayAnswers> OtherWays);

    /// <summary>A whole file.</summary>
    public sealed record Diagnosis(string Engine, IReadOnlyList<ChildFinding> Children);

    /// <summary>What is concluded of one child. Places of unexplained answers count from 1.</summary>
    public static ChildFinding From(string child, Conclusion conclusion, IReadOnlyList<ItemAnswer> answers) => new(
        child,
        conclusion.Answers,
        Math.Round(conclusion.Guessing, 3),
        [
            .. conclusion.Findings.Select(From).Concat(conclusion.OtherWays.Select(From)).OrderByDescending(finding => finding.Belief),
            .. Beside(answers, conclusion),
        ],
        [.. conclusion.Unexplained.Select(index => index + 1)],
        [.. conclusion.OtherAt.Select(other => new OtherWayAnswers(other.Id, [.. other.Answers.Select(index => index + 1)]))]);

    private static PatternFinding From(Finding finding) => new(
        finding.Pattern.Id,
        finding.Pattern.Step.NameInFiles(),
        Math.Round(finding.Belief, 3),
        finding.Label.ToString().ToLowerInvariant(),
        finding.Shows.ToString().ToLowerInvariant(),
        finding.Evidence.Count.Telling,
        finding.Evidence.Count.ItsWay,
        finding.Evidence.Count.Right,
        [.. finding.Evidence.NotYetTold.Select(pattern => pattern.Id)]);

    private static PatternFinding From(OtherWay other) => new(
        other.Id,
        other.Step.NameInFiles(),
        Math.Round(other.Belief, 3),
        other.Label.ToString().ToLowerInvariant(),
        other.Step == Step.Placing ? "setting" : "both",
        other.Telling,
        other.Answers.Count,
        other.Right,
        []);

    private static IEnumerable<PatternFinding> Beside(IReadOnlyList<ItemAnswer> answers, Conclusion conclusion)
    {
        foreach (var step in new[] { Step.CountingOn, Step.DayHalves })
        {
            foreach (var finding in OtherSkillModel.Findings(step, answers, conclusion.Hundreds))
            {
                if (finding.Pattern is not { } pattern || finding.Belief < ModelParameters.WorthNaming || finding.Telling == 0) continue;
                yield return new PatternFinding(pattern.Id, step.NameInFiles(), Math.Round(finding.Belief, 3),
                    finding.Label.ToString().ToLowerInvariant(), "both", finding.Telling, finding.ItsWay, finding.Telling - finding.ItsWay,
                    []);
            }
        }
    }
}
