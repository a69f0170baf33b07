using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// What is believed of one child: the exact joint distribution over every procedure and every level of consistency,
/// and over guessing. Answers are folded in by Bayes' rule; days loosen it as a hidden Markov model whose state is factored by step.
/// </summary>
public sealed class Belief
{
    /// <summary>Below this a share is held up, since numbers far smaller than any that matter slow every sum.</summary>
    private const double Floor = 1e-40;

    /// <summary>How far answers with help count: their likelihood is taken to this power.</summary>
    private const double HelpedWeight = 0.5;

    private readonly ReadingModel _model;
    private readonly double[][] _shares;

    /// <summary>The belief before anything is asked.</summary>
    public Belief(ReadingModel model)
    {
        _model = model;
        Guessing = Noise.GuessingShare;
        _shares = [.. Noise.Levels.Select(level => Prior(model.Space, (1 - Guessing) * level.Share))];
    }

    private Belief(Belief other)
    {
        (_model, Guessing) = (other._model, other.Guessing);
        _shares = [.. other._shares.Select(level => (double[])level.Clone())];
    }

    /// <summary>The belief that the child guesses, 0 to 1.</summary>
    public double Guessing { get; private set; }

    /// <summary>A belief that goes its own way from here.</summary>
    public Belief Copy() => new(this);

    /// <summary>Everything that is believed, added up: 1 but for rounding.</summary>
    public double Total => Guessing + _shares.Sum(level => level.Sum());

    /// <summary>Folds an answer in. An answer that says nothing about reading changes nothing.</summary>
    public void Observe(GivenAnswer given)
    {
        if (_model.Match(given) is not var (prediction, answer)) return;
        var noise = Noise.ChanceOf(prediction.Item, answer);
        var fits = prediction.Fits(answer);
        var chances = new double[prediction.SubSpace.Size];
        for (var part = 0; part < chances.Length; part++) chances[part] = prediction.ChanceOf(part, fits);

        var weight = given.Helped ? HelpedWeight : 1;
        var likelihood = new double[chances.Length];
        for (var level = 0; level < _shares.Length; level++)
        {
            var consistency = Noise.Levels[level].Consistency;
            for (var part = 0; part < chances.Length; part++)
            {
                var chance = (consistency * chances[part]) + ((1 - consistency) * noise);
                likelihood[part] = given.Helped ? Math.Pow(chance, weight) : chance;
            }
            Multiply(_shares[level], likelihood, prediction.SubSpace.Parts);
        }
        Guessing *= Math.Pow(Noise.GuessedAnswer, weight);
        Normalise();
    }

    /// <summary>Loosens the belief at each step for the time gone by, most where the step was practised.</summary>
    /// <param name="days">Days since the last sitting, 0 or more.</param>
    /// <param name="practised">The steps practised in the last sitting.</param>
    public void Loosen(double days, IReadOnlyCollection<Step> practised)
    {
        foreach (var step in _model.Space.Steps)
        {
            var rate = Loosening.Rate(days, practised.Contains(step));
            var targets = Loosening.Targets([.. _model.Space.At(step).Select(choice => choice.Prior)], practised.Contains(step));
            foreach (var level in _shares) Mix(level, step, rate, targets);
        }
        Guessing += (Noise.GuessingShare - Guessing) * Loosening.Rate(days, practised: false);
        Normalise();
    }

    /// <summary>The belief in each choice at a step, 0 to 1; with <see cref="Guessing"/> they add up to 1.</summary>
    public double[] At(Step step) => Over(_model.Space.Of([step]));

    /// <summary>The belief in a pattern, 0 to 1, with benchmarks right or not.</summary>
    public double In(Pattern pattern)
    {
        var choices = _model.Space.At(pattern.Step);
        return At(pattern.Step).Where((_, choice) => choices[choice].Pattern == pattern).Sum();
    }

    /// <summary>The belief in each part of a sub-space, 0 to 1.</summary>
    public double[] Over(SubSpace subSpace)
    {
        var sums = new double[subSpace.Size];
        foreach (var level in _shares)
        {
            for (var procedure = 0; procedure < level.Length; procedure++) sums[subSpace.Parts[procedure]] += level[procedure];
        }
        return sums;
    }

    /// <summary>How often the child follows her way, by present belief, 0 to 1.</summary>
    public double Consistency => _shares.Select((level, i) => level.Sum() * Noise.Levels[i].Consistency).Sum() / (1 - Guessing);

    /// <summary>The procedure believed most, among those with a pattern where one is given.</summary>
    public int Best(Pattern? with = null)
    {
        var space = _model.Space;
        var (best, most) = (0, -1.0);
        for (var procedure = 0; procedure < space.Size; procedure++)
        {
            if (with is not null && space.At(with.Step)[space.ChoiceOf(procedure, with.Step)].Pattern != with) continue;
            var share = 0.0;
            foreach (var level in _shares) share += level[procedure];
            if (share > most) (best, most) = (procedure, share);
        }
        return best;
    }

    private static double[] Prior(ProcedureSpace space, double share)
    {
        var shares = new double[space.Size];
        for (var procedure = 0; procedure < shares.Length; procedure++) shares[procedure] = share * space.Prior(procedure);
        return shares;
    }

    private static void Multiply(double[] shares, double[] likelihood, int[] partOf)
    {
        for (var procedure = 0; procedure < shares.Length; procedure++) shares[procedure] *= likelihood[partOf[procedure]];
    }

    private void Mix(double[] level, Step step, double rate, double[] targets)
    {
        var rest = _model.Space.Of(_model.Space.Steps.Where(other => other != step));
        var sums = new double[rest.Size];
        for (var procedure = 0; procedure < level.Length; procedure++) sums[rest.Parts[procedure]] += level[procedure];
        for (var procedure = 0; procedure < level.Length; procedure++)
        {
            var target = sums[rest.Parts[procedure]] * targets[_model.Space.ChoiceOf(procedure, step)];
            level[procedure] += (target - level[procedure]) * rate;
        }
    }

    private void Normalise()
    {
        var total = Total;
        Guessing = Math.Max(Guessing / total, Floor);
        foreach (var level in _shares)
        {
            for (var procedure = 0; procedure < level.Length; procedure++) level[procedure] = Math.Max(level[procedure] / total, Floor);
        }
    }
}
