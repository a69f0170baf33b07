using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>A step that is probably taken in a way nobody has listed.</summary>
/// <param name="Step">The step.</param>
/// <param name="Belief">The belief in it, 0 to 1.</param>
/// <param name="Label">What it is called.</param>
/// <param name="Answers">Places (from 0) of the answers that are so: wrong at this step, right at the others, and given by nothing
/// listed.</param>
/// <param name="Telling">How many answers could have shown it.</param>
/// <param name="Right">How many of those came right.</param>
public sealed record OtherWay(Step Step, double Belief, Label Label, IReadOnlyList<int> Answers, int Telling, int Right)
{
    /// <summary>What it is called in files, beside the patterns.</summary>
    public string Id => $"other-{Step.NameInFiles()}";

    /// <summary>The other ways that these answers tell of, the firmest first.</summary>
    public static IReadOnlyList<OtherWay> All(ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers) =>
    [
        .. model.Space.Steps
            .Select(step => (Step: step, Belief: belief.MarginalAt(step).Where((_, state) => model.Space.At(step)[state].IsOther).Sum()))
            .Where(other => other.Belief >= ModelParameters.WorthNaming)
            .OrderByDescending(other => other.Belief)
            .Select(other => From(other.Step, other.Belief, model, belief, answers)),
    ];

    private static OtherWay From(Step step, double believed, ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers)
    {
        var with = belief.Best(step, state => state.IsOther);
        var without = model.Space.With(with, step, 0);
        var (its, telling, right) = (new List<int>(), 0, 0);
        for (var index = 0; index < answers.Count; index++)
        {
            foreach (var seen in answers[index].Observations.Where(seen => seen.LikeliestOf(with) != seen.LikeliestOf(without)).Take(1))
            {
                telling++;
                if (seen.IsRight) right++;
                else if (seen.ChanceOf(with) > 0 && seen.ChanceOf(without) < ModelParameters.FittingFrom) its.Add(index);
            }
        }
        return new OtherWay(step, believed, LabelOf(believed, its.Count, right), its, telling, right);
    }

    /// <summary>One answer alone may be a slip: it is shown as one that nothing explains.</summary>
    private static Label LabelOf(double believed, int its, int right) => its < ModelParameters.TellingNeeded ? Label.Unlikely
        : Conclusion.LabelOf(believed, isSeen: true, its > ModelParameters.TellingNeeded && its > right);
}
