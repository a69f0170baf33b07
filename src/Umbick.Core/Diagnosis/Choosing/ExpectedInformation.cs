namespace Umbick.Core.Diagnosis;

/// <summary>
/// How much the answer to an item is expected to tell about the procedures of one sub-space: the mutual information of answer and procedure
/// (D. V. Lindley, On a measure of the information provided by an experiment, 1956).
/// </summary>
internal sealed class ExpectedInformation
{
    private readonly int[] _parts;
    private readonly double[] _shares;
    private double[] _byDistribution = [];
    private int[] _met = [];
    private double[] _byAnswer = [];
    private int[] _touched = [];
    private double[] _masses = [];

    /// <summary>Takes the belief in each part of the sub-space.</summary>
    /// <param name="belief">The belief in each part, 0 to 1.</param>
    /// <param name="smallest">Parts believed less than this are left out of the sums.</param>
    public ExpectedInformation(double[] belief, double smallest)
    {
        var (parts, total) = (new List<int>(), 0.0);
        for (var part = 0; part < belief.Length; part++)
        {
            if (belief[part] < smallest) continue;
            parts.Add(part);
            total += belief[part];
        }
        _parts = [.. parts];
        _shares = Array.ConvertAll(_parts, part => belief[part] / total);
    }

    /// <summary>The expected information in bits, 0 or more, and the chance, 0 to 1, that the answer is right.</summary>
    public (double Information, double RightChance) For(Prediction prediction)
    {
        var distributions = prediction.Distributions;
        if (_byDistribution.Length < distributions.Length)
            (_byDistribution, _met) = (new double[distributions.Length], new int[distributions.Length]);
        if (_byAnswer.Length < prediction.Answers.Count)
            (_byAnswer, _touched, _masses) =
                (new double[prediction.Answers.Count], new int[prediction.Answers.Count], new double[prediction.Answers.Count]);
        var of = prediction.DistributionOf;
        var entropies = prediction.Entropies;
        var met = 0;
        for (var i = 0; i < _parts.Length; i++)
        {
            var d = of[_parts[i]];
            if (_byDistribution[d] == 0) _met[met++] = d;
            _byDistribution[d] += _shares[i];
        }

        var (within, touched) = (0.0, 0);
        for (var m = 0; m < met; m++)
        {
            var d = _met[m];
            var mass = _byDistribution[d];
            _byDistribution[d] = 0;
            within += mass * entropies[d];
            var (ids, shares) = (distributions[d].Ids, distributions[d].Shares);
            for (var i = 0; i < ids.Length; i++)
            {
                if (_byAnswer[ids[i]] == 0) _touched[touched++] = ids[i];
                _byAnswer[ids[i]] += mass * shares[i];
            }
        }
        var right = prediction.Noise.Noisy(_byAnswer[prediction.RightId], prediction.RightId);
        for (var i = 0; i < touched; i++)
        {
            _masses[i] = _byAnswer[_touched[i]];
            _byAnswer[_touched[i]] = 0;
        }
        var information = prediction.Noise.EntropyOf(_touched.AsSpan(0, touched), _masses.AsSpan(0, touched)) - within;
        return (Math.Max(0, information) / Math.Log(2), right);
    }
}
