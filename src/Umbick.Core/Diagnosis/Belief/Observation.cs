using Umbick.Core.Clocks;

namespace Umbick.Core.Diagnosis;

/// <summary>An answer held against what every procedure would have answered.</summary>
public sealed class Observation
{
    /// <summary>The predicted answers that it fits, as places in the prediction's answers: those of the listed ways first.</summary>
    private readonly int[] _ids;

    /// <summary>How well it fits each of them.</summary>
    private readonly double[] _fits;

    /// <summary>How many of them are of the listed ways.</summary>
    private readonly int _listed;

    internal Observation(Prediction prediction, Answer answer, double weight, bool helped)
    {
        (Prediction, Answer, Weight, Helped) = (prediction, answer, weight, helped);
        var fits = prediction.Fits(answer);
        // Of a year there are some hundreds: what every distribution gives is worked out when it is asked for.
        var (listed, others) = (new List<int>(), new List<int>());
        for (var id = 0; id < fits.Length; id++)
        {
            if (fits[id] > 0) (prediction.Answers[id] is SomeOtherAnswer ? others : listed).Add(id);
        }
        (_ids, _listed) = ([.. listed, .. others], listed.Count);
        _fits = Array.ConvertAll(_ids, id => fits[id]);
        IsRight = fits[prediction.RightId] >= 1;
        NoiseChance = Noise.ChanceOf(prediction.Item, answer);
    }

    /// <summary>What every procedure would have answered.</summary>
    public Prediction Prediction { get; }

    /// <summary>What was answered.</summary>
    public Answer Answer { get; }

    /// <summary>How far it counts, 0 to 1.</summary>
    public double Weight { get; }

    /// <summary>Whether there was help: it then counts for no label.</summary>
    public bool Helped { get; }

    /// <summary>Whether it is right.</summary>
    public bool IsRight { get; }

    /// <summary>The chance of the answer when no way is followed.</summary>
    public double NoiseChance { get; }

    /// <summary>The chance, 0 to 1, that a procedure of the whole space gives the answer.</summary>
    public double ChanceOf(int procedure) => ChanceIn(Prediction.SubSpace.PartOf(procedure), _ids.Length);

    /// <summary>The chance, 0 to 1, that the listed ways of a part give the answer; some other way explains nothing.</summary>
    public double ListedChanceOf(int part) => ChanceIn(part, _listed);

    /// <summary>The answer that a procedure of the whole space gives most often, as a place in the prediction's answers.</summary>
    public int LikeliestOf(int procedure) => Prediction.LikeliestOf(Prediction.SubSpace.PartOf(procedure));

    /// <summary>The chance of the answer for each of the prediction's distributions.</summary>
    internal double[] Chances() => ChancesOf(_ids.Length);

    /// <summary>The same for the listed ways alone.</summary>
    internal double[] ListedChances() => ChancesOf(_listed);

    private double[] ChancesOf(int fitting)
    {
        var fits = new double[Prediction.Answers.Count];
        for (var i = 0; i < fitting; i++) fits[_ids[i]] = _fits[i];
        var distributions = Prediction.Distributions;
        var chances = new double[distributions.Length];
        for (var i = 0; i < chances.Length; i++) chances[i] = distributions[i].ChanceOf(fits);
        return chances;
    }

    private double ChanceIn(int part, int fitting)
    {
        var distribution = Prediction.Distributions[Prediction.DistributionOf[part]];
        var chance = 0.0;
        for (var i = 0; i < distribution.Ids.Length; i++)
        {
            var at = Array.IndexOf(_ids, distribution.Ids[i], 0, fitting);
            if (at >= 0) chance += distribution.Shares[i] * _fits[at];
        }
        return chance;
    }
}
