using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>What every procedure would answer to one item.</summary>
public sealed class Prediction
{
    /// <summary>How far a placed hour hand may be from a predicted place and still be taken for it, in hours.</summary>
    private const double HourHandReach = 0.15;

    /// <summary>How far a placed minute hand may be from a predicted place and still be taken for it, in minutes.</summary>
    private const double MinuteHandReach = 1.5;

    /// <summary>The chance that noise makes one of the answers that 'some other way' stands for.</summary>
    private const double SomeOtherNoise = 0.01;

    /// <summary>How often a child is taken to follow her way when items are weighed against each other.</summary>
    private const double TypicalConsistency = 0.85;

    private readonly double[] _noise;
    private readonly double _noiseLeft;
    private readonly double _noiseEntropy;
    private readonly List<Answer> _answers = [];
    private readonly Dictionary<Answer, int> _ids = [];

    internal Prediction(ProcedureSpace space, Item item, AnswerMode mode)
    {
        Item = item;
        SubSpace = space.Of(item.Task.Steps(mode));
        RightId = IdOf(item.Right is PlacedAnswer placed ? Rounded(placed.Hands!.Value) : item.Right);
        var outcomes = new List<(int Id, float Share)>[SubSpace.Size];
        Compose(space, [new(Thought.Before(item.Time), 1)], [.. item.Task.Order.Where(SubSpace.Steps.Contains)], 0, 0, outcomes);

        Starts = new int[SubSpace.Size + 1];
        for (var part = 0; part < SubSpace.Size; part++) Starts[part + 1] = Starts[part] + outcomes[part].Count;
        Ids = [.. outcomes.SelectMany(part => part.Select(outcome => outcome.Id))];
        Shares = [.. outcomes.SelectMany(part => part.Select(outcome => outcome.Share))];
        _noise = [.. _answers.Select(answer => answer is SomeOtherAnswer ? SomeOtherNoise : Noise.ChanceOf(item, answer))];
        _noiseLeft = Math.Max(SomeOtherNoise, 1 - _noise.Sum());
        _noiseEntropy = Enumerable.Range(0, _noise.Length).Sum(id => -Plogp(Noisy(0, id))) - Plogp((1 - TypicalConsistency) * _noiseLeft);
        Entropies = [.. Enumerable.Range(0, SubSpace.Size).Select(EntropyOfPart)];
    }

    /// <summary>The item.</summary>
    public Item Item { get; }

    /// <summary>The steps it touches, and the procedures over them.</summary>
    public SubSpace SubSpace { get; }

    /// <summary>The distinct answers that some procedure gives.</summary>
    public IReadOnlyList<Answer> Answers => _answers;

    /// <summary>The place of the right answer in <see cref="Answers"/>.</summary>
    public int RightId { get; }

    /// <summary>Where each part's outcomes start in <see cref="Ids"/> and <see cref="Shares"/>.</summary>
    internal int[] Starts { get; }

    internal int[] Ids { get; }

    /// <summary>How uncertain the answer is, in nats, for each part of a procedure.</summary>
    internal double[] Entropies { get; }

    internal float[] Shares { get; }

    /// <summary>The answer a part of a procedure gives most often, as a place in <see cref="Answers"/>.</summary>
    public int LikeliestOf(int part)
    {
        var best = Starts[part];
        for (var i = best + 1; i < Starts[part + 1]; i++)
        {
            if (Shares[i] > Shares[best]) best = i;
        }
        return Ids[best];
    }

    /// <summary>The chance, 0 to 1, that a part of a procedure gives an answer.</summary>
    /// <param name="part">The part of the procedure in <see cref="SubSpace"/>.</param>
    /// <param name="fits">What <see cref="Fits"/> says of the answer.</param>
    public double ChanceOf(int part, double[] fits)
    {
        var chance = 0.0;
        for (var i = Starts[part]; i < Starts[part + 1]; i++) chance += Shares[i] * fits[Ids[i]];
        return chance;
    }

    /// <summary>How well an answer fits each of <see cref="Answers"/>: 1 the same, 0 not at all, between where many are meant.</summary>
    public double[] Fits(Answer answer)
    {
        var fits = new double[_answers.Count];
        var same = answer is PlacedAnswer { Hands: { } hands } ? NearestPlaced(hands) : _ids.GetValueOrDefault(answer, -1);
        for (var id = 0; id < fits.Length; id++)
        {
            if (_answers[id] is SomeOtherAnswer other) fits[id] = other.ChanceOf(Item, answer);
        }
        if (same >= 0) fits[same] = 1;
        return fits;
    }

    /// <summary>The chance of an answer, 0 to 1, where the way followed gives it with this chance.</summary>
    internal double Noisy(double chance, int id) => (TypicalConsistency * chance) + ((1 - TypicalConsistency) * _noise[id]);

    /// <summary>How uncertain the answer is, in nats, where the way followed gives each of <see cref="Answers"/> with these chances.</summary>
    internal double EntropyOf(double[] chances)
    {
        var entropy = -Plogp((1 - TypicalConsistency) * _noiseLeft);
        for (var id = 0; id < chances.Length; id++) entropy -= Plogp(Noisy(chances[id], id));
        return entropy;
    }

    private double EntropyOfPart(int part)
    {
        var entropy = _noiseEntropy;
        for (var i = Starts[part]; i < Starts[part + 1]; i++)
            entropy += Plogp(Noisy(0, Ids[i])) - Plogp(Noisy(Shares[i], Ids[i]));
        return entropy;
    }

    private static double Plogp(double chance) => chance <= 0 ? 0 : chance * Math.Log(chance);

    private void Compose(
        ProcedureSpace space, List<Weighted<Thought>> thoughts, Step[] order, int depth, int part, List<(int, float)>[] outcomes)
    {
        if (depth == order.Length)
        {
            outcomes[part] = [.. thoughts
                .GroupBy(thought => IdOf(AnswerOf(thought.Value)))
                .Select(group => (group.Key, (float)group.Sum(thought => thought.Weight)))];
            return;
        }
        var choices = space.At(order[depth]);
        var stride = SubSpace.Stride(order[depth]);
        for (var choice = 0; choice < choices.Count; choice++)
        {
            var next = new List<Weighted<Thought>>(thoughts.Count);
            foreach (var thought in thoughts)
            {
                var taken = Item.Task.Inverse ? choices[choice].Way.Invert(thought.Value) : choices[choice].Way.Read(thought.Value);
                foreach (var outcome in taken) next.Add(new(outcome.Value, outcome.Weight * thought.Weight));
            }
            Compose(space, next, order, depth + 1, part + (choice * stride), outcomes);
        }
    }

    private Answer AnswerOf(Thought thought)
    {
        if (thought.OtherAt is { } step) return new SomeOtherAnswer(step, thought.Hour, thought.Minutes);
        return Item.Task.Form switch
        {
            AnswerForm.Hands => Rounded(thought.Placed),
            AnswerForm.Words => new WordsAnswer(thought.Spoken!),
            _ => thought.Figures ?? new DigitalAnswer(thought.Hour, thought.Minutes, 2),
        };
    }

    private static PlacedAnswer Rounded(HandPositions hands) => new(Math.Round(hands.Hour, 2), Math.Round(hands.Minute, 2));

    private int IdOf(Answer answer)
    {
        if (_ids.TryGetValue(answer, out var id)) return id;
        _answers.Add(answer);
        return _ids[answer] = _answers.Count - 1;
    }

    private int NearestPlaced(HandPositions hands)
    {
        var (nearest, least) = (-1, double.MaxValue);
        for (var id = 0; id < _answers.Count; id++)
        {
            if (_answers[id] is not PlacedAnswer { Hands: { } predicted }) continue;
            var hours = HandPositions.HoursApart(hands.Hour, predicted.Hour) / HourHandReach;
            var minutes = HandPositions.MinutesApart(hands.Minute, predicted.Minute) / MinuteHandReach;
            if (hours > 1 || minutes > 1 || hours + minutes >= least) continue;
            (nearest, least) = (id, hours + minutes);
        }
        return nearest;
    }
}
