using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>Says why an item is asked: which two ways of reading it tells apart.</summary>
internal static class ItemReason
{
    private const string StillRight = "Checks that this still comes out right.";

    /// <summary>Why a pattern that is believed is asked for again.</summary>
    public static string OnceMore(Pattern pattern, Wording wording) => $"Looks once more for {pattern.TextsIn(wording).Reads}.";

    public static string For(ReadingModel model, Belief belief, Prediction prediction, Wording wording)
    {
        var shares = belief.MarginalOver(prediction.SubSpace);
        var mass = new double[prediction.Answers.Count];
        var best = new int[mass.Length];
        Array.Fill(best, -1);
        for (var part = 0; part < shares.Length; part++)
        {
            var answer = prediction.LikeliestOf(part);
            mass[answer] += shares[part];
            if (best[answer] < 0 || shares[part] > shares[best[answer]]) best[answer] = part;
        }
        var tops = Enumerable.Range(0, mass.Length)
            .Where(answer => best[answer] >= 0 && prediction.Answers[answer] is not SomeOtherAnswer)
            .OrderByDescending(answer => mass[answer])
            .Take(2)
            .Select(answer => best[answer])
            .ToList();
        if (tops.Count < 2) return StillRight;
        foreach (var step in prediction.SubSpace.Steps)
        {
            if (step == Step.Setting && At(step, tops[0]) != At(step, tops[1])) return "Tells whether a clock is set as it is read.";
            var (state, two) = (At(step, tops[0]), At(step, tops[1]));
            if (state == two) continue;
            return state.Patterns.Count > 0 && state.Patterns.SequenceEqual(two.Patterns)
                ? $"{state.Patterns[0].TextsIn(wording).Name}: are o’clock, half and quarters spoilt too?"
                : $"Tells {state.ReadsIn(wording)} from {two.ReadsIn(wording)}.";
        }
        return StillRight;

        StepState At(Step step, int part) => model.Space.At(step)[prediction.SubSpace.ChoiceOf(part, step)];
    }
}
