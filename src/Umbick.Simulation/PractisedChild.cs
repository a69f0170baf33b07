using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Simulation;

/// <summary>
/// A child with one pattern who is practised with, visit by visit. They answer by the second reading of the catalogue, and know nothing of
/// how a cold start is judged: a slip may look like the pattern, and an old habit may come back.
/// </summary>
/// <param name="pattern">The pattern.</param>
/// <param name="strength">How often it is followed at first, 0 to 1; 0: they are over it.</param>
/// <param name="keeps">The share of its strength, 0 to 1, that a visit leaves it.</param>
/// <param name="slips">How often an answer follows nothing, 0 to 1.</param>
/// <param name="habit">How many of those slips are the old habit, 0 to 1.</param>
/// <param name="random">Chance.</param>
public sealed class PractisedChild(
    Pattern pattern, double strength, double keeps, double slips, double habit, Random random) : IAnsweringChild
{
    /// <inheritdoc/>
    public IReadOnlySet<string> Patterns { get; } = new HashSet<string> { pattern.Id };

    /// <summary>How often the pattern is followed now, 0 to 1.</summary>
    public double Strength { get; private set; } = strength;

    /// <summary>What a visit does.</summary>
    public void Practise() => Strength *= keeps;

    /// <inheritdoc/>
    public string Answer(Item item)
    {
        if (random.NextDouble() < slips) return random.NextDouble() < habit ? ItsWay(item) : Slip(item);
        return random.NextDouble() < Strength ? ItsWay(item) : TypedAnswer.Write(item, item.Time, random);
    }

    private string ItsWay(Item item)
    {
        var outcomes = SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, Patterns, benchmarks: false);
        var fate = random.NextDouble();
        foreach (var (answer, share) in outcomes)
        {
            fate -= share;
            if (fate < 0) return answer;
        }
        return outcomes[^1].Answer;
    }

    /// <summary>A slip is mostly near, and now and then anything.</summary>
    private string Slip(Item item)
    {
        var fate = random.NextDouble();
        foreach (var (off, share) in Traits.OffTheRule(hasRule: false))
        {
            fate -= share;
            if (fate < 0) return TypedAnswer.Write(item, item.Time.Plus(off), random);
        }
        return TypedAnswer.Write(item, item.Time.Plus(random.Next(Core.Clocks.ClockTime.MinutesRound)), random);
    }
}
