using System.Runtime.Intrinsics;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// What is believed of one child: the exact joint distribution over every procedure and every level of consistency, and over guessing.
/// Answers are folded in by Bayes' rule; days loosen it as a hidden Markov model whose state is factored by step.
/// </summary>
public sealed class Belief
{
    private static readonly Vector256<double> Consistencies = Lanes(level => level.Consistency);
    private static readonly Vector256<double> LevelShares = Lanes(level => level.Share);

    /// <summary>A lane without a level stays empty.</summary>
    private static readonly Vector256<double> Floors = Lanes(_ => ModelParameters.SmallestShare);

    /// <summary>
    /// So many observations are folded in between two times that all is made to add up to 1: more would bring shares that matter down to
    /// the least.
    /// </summary>
    private const int FoldedTogether = 8;

    private readonly ReadingModel _model;

    /// <summary>How often each time was answered in this sitting.</summary>
    private readonly Dictionary<ClockTime, int> _answered = [];

    /// <summary>The share of each procedure, a lane for each level of consistency.</summary>
    private readonly Vector256<double>[] _shares;

    /// <summary>What the shares add up to, lane by lane.</summary>
    private Vector256<double> _sum;

    /// <summary>
    /// What a share is multiplied by to be a belief: to go through all of them only for that is put off until they are next changed.
    /// </summary>
    private double _scale = 1;
    private double[] _whole = [];
    private bool _isFlat;
    private double[][]? _marginals;

    /// <summary>The belief before anything is asked.</summary>
    public Belief(ReadingModel model)
    {
        _model = model;
        (Guessing, Repeating) = (ModelParameters.GuessingPrior, ModelParameters.RepeatingPrior);
        _shares = (Vector256<double>[])model.Priors.Clone();
        _sum = LevelShares * (1 - Guessing - Repeating);
    }

    /// <summary>The share of each procedure before anything is asked.</summary>
    internal static Vector256<double>[] PriorsIn(ProcedureSpace space) =>
    [
        .. Enumerable.Range(0, space.Size).Select(procedure =>
            LevelShares * ((1 - ModelParameters.GuessingPrior - ModelParameters.RepeatingPrior) * space.Prior(procedure))),
    ];

    private Belief(ReadingModel model, BinaryReader from)
    {
        _model = model;
        _shares = new Vector256<double>[model.Space.Size];
        (Guessing, Repeating) = KeptBelief.Read(from, model.Space, _shares);
        foreach (var share in _shares) _sum += share;
    }

    private Belief(Belief other)
    {
        (_model, Guessing, Repeating, _sum, _scale) = (other._model, other.Guessing, other.Repeating, other._sum, other._scale);
        foreach (var (time, times) in other._answered) _answered[time] = times;
        _shares = (Vector256<double>[])other._shares.Clone();
    }

    /// <summary>The belief that the child guesses, 0 to 1.</summary>
    public double Guessing { get; private set; }

    /// <summary>The belief that the child gives one answer again and again, 0 to 1.</summary>
    public double Repeating { get; private set; }

    /// <summary>A belief that goes its own way from here.</summary>
    public Belief Copy() => new(this);

    /// <summary>Reads a belief that was written at a sitting's end.</summary>
    /// <exception cref="InvalidDataException">It is of another space of procedures.</exception>
    internal static Belief Read(ReadingModel model, BinaryReader from) => new(model, from);

    /// <summary>Writes it as far as it can matter after a day or more.</summary>
    internal void Write(BinaryWriter to) => KeptBelief.Write(to, _shares, _scale, Guessing, Repeating, BestOfEach());

    /// <summary>Everything that is believed, added up: 1 but for rounding.</summary>
    public double Total => Guessing + Repeating + (Vector256.Sum(_sum) * _scale);

    /// <summary>Folds an answer in, a reading at a time. An answer that says nothing about reading changes nothing.</summary>
    public void Update(ItemAnswer given) => Update(_model.Observe(given));

    /// <summary>Folds one observation in.</summary>
    public void Update(Observation observation) => Update([observation]);

    /// <summary>
    /// Folds observations in, in their order: a block of procedures goes through all of them while it is near the processor.
    /// </summary>
    public void Update(IEnumerable<Observation> observations)
    {
        foreach (var some in observations.Chunk(FoldedTogether)) Fold(some);
    }

    private void Fold(Observation[] observations)
    {
        var likelihoods = Array.ConvertAll(observations, LikelihoodOf);
        for (var i = 0; i < likelihoods[0].Length; i++) likelihoods[0][i] *= _scale;
        var sum = Vector256<double>.Zero;
        for (var from = 0; from < _shares.Length; from += ShareArithmetic.Block)
        {
            var block = _shares.AsSpan(from, Math.Min(ShareArithmetic.Block, _shares.Length - from));
            var last = Vector256<double>.Zero;
            for (var i = 0; i < likelihoods.Length; i++)
            {
                var prediction = observations[i].Prediction;
                last = ShareArithmetic.Fold(block, prediction.SubSpace.Parts.AsSpan(from, block.Length), prediction.DistributionOf,
                    likelihoods[i],
                    Floors);
            }
            sum += last;
        }
        Normalise(sum, 1);
    }

    /// <summary>
    /// The likelihood of an observation by distribution, held against its greatest, so that many folded in together stay far above the
    /// least share. Those who guess, and those who repeat, take it in at once.
    /// </summary>
    private Vector256<double>[] LikelihoodOf(Observation observation)
    {
        var weight = observation.Weight * (observation.Helped ? ModelParameters.HelpedWeight : 1);
        var chances = observation.Chances();
        var likelihood = new Vector256<double>[chances.Length];
        var greatest = Vector256<double>.Zero;
        for (var i = 0; i < likelihood.Length; i++)
        {
            var chance = (Consistencies * chances[i]) + ((Vector256<double>.One - Consistencies) * observation.NoiseChance);
            likelihood[i] = weight < 1 ? Lanes((level, lane) => Math.Pow(chance[lane], weight)) : chance;
            greatest = Vector256.Max(greatest, likelihood[i]);
        }
        var scale = 1 / Enumerable.Range(0, Vector256<double>.Count).Max(lane => greatest[lane]);
        for (var i = 0; i < likelihood.Length; i++) likelihood[i] *= scale;
        var guessed = Noise.Guessed(observation.Prediction.Item);
        Guessing *= Math.Pow(guessed, weight) * scale;
        Repeating *= Math.Pow(Repeated(observation.Answer, guessed), weight) * scale;
        return likelihood;
    }

    /// <summary>The chance of an answer, 0 to 1, from one who gives what they have given before; it counts as given from then on.</summary>
    private double Repeated(Answer answer, double anew)
    {
        var before = _answered.Values.Sum();
        var same = 0;
        if ((answer is PlacedAnswer { Hands: { } hands } ? hands.Read() : answer.Meaning) is { } time)
        {
            same = _answered.GetValueOrDefault(time);
            _answered[time] = same + 1;
        }
        return (same + (ModelParameters.NewAnswerWeight * anew)) / (before + ModelParameters.NewAnswerWeight);
    }

    /// <summary>Takes in what the teacher says of a pattern, as evidence of its own.</summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="holds">Whether they confirm it; otherwise they rule it out.</param>
    public void ApplyTeacherJudgement(Pattern pattern, bool holds)
    {
        if (pattern.Step == Step.Answering)
        {
            var others = holds ? ModelParameters.AgainstTeacher : 1;
            if (!holds) Repeating *= ModelParameters.AgainstTeacher;
            Guessing *= others;
            Normalise(_sum, _scale * others);
            return;
        }
        var choices = _model.Space.At(pattern.Step);
        var at = _model.Space.StatesAt(pattern.Step);
        var sum = Vector256<double>.Zero;
        for (var procedure = 0; procedure < _shares.Length; procedure++)
        {
            var agrees = choices[at[procedure]].Holds(pattern) == holds;
            _shares[procedure] = Vector256.Max(_shares[procedure] * (agrees ? _scale : _scale * ModelParameters.AgainstTeacher), Floors);
            sum += _shares[procedure];
        }
        if (holds) (Guessing, Repeating) = (Guessing * ModelParameters.AgainstTeacher, Repeating * ModelParameters.AgainstTeacher);
        Normalise(sum, 1);
    }

    /// <summary>Loosens the belief at each step for the time gone by, most where the step was practised.</summary>
    /// <param name="days">Days since the last sitting, 0 or more.</param>
    /// <param name="practised">The steps practised in the last sitting.</param>
    public void Transition(double days, IReadOnlyCollection<Step> practised)
    {
        foreach (var step in _model.Space.Steps)
        {
            var rate = TransitionModel.Rate(days, practised.Contains(step));
            var targets = TransitionModel.Targets([.. _model.Space.At(step).Select(choice => choice.Prior)], practised.Contains(step));
            ShareArithmetic.Mix(_shares, _model.Space.Siblings(step), 1 - rate,
                [.. targets.Select(target => Vector256.Create(target * rate))]);
        }
        Guessing += (ModelParameters.GuessingPrior - Guessing) * TransitionModel.Rate(days, practised: false);
        Repeating += (ModelParameters.RepeatingPrior - Repeating) * TransitionModel.Rate(days, practised: false);
        _answered.Clear();
        Normalise(_sum, _scale);
    }

    /// <summary>
    /// The belief in each choice at a step, 0 to 1; with <see cref="Guessing"/> and <see cref="Repeating"/> they add up to 1.
    /// </summary>
    public IReadOnlyList<double> MarginalAt(Step step) => Marginals[(int)step];

    /// <summary>The belief in a pattern, 0 to 1, in any of its variants.</summary>
    public double ProbabilityOf(Pattern pattern)
    {
        if (pattern.Step == Step.Answering) return Repeating;
        var choices = _model.Space.At(pattern.Step);
        return MarginalAt(pattern.Step).Where((_, choice) => choices[choice].Holds(pattern)).Sum();
    }

    /// <summary>
    /// Where a pattern shows: in reading alone where it is believed of the child, if the child has it, that they set a clock rightly; in
    /// setting alone where it is believed that they read one rightly.
    /// </summary>
    public ShownWhere WhereShown(Pattern pattern)
    {
        if (pattern.Step == Step.Placing) return ShownWhere.Setting;
        if (!SettingRule.Covers(pattern.Step)) return ShownWhere.Both;
        var subSpace = _model.Space.SpaceOf([pattern.Step, Step.Setting]);
        var (shares, choices) = (MarginalOver(subSpace), _model.Space.At(pattern.Step));
        var with = Enumerable.Range(0, subSpace.Size).Where(part => choices[subSpace.ChoiceOf(part, pattern.Step)].Holds(pattern)).ToList();
        var all = with.Sum(part => shares[part]);
        return Is(SetAs.Rightly) ? ShownWhere.Reading : Is(SetAs.Alone) ? ShownWhere.Setting : ShownWhere.Both;

        bool Is(SetAs way) => with.Where(part => subSpace.ChoiceOf(part, Step.Setting) == ProcedureSpace.ChoiceOf(way))
            .Sum(part => shares[part]) >= ModelParameters.LikelyFrom * all;
    }

    /// <summary>The belief in each part of a sub-space, 0 to 1.</summary>
    public double[] MarginalOver(SubSpace subSpace)
    {
        var sums = new double[subSpace.Size];
        var (whole, parts) = (Whole, subSpace.Parts);
        for (var procedure = 0; procedure < whole.Length; procedure++) sums[parts[procedure]] += whole[procedure];
        return sums;
    }

    /// <summary>
    /// The chance, 0 to 1, that the listed ways give the answer that was observed, by present belief; some other way explains nothing.
    /// </summary>
    public double ListedProbabilityOf(Observation observation) =>
        ShareArithmetic.Expect(Whole, observation.Prediction.SubSpace.Parts, observation.Prediction.DistributionOf,
            observation.ListedChances());

    /// <summary>How often the child follows their way, by present belief, 0 to 1.</summary>
    public double Consistency => Vector256.Sum(_sum * Consistencies) / Vector256.Sum(_sum);

    /// <summary>
    /// By so much more has a procedure to be believed than one with fewer departures: what is less is rounding, and differs with the way by
    /// which a belief was come to.
    /// </summary>
    private const double ClearlyMore = 1 + 1e-6;

    /// <summary>
    /// The procedure believed most among those with a pattern. Of a pattern that is hardly believed any more it is the one believed most
    /// of all, and the pattern with it: what else may be left of it is no picture of the child.
    /// </summary>
    public int Best(Pattern with)
    {
        var best = Best(with.Step, choice => choice.Holds(with));
        if (best >= 0 && Whole[best] >= ModelParameters.LookedAtFrom) return best;
        var state = _model.Space.StateWith(with);
        var among = _model.Space.With(Best(with.Step, _ => true), with.Step, state);
        return among >= 0 ? among : _model.Space.With(0, with.Step, state);
    }

    /// <summary>The procedure believed most among those that take a step in one of some ways; -1 where there is none.</summary>
    public int Best(Step step, Func<StepState, bool> taken)
    {
        var whole = Whole;
        var at = _model.Space.StatesAt(step);
        bool[] holds = [.. _model.Space.At(step).Select(taken)];
        var (best, most) = (-1, 0.0);
        for (var procedure = 0; procedure < whole.Length; procedure++)
        {
            if (whole[procedure] > most * ClearlyMore && holds[at[procedure]]) (best, most) = (procedure, whole[procedure]);
        }
        return best;
    }

    /// <summary>The procedure believed most with each choice of each step.</summary>
    private HashSet<int> BestOfEach()
    {
        var (whole, each) = (Whole, new HashSet<int>());
        foreach (var step in _model.Space.Steps)
        {
            var (at, best) = (_model.Space.StatesAt(step), new int[_model.Space.At(step).Count]);
            Array.Fill(best, -1);
            for (var procedure = 0; procedure < whole.Length; procedure++)
            {
                ref var most = ref best[at[procedure]];
                if (most < 0 || whole[procedure] > whole[most]) most = procedure;
            }
            each.UnionWith(best.Where(procedure => procedure >= 0));
        }
        return each;
    }

    /// <summary>The belief in each procedure of the whole space, over all levels of consistency.</summary>
    private double[] Whole
    {
        get
        {
            if (_isFlat) return _whole;
            if (_whole.Length == 0) _whole = new double[_model.Space.Size];
            ShareArithmetic.Flatten(_shares, _scale, _whole);
            _isFlat = true;
            return _whole;
        }
    }

    private double[][] Marginals
    {
        get
        {
            if (_marginals is not null) return _marginals;
            var marginals = _model.Space.Steps.Select(step => new double[_model.Space.At(step).Count]).ToArray();
            // Half of the steps at a time: two passes over every procedure, and a small one for each step.
            foreach (var half in _model.Space.Steps.Chunk((_model.Space.Steps.Count + 1) / 2))
            {
                // With setting among them, what is set alone is told from what is read.
                var subSpace = _model.Space.SpaceOf(half.Append(Step.Setting).Distinct());
                var shares = MarginalOver(subSpace);
                foreach (var step in half)
                {
                    var (sums, choices) = (marginals[(int)step], subSpace.StatesAt(step));
                    for (var part = 0; part < shares.Length; part++) sums[choices[part]] += shares[part];
                }
            }
            return _marginals = marginals;
        }
    }

    /// <summary>Makes everything add up to 1 again.</summary>
    /// <param name="sum">What the shares add up to as they stand.</param>
    /// <param name="scale">What they are to be multiplied by beside what is believed of guessing.</param>
    private void Normalise(Vector256<double> sum, double scale)
    {
        (_isFlat, _marginals) = (false, null);
        var total = Guessing + Repeating + (Vector256.Sum(sum) * scale);
        Guessing = Math.Max(Guessing / total, ModelParameters.SmallestShare);
        Repeating = Math.Max(Repeating / total, ModelParameters.SmallestShare);
        (_sum, _scale) = (sum, scale / total);
    }

    private static Vector256<double> Lanes(Func<(double Consistency, double Share), double> of) => Lanes((level, _) => of(level));

    private static Vector256<double> Lanes(Func<(double Consistency, double Share), int, double> of)
    {
        Span<double> lanes = stackalloc double[Vector256<double>.Count];
        for (var level = 0; level < ModelParameters.ConsistencyLevels.Count; level++) lanes[level] =
            of(ModelParameters.ConsistencyLevels[level], level);
        return Vector256.Create<double>(lanes);
    }
}
