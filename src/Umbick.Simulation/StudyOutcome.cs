using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>How a sitting with one simulated child came out.</summary>
/// <param name="True">The ids of the patterns they have.</param>
/// <param name="Found">The ids of the patterns believed at 0.5 or more.</param>
/// <param name="Called">The ids of the patterns called likely.</param>
/// <param name="Answers">What was asked and answered.</param>
/// <param name="Beliefs">The belief in each pattern, 0 to 1.</param>
/// <param name="Guessing">The belief that they guess, 0 to 1.</param>
public sealed record StudyOutcome(
    IReadOnlySet<string> True,
    IReadOnlySet<string> Found,
    IReadOnlySet<string> Called,
    IReadOnlyList<(Item Item, Core.Clocks.Answer Answer)> Answers,
    IReadOnlyDictionary<string, double> Beliefs,
    double Guessing)
{
    /// <summary>After how many answers a sitting might have stopped, all being clear; null where it was not.</summary>
    public int? ClearAfter { get; init; }

    /// <summary>Whether it is told that much goes wrong, and nothing stands out.</summary>
    public bool MuchWrong { get; init; }

    /// <summary>The share of answers that came right, 0 to 1.</summary>
    public double RightShare =>
        Answers.Average(answer => Scoring.IsRight(answer.Item, answer.Answer, answer.Item.Task.Taken, Stage.EveryMinute) ? 1.0 : 0);

    /// <summary>From this belief on a pattern is found.</summary>
    public const double FoundFrom = 0.5;

    /// <summary>Whether just their patterns were found.</summary>
    public bool Exact => Found.SetEquals(True);

    /// <summary>Whether something was called that they do not have.</summary>
    public bool WronglyCalled => Called.Except(True).Any();
}
