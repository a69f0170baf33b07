using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>Tries the model out on simulated children.</summary>
/// <param name="model">The model.</param>
/// <param name="stage">What the children have been taught.</param>
public sealed class Study(ReadingModel model, Stage stage = Stage.EveryMinute)
{
    /// <summary>The items that may be asked.</summary>
    public IReadOnlyList<Item> Bank { get; } = ItemBank.ForSitting(stage, [.. ClockTasks.Plain.Where(task => task.From <= stage)]);

    private IReadOnlyList<Item> Beyond { get; } = ItemBank.Beyond(stage, ClockTasks.Plain);

    /// <summary>What patterns show in them.</summary>
    public ShownPatterns Shown => field ??= new ShownPatterns(Bank);

    /// <summary>A sitting in which each item is chosen by the answers so far.</summary>
    public StudyOutcome Adaptive(IAnsweringChild child, int items, int seed) => Adaptive(child, [items], seed)[0];

    /// <summary>The same, looked at after so many items, and so many more.</summary>
    /// <param name="child">The child.</param>
    /// <param name="lengths">After how many items, rising.</param>
    /// <param name="seed">Breaks ties.</param>
    public IReadOnlyList<StudyOutcome> Adaptive(IAnsweringChild child, IReadOnlyList<int> lengths, int seed)
    {
        var sitting = new AdaptiveSitting(model, new Belief(model), new SittingItems(Bank, lengths[^1]) { Beyond = Beyond }, seed);
        var outcomes = new List<StudyOutcome>();
        int? clearAfter = null;
        while (outcomes.Count < lengths.Count)
        {
            if (sitting.Next() is { } next) sitting.Add(Given(next.Item, child));
            var asked = sitting.Answers.Count;
            // Only of those with nothing to find: to find when it is clear takes as long as to choose.
            if (clearAfter is null && child.Patterns.Count == 0
                && sitting.MayStop() == StopReason.Clear) clearAfter = asked;
            while (outcomes.Count < lengths.Count && (asked >= lengths[outcomes.Count] || asked == Bank.Count))
                outcomes.Add(OutcomeOf(child, sitting.Belief, sitting.Conclude(), sitting.Answers) with { ClearAfter = clearAfter });
        }
        return outcomes;
    }

    /// <summary>A sitting on items that were fixed before.</summary>
    public StudyOutcome Fixed(IAnsweringChild child, IReadOnlyList<Item> form)
    {
        var belief = new Belief(model);
        var answers = ObservedAnswer.All(model, form.Select(item => Given(item, child)));
        belief.Update(answers.SelectMany(answer => answer.Observations));
        return OutcomeOf(child, belief, Conclusion.From(model, belief, answers, reach: Reach.At(model, stage)), answers);
    }

    private ItemAnswer Given(Item item, IAnsweringChild child) =>
        new(item, Meant(item.Read(child.Answer(item))), item.Task.Taken, Helped: !stage.Has(item.Time.Minute));

    /// <summary>As the teacher has said that half eight is meant.</summary>
    private static Answer Meant(Answer read) => read is AmbiguousHalf half ? half.As(HalfMeaning.Before) : read;

    private StudyOutcome OutcomeOf(IAnsweringChild child, Belief belief, Conclusion conclusion, IReadOnlyList<ObservedAnswer> answers) =>
        new(
        child.Patterns,
        Ids(conclusion.Findings.Where(finding =>
            finding.Belief >= StudyOutcome.FoundFrom && finding.Pattern.Step != Step.Answering), child),
        Ids(conclusion.Likely, child),
        [.. answers.Select(answer => (answer.Given.Item, answer.Given.Answer))],
        model.Patterns.ToDictionary(pattern => pattern.Id, belief.ProbabilityOf),
        belief.Guessing)
        { MuchWrong = conclusion.Beside == BesidePatterns.MuchWrong };

    /// <summary>The patterns of some findings; of a pair the one that the child has, else its first.</summary>
    private static HashSet<string> Ids(IEnumerable<Finding> findings, IAnsweringChild child) =>
        [.. findings.Select(finding => finding.Pattern.Either.Count == 0 ? finding.Pattern.Id
            : finding.Pattern.Either.FirstOrDefault(child.Patterns.Contains) ?? finding.Pattern.Either[0])];
}
