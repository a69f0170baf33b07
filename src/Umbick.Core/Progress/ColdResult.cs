using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Core.Progress;

/// <summary>How one telling answer of a cold start came out.</summary>
/// <param name="Outcome">How it came out.</param>
/// <param name="BySetting">Whether a clock was set.</param>
public sealed record ColdAnswer(TellingOutcome Outcome, bool BySetting = false)
{
    /// <summary>
    /// Holds an answer against the pattern that the cold start was for, in any of its variants: it does not matter what else is believed of
    /// the child, so that an answer of long ago still says the same.
    /// </summary>
    /// <param name="model">The model.</param>
    /// <param name="pattern">The pattern.</param>
    /// <param name="given">The answer.</param>
    /// <param name="isRight">Whether it was scored right.</param>
    public static ColdAnswer From(ReadingModel model, Pattern pattern, ItemAnswer given, bool isRight)
    {
        var bySetting = given.Item.Task.Form == Items.AnswerForm.Hands;
        if (isRight) return new ColdAnswer(TellingOutcome.Right, bySetting);
        var choices = model.Space.At(pattern.Step);
        var ways = Enumerable.Range(0, choices.Count).Where(state => choices[state].Holds(pattern))
            .Select(state => model.Space.With(0, pattern.Step, state)).ToList();
        var itsWay = model.Observe(given).Any(seen => ways.Exists(way => seen.ChanceOf(way) > ModelParameters.FittingFrom));
        return new ColdAnswer(itsWay ? TellingOutcome.ItsWay : TellingOutcome.Otherwise, bySetting);
    }
}

/// <summary>How a cold start came out: a few clocks without help, before anything is said. Decisions rest on these.</summary>
/// <param name="Id">The id of its sitting.</param>
/// <param name="Day">Its day.</param>
/// <param name="Telling">Its telling answers, in order.</param>
public sealed record ColdResult(SittingId Id, DateOnly Day, IReadOnlyList<ColdAnswer> Telling)
{
    /// <summary>How many telling items it has where it was not broken off.</summary>
    public const int Whole = ColdStart.Telling;

    /// <summary>How many came right.</summary>
    public int Right => Telling.Count(answer => answer.Outcome == TellingOutcome.Right);

    /// <summary>How many went the pattern's way.</summary>
    public int ItsWay => Telling.Count(answer => answer.Outcome == TellingOutcome.ItsWay);

    /// <summary>Whether it was not broken off.</summary>
    public bool IsWhole => Telling.Count >= Whole;
}
