using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Simulation;

/// <summary>A child drawn by chance, who answers by the <see cref="SecondReading"/> of the catalogue or in a way of their own.</summary>
public sealed class DrawnChild : IAnsweringChild
{
    /// <summary>How often an answer is anything but theirs.</summary>
    public const double Noise = 0.07;

    /// <summary>The least and the most often that a child follows their way.</summary>
    public const double LeastConsistent = 0.75, MostConsistent = 0.95;

    /// <summary>How far off a slip is, in minutes; half of the noise is slips, the rest any time.</summary>
    public static IReadOnlyList<int> Slips { get; } = [-60, -5, -1, 1, 5, 60];

    private static readonly Pattern[][] ByStep =
        [.. Steps.OfReading.Select(step => Catalogue.All.Where(pattern => pattern.Step == step).ToArray())];

    private readonly Random _random;
    private readonly UnlistedReading? _odd;
    private readonly bool _guesses;

    private DrawnChild(IReadOnlySet<string> patterns, bool benchmarks, UnlistedReading? odd, bool guesses, Random random)
    {
        (Patterns, Benchmarks, _odd, _guesses, _random) = (patterns, benchmarks, odd, guesses, random);
        Consistency = LeastConsistent + ((MostConsistent - LeastConsistent) * random.NextDouble());
    }

    /// <summary>The ids of their patterns.</summary>
    public IReadOnlySet<string> Patterns { get; }

    /// <summary>Whether they know o'clock, half and quarters as wholes.</summary>
    public bool Benchmarks { get; }

    /// <summary>How often they follow their way, 0 to 1.</summary>
    public double Consistency { get; }

    /// <summary>A child with some patterns, each at another step.</summary>
    public static DrawnChild With(int patterns, Random random)
    {
        var ids = new HashSet<string>();
        foreach (var step in Enumerable.Range(0, ByStep.Length).OrderBy(_ => random.Next()).Take(patterns).ToList())
            ids.Add(ByStep[step][random.Next(ByStep[step].Length)].Id);
        return new DrawnChild(ids, random.Next(2) == 0, null, false, random);
    }

    /// <summary>A child whose answers have nothing to do with the clock.</summary>
    public static DrawnChild Guessing(Random random) => new(new HashSet<string>(), false, null, true, random);

    /// <summary>A child who reads in a way that the catalogue does not list.</summary>
    public static DrawnChild Odd(Random random) =>
        new(new HashSet<string>(), false, UnlistedReading.All[random.Next(UnlistedReading.All.Count)], false, random);

    /// <summary>What they answer, as it would be typed.</summary>
    public string Answer(Item item)
    {
        if (_guesses) return TypedAnswer.Write(item, ClockTime.All().ElementAt(_random.Next(ClockTime.MinutesRound)), _random);
        var fate = _random.NextDouble();
        if (fate < Consistency) return OwnAnswer(item);
        return fate < Consistency + Noise ? TypedAnswer.Write(item, Slip(item.Time), _random) : TypedAnswer.Write(item, item.Time, _random);
    }

    private string OwnAnswer(Item item)
    {
        if (_odd is not null) return TypedAnswer.Write(item, _odd.Reads(item.Task, item.Time), _random);
        var outcomes = SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, Patterns, Benchmarks);
        var fate = _random.NextDouble();
        foreach (var (answer, share) in outcomes)
        {
            fate -= share;
            if (fate < 0) return TypedAnswer.InSomeForm(answer, _random);
        }
        return outcomes[^1].Answer;
    }

    private ClockTime Slip(ClockTime time) => _random.Next(2) == 0
        ? time.Plus(Slips[_random.Next(Slips.Count)])
        : ClockTime.All().ElementAt(_random.Next(ClockTime.MinutesRound));
}
