using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// What comes out at one item when no way is followed, and how uncertain that leaves the answer. Kept short, for there is one for each
/// item.
/// </summary>
internal sealed class AnswerNoise
{
    private readonly float[] _chances;
    private readonly float[] _alone;
    private readonly double _entropy;

    public AnswerNoise(Item item, IReadOnlyList<Answer> answers)
    {
        _chances = [.. answers.Select(answer =>
            (float)(answer is SomeOtherAnswer ? ModelParameters.UnlistedSlipChance : Noise.ChanceOf(item, answer)))];
        var left = Math.Max(ModelParameters.UnlistedSlipChance, 1 - _chances.Sum(chance => (double)chance));
        _alone = [.. _chances.Select((_, id) => (float)Plogp(Noisy(0, id)))];
        _entropy = -Plogp((1 - ModelParameters.TypicalConsistency) * left) - _alone.Sum(alone => (double)alone);
    }

    /// <summary>The chance of an answer, 0 to 1, where the way followed gives it with this chance.</summary>
    public double Noisy(double chance, int id) => (ModelParameters.TypicalConsistency * chance)
        + ((1 - ModelParameters.TypicalConsistency) * _chances[id]);

    /// <summary>How uncertain the answer is, in nats, where the way followed gives some answers with these chances and no others.</summary>
    public double EntropyOf(ReadOnlySpan<int> ids, ReadOnlySpan<double> chances)
    {
        var entropy = _entropy;
        for (var i = 0; i < ids.Length; i++) entropy += _alone[ids[i]] - Plogp(Noisy(chances[i], ids[i]));
        return entropy;
    }

    private static double Plogp(double chance) => chance <= 0 ? 0 : chance * MathF.Log((float)chance);
}
