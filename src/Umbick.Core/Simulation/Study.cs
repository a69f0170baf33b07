using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Core.Simulation;

/// <summary>How a sitting with one simulated child came out.</summary>
/// <param name="True">The ids of the patterns they have.</param>
/// <param name="Found">The ids of the patterns believed at 0.5 or more.</param>
/// <param name="Called">The ids of the patterns called likely.</param>
/// <param name="Answers">What was asked and answered.</param>
public sealed record StudyOutcome(
    IReadOnlySet<string> True, IReadOnlySet<string> Found, IReadOnlySet<string> Called, IReadOnlyList<(Item Item, Clocks.Answer Answer)> Answers)
{
    /// <summary>From this belief on a pattern is found.</summary>
    public const double FoundFrom = 0.5;

    /// <summary>Whether just their patterns were found.</summary>
    public bool Exact => Found.SetEquals(True);

    /// <summary>Whether something was called that they do not have.</summary>
    public bool WronglyCalled => Called.Except(True).Any();
}

/// <summary>What a row of children came to.</summary>
/// <param name="Outcomes">One for each child.</param>
public sealed record StudyRow(IReadOnlyList<StudyOutcome> Outcomes)
{
    /// <summary>The share of children of whom just their patterns were found, 0 to 1.</summary>
    public double Exact => Outcomes.Average(outcome => outcome.Exact ? 1.0 : 0);

    /// <summary>The share of children of whom something was called, 0 to 1.</summary>
    public double SomethingCalled => Outcomes.Average(outcome => outcome.Called.Count > 0 ? 1.0 : 0);

    /// <summary>The share of children of whom something was called that they do not have, 0 to 1.</summary>
    public double WronglyCalled => Outcomes.Average(outcome => outcome.WronglyCalled ? 1.0 : 0);

    /// <summary>The share of all their patterns that was found, 0 to 1.</summary>
    public double ShareFound => Share(outcome => outcome.Found);

    /// <summary>The share of all their patterns that was called, 0 to 1.</summary>
    public double ShareCalled => Share(outcome => outcome.Called);

    private double Share(Func<StudyOutcome, IReadOnlySet<string>> which) =>
        Outcomes.Sum(outcome => outcome.True.Count(which(outcome).Contains)) / (double)Outcomes.Sum(outcome => outcome.True.Count);
}

/// <summary>Tries the model out on simulated children.</summary>
public sealed class Study(ReadingModel model)
{
    private readonly IReadOnlyList<Item> _bank = ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain);

    /// <summary>A sitting in which each item is chosen by the answers so far.</summary>
    public StudyOutcome Adaptive(DrawnChild child, int items, int seed)
    {
        var sitting = new AdaptiveSitting(model, new Belief(model), _bank, seed);
        for (var i = 0; i < items && sitting.Next() is { } next; i++) sitting.Take(Given(next.Item, child));
        return OutcomeOf(child, sitting.Belief, sitting.Conclude(), sitting.Answers);
    }

    /// <summary>A sitting on items that were fixed before.</summary>
    public StudyOutcome Fixed(DrawnChild child, IReadOnlyList<Item> form)
    {
        var belief = new Belief(model);
        var answers = Observed.All(model, form.Select(item => Given(item, child)));
        foreach (var observation in answers.SelectMany(answer => answer.Observations)) belief.Update(observation);
        return OutcomeOf(child, belief, Conclusion.Of(model, belief, answers), answers);
    }

    private static ItemAnswer Given(Item item, DrawnChild child) => new(item, item.Read(child.Answer(item)), item.Task.Taken);

    private StudyOutcome OutcomeOf(DrawnChild child, Belief belief, Conclusion conclusion, IReadOnlyList<Observed> answers) => new(
        child.Patterns,
        model.Patterns.Where(pattern => belief.ProbabilityOf(pattern) >= StudyOutcome.FoundFrom).Select(pattern => pattern.Id).ToHashSet(),
        conclusion.Likely.Select(finding => finding.Pattern.Id).ToHashSet(),
        [.. answers.Select(answer => (answer.Given.Item, answer.Given.Answer))]);
}
