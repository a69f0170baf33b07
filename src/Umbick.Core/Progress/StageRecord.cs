using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Progress;

/// <summary>How the times of one stage have come out.</summary>
/// <param name="Stage">The stage.</param>
/// <param name="Asked">How many of its times were answered without help.</param>
/// <param name="Right">How many of those were right.</param>
/// <param name="IsSecure">Whether nine of the last ten were right, on two days at least.</param>
public sealed record StageRecord(Stage Stage, int Asked, int Right, bool IsSecure)
{
    /// <summary>What it takes to be secure, where that is not there yet; null where it is secure.</summary>
    public string? Missing { get; private init; }

    private const int Last = 10;
    private const int RightNeeded = 9;
    private const int DaysNeeded = 2;

    /// <summary>Every stage of reading, in order.</summary>
    /// <param name="answers">The answers, the earliest first.</param>
    public static IReadOnlyList<StageRecord> ByStage(IEnumerable<ScoredAnswer> answers)
    {
        var byStage = answers
            .Where(answer => !answer.Helped && answer.Item.OtherSkill is null)
            .ToLookup(answer => Stages.FirstWith(answer.Item.Time.Minute));
        return [.. Stages.OfReading.Where(stage => stage != Stage.CountingInFives).Select(stage => ByStage(stage, [.. byStage[stage]]))];
    }

    private static StageRecord ByStage(Stage stage, List<ScoredAnswer> answers)
    {
        var last = answers.TakeLast(Last).ToList();
        var secure = last.Count == Last && last.Count(answer => answer.IsRight) >= RightNeeded
            && last.Select(answer => answer.Day).Distinct().Count() >= DaysNeeded;
        return new StageRecord(stage, answers.Count, answers.Count(answer => answer.IsRight), secure)
        { Missing = secure ? null : MissingOf(last) };
    }

    private static string MissingOf(List<ScoredAnswer> last)
    {
        var right = last.Count(answer => answer.IsRight);
        return last.Count < Last ? $"needs {Wording.Number(Last)} answers, {Wording.Number(RightNeeded)} of them right, on two days"
            : right < RightNeeded ? $"{right} of the last {Wording.Number(Last)} right; needs {Wording.Number(RightNeeded)}"
            : "needs another day";
    }
}
