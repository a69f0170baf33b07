using Umbick.Core.Clocks;

namespace Umbick.Core.Diagnosis;

/// <summary>An answer held against what every procedure would have answered.</summary>
public sealed class Observation
{
    private readonly double[] _chances;
    private readonly double[] _listed;

    internal Observation(Prediction prediction, Answer answer, double weight, bool helped)
    {
        (Prediction, Answer, Weight, Helped) = (prediction, answer, weight, helped);
        var fits = prediction.Fits(answer);
        _chances = [.. prediction.Distributions.Select(distribution => distribution.ChanceOf(fits))];
        IsRight = fits[prediction.RightId] >= 1;
        for (var id = 0; id < fits.Length; id++)
        {
            if (prediction.Answers[id] is SomeOtherAnswer) fits[id] = 0;
        }
        _listed = [.. prediction.Distributions.Select(distribution => distribution.ChanceOf(fits))];
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

    /// <summary>The chance of the answer for each of the prediction's distributions.</summary>
    internal ReadOnlySpan<double> Chances => _chances;

    /// <summary>The same for the listed ways alone.</summary>
    internal ReadOnlySpan<double> ListedChances => _listed;

    /// <summary>The chance, 0 to 1, that a procedure of the whole space gives the answer.</summary>
    public double ChanceOf(int procedure) => _chances[Prediction.DistributionOf[Prediction.SubSpace.PartOf(procedure)]];

    /// <summary>The chance, 0 to 1, that the listed ways of a part give the answer; some other way explains nothing.</summary>
    public double ListedChanceOf(int part) => _listed[Prediction.DistributionOf[part]];

    /// <summary>The answer that a procedure of the whole space gives most often, as a place in the prediction's answers.</summary>
    public int LikeliestOf(int procedure) => Prediction.LikeliestOf(Prediction.SubSpace.PartOf(procedure));
}
