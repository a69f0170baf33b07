using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>Explains one answer without knowing anything of the child.</summary>
public sealed class Explainer(ReadingModel model)
{
    /// <summary>No teacher wants more than three.</summary>
    public const int Most = 3;

    /// <summary>An explanation this much rarer than the first is left out.</summary>
    private const double Rarest = 0.02;

    /// <summary>Explains an answer.</summary>
    public Explained Explain(ItemAnswer given)
    {
        var isRight = Scoring.IsRight(given.Item, given.Answer, given.Mode, Stage.EveryMinute);
        if (model.Observe(given) is not [var seen, ..]) return new Explained(isRight, [], 0, Fit.Nothing, 0);
        var prediction = seen.Prediction;
        if (isRight) return new Explained(true, [], 0, Fit.Common, AlsoRight(prediction));

        var prior = new Belief(model).MarginalOver(prediction.SubSpace);
        var found = Enumerable.Range(0, prediction.SubSpace.Size)
            .Select(part => (Part: part, Weight: prior[part] * seen.ListedChanceOf(part) * ModelParameters.TypicalConsistency))
            .Where(part => part.Weight > 0 && !Choices(prediction, part.Part).Any(choice => choice.IsOther))
            .GroupBy(part => string.Join('+', PatternsOf(prediction, part.Part).Select(pattern => pattern.Id)))
            .Select(group => (Patterns: PatternsOf(prediction, group.First().Part), Weight: group.Sum(part => part.Weight),
            Best: group.MaxBy(part => part.Weight).Part))
            .OrderByDescending(group => group.Weight)
            .ToList();
        var simplest = found.Where(each =>
            !found.Any(other => other.Patterns.Count < each.Patterns.Count && other.Patterns.All(each.Patterns.Contains))).ToList();
        // A slip is a slip whatever the child's way; it is one where the answer comes more easily than a guess would.
        var slip = seen.NoiseChance > 2 * Noise.Guessed(prediction.Item) ? (1 - ModelParameters.TypicalConsistency) * seen.NoiseChance : 0;
        // A numeral too many or too few is miscounted by many who count rightly.
        if (slip > 0 && given.Telling.Meaning is { } meant && HandPositions.MinutesApart(meant.Minute, given.Item.Time.Minute) is 5
            && meant.Hour == given.Item.Time.Hour) slip = Math.Max(slip, ModelParameters.MiscountedNumeral);
        if (slip > 0) simplest.RemoveAll(each => each.Patterns.Count > ModelParameters.MostWhereASlipWouldDo);
        var total = slip + simplest.Sum(each => each.Weight);
        var likeliest = simplest.Count == 0 ? 0 : simplest[0].Weight;
        var fit = likeliest >= ModelParameters.CommonFrom ? Fit.Common
            : likeliest >= ModelParameters.GuessingPrior * Noise.Guessed(prediction.Item) ? Fit.Rare : Fit.Nothing;
        var kept = fit == Fit.Nothing ? [] : simplest.Where(each => each.Weight >= total * Rarest).Take(Most).ToList();
        var explanations = kept
            .Select((each, i) =>
            {
                var next = Separating(prediction, each.Best,
                    [.. kept.Where((_, other) => other != i).Select(other => other.Best), .. Lesser(prediction, each.Best)]);
                return new Explanation(each.Patterns, each.Weight / total, next?.Item, next?.Answer);
            })
            .ToList();
        return new Explained(false, explanations, slip == 0 ? 0 : slip / total, fit, 0);
    }

    /// <summary>What each pattern alone would answer to an item where that is wrong, the commonest first.</summary>
    public IReadOnlyList<(Answer Answer, IReadOnlyList<Pattern> Patterns)> OtherWays(Item item, AnswerMode mode)
    {
        var prediction = model.Predict(item, mode);
        var alone =
            from step in prediction.SubSpace.Steps
            from choice in Enumerable.Range(1, model.Space.At(step).Count - 1)
            let patterns = model.Space.At(step)[choice].Patterns
            where patterns.Count == 1
            let answer = prediction.LikeliestOf(prediction.SubSpace.With(0, step, choice))
            where answer != prediction.RightId
            group patterns[0] by answer into ways
            orderby ways.Max(pattern => pattern.Weight) descending
            select (prediction.Answers[ways.Key], (IReadOnlyList<Pattern>)[.. ways.Distinct()]);
        return [.. alone];
    }

    private IEnumerable<StepState> Choices(Prediction prediction, int part) =>
        prediction.SubSpace.Steps.Select(step => model.Space.At(step)[prediction.SubSpace.ChoiceOf(part, step)]);

    private List<Pattern> PatternsOf(Prediction prediction, int part) =>
        [.. Choices(prediction, part).SelectMany(choice => choice.Patterns)];

    /// <summary>The same part without one of its patterns, where it has several: each of them has to show.</summary>
    private static IEnumerable<int> Lesser(Prediction prediction, int part) => prediction.SubSpace.Steps
        .Select(step => prediction.SubSpace.With(part, step, 0))
        .Where(less => less != part && less != 0);

    private int AlsoRight(Prediction prediction) => (
        from step in prediction.SubSpace.Steps
        from choice in Enumerable.Range(1, model.Space.At(step).Count - 1)
        let at = model.Space.At(step)[choice]
        where at.Patterns.Count == 1 && prediction.LikeliestOf(prediction.SubSpace.With(0, step, choice)) == prediction.RightId
        select at.Patterns[0]).Distinct().Count();

    /// <summary>
    /// The easiest item of the same kind that tells this explanation from most of the others, and then from the right reading.
    /// </summary>
    private (Item Item, Answer Answer)? Separating(Prediction from, int part, List<int> others)
    {
        var mode = from.SubSpace.Steps.Contains(Step.Writing) ? AnswerMode.Written : AnswerMode.Said;
        var (best, most) = (default((Item, Answer)?), 0);
        foreach (var time in TellingTimes(from.Item.Time))
        {
            var prediction = model.Predict(new Item(from.Item.Task, time), mode);
            var answer = prediction.LikeliestOf(part);
            // Neither may give the other's answer: at a half the nearest hour is the coming one, or is not.
            var told = (2 * others.Count(other =>
                !MayGive(prediction, other, answer) && !MayGive(prediction, part, prediction.LikeliestOf(other))))
                + (answer == prediction.RightId ? 0 : 1);
            if (told > most) (best, most) = ((prediction.Item, prediction.Answers[answer]), told);
        }
        return best;
    }

    private static bool MayGive(Prediction prediction, int part, int answer) =>
        prediction.ChanceOf(part, prediction.Fits(prediction.Answers[answer])) >= ModelParameters.FittingFrom;

    private static IEnumerable<ClockTime> TellingTimes(ClockTime asked) => ClockTime.All()
        .Where(time => time != asked && time.Minute % 5 == 0)
        .OrderBy(time => Stages.FirstWith(time.Minute))
        .ThenBy(time => time.Hour == asked.Hour)
        .ThenBy(time => (time.Hour * 7 + time.Minute + asked.Minute) % 12);
}
