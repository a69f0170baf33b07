using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Core.Simulation;

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
        var answers = ObservedAnswer.All(model, form.Select(item => Given(item, child)));
        foreach (var observation in answers.SelectMany(answer => answer.Observations)) belief.Update(observation);
        return OutcomeOf(child, belief, Conclusion.Of(model, belief, answers), answers);
    }

    private static ItemAnswer Given(Item item, DrawnChild child) => new(item, item.Read(child.Answer(item)), item.Task.Taken);

    private StudyOutcome OutcomeOf(DrawnChild child, Belief belief, Conclusion conclusion, IReadOnlyList<ObservedAnswer> answers) => new(
        child.Patterns,
        model.Patterns.Where(pattern => belief.ProbabilityOf(pattern) >= StudyOutcome.FoundFrom).Select(pattern => pattern.Id).ToHashSet(),
        conclusion.Likely.Select(finding => finding.Pattern.Id).ToHashSet(),
        [.. answers.Select(answer => (answer.Given.Item, answer.Given.Answer))]);
}
