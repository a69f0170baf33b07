using Umbick.Core.Clocks;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>How a telling item came out.</summary>
public enum TellingOutcome
{
    /// <summary>As the pattern would answer.</summary>
    ItsWay,

    /// <summary>Right.</summary>
    Right,

    /// <summary>Neither.</summary>
    Otherwise,
}

/// <summary>An item at which a pattern and the same child without it would answer differently, and what was answered.</summary>
/// <param name="Index">The answer's place among all the answers that were looked at, from 0.</param>
/// <param name="Given">The answer.</param>
/// <param name="Expected">What the pattern would answer.</param>
/// <param name="Outcome">How it came out.</param>
public sealed record TellingAnswer(int Index, GivenAnswer Given, Answer Expected, TellingOutcome Outcome);

/// <summary>What the answers say for and against one pattern.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Answers">The answers at telling items, in the order in which they were given.</param>
/// <param name="NotYetTold">Look-alikes that no answer has told it from yet.</param>
public sealed record Evidence(Pattern Pattern, IReadOnlyList<TellingAnswer> Answers, IReadOnlyList<Pattern> NotYetTold)
{
    /// <summary>A procedure that gives an answer this often or more fits it.</summary>
    private const double Fitting = 0.1;

    /// <summary>How many telling items went the pattern's way without help.</summary>
    public int ItsWay => Answers.Count(answer => answer.Outcome == TellingOutcome.ItsWay && !answer.Given.Helped);

    /// <summary>How many telling items were right.</summary>
    public int Right => Answers.Count(answer => answer.Outcome == TellingOutcome.Right);

    /// <summary>Gathers the evidence for a pattern, in the light of the best-supported procedure that holds it.</summary>
    public static Evidence For(Pattern pattern, ReadingModel model, Belief belief, IReadOnlyList<GivenAnswer> answers)
    {
        var space = model.Space;
        var with = belief.Best(pattern);
        var without = space.With(with, pattern.Step, 0);
        var alike = pattern.Alike
            .Select(id => model.Patterns.FirstOrDefault(other => other.Id == id))
            .OfType<Pattern>()
            .ToDictionary(other => other, other => Instead(space, without, other));
        var told = new HashSet<Pattern>();
        var telling = new List<TellingAnswer>();
        for (var index = 0; index < answers.Count; index++)
        {
            if (model.Match(answers[index]) is not var (prediction, answer)) continue;
            var itsAnswer = prediction.LikeliestOf(prediction.SubSpace.PartOf(with));
            var otherAnswer = prediction.LikeliestOf(prediction.SubSpace.PartOf(without));
            var fits = prediction.Fits(answer);
            var fitsWith = prediction.ChanceOf(prediction.SubSpace.PartOf(with), fits) > Fitting;
            // A look-alike is told apart wherever this pattern fits the answer and the look-alike does not, telling or not.
            if (fitsWith) told.UnionWith(alike.Where(other => prediction.ChanceOf(prediction.SubSpace.PartOf(other.Value), fits) < Fitting).Select(other => other.Key));
            if (itsAnswer == otherAnswer) continue;
            // A pattern may have several answers to one item; any of them goes its way unless the same child without it gives it too.
            var itsWay = fitsWith && prediction.ChanceOf(prediction.SubSpace.PartOf(without), fits) < Fitting;
            var outcome = itsWay ? TellingOutcome.ItsWay : fits[prediction.RightId] >= 1 ? TellingOutcome.Right : TellingOutcome.Otherwise;
            telling.Add(new TellingAnswer(index, answers[index], prediction.Answers[itsAnswer], outcome));
        }
        return new Evidence(pattern, telling, [.. alike.Keys.Where(other => !told.Contains(other))]);
    }

    private static int Instead(ProcedureSpace space, int without, Pattern other)
    {
        var choices = space.At(other.Step);
        var choice = Enumerable.Range(0, choices.Count).First(i => choices[i].Pattern == other);
        return space.With(without, other.Step, choice);
    }
}
