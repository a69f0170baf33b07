using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Training;

/// <summary>An answer as a made-up child gives it.</summary>
/// <param name="Raw">The answer, as it would be typed.</param>
/// <param name="Seconds">How long it took, in seconds.</param>
/// <param name="Manner">What was to be seen while it came; empty where nothing was.</param>
public sealed record HeardAnswer(string Raw, int Seconds, string Manner);

/// <summary>
/// A child who is made up for one conversation, and not by the engine's rules: in variants, with slips, in words of their own. The same
/// number makes the same child, and the same questions get the same answers.
/// </summary>
public sealed class MadeUpChild
{
    /// <summary>How often, at least, a child follows their way: one who hardly does could be found by nobody in ten clocks.</summary>
    private const double LeastConsistent = 0.85;

    /// <summary>How often a child with nothing to find, and one who slips, follows the clock.</summary>
    internal const double RightOfNothing = 0.985, RightOfSlips = 0.68;

    private static readonly string[] Aliases =
        ["Bramble", "Curlew", "Dunlin", "Lichen", "Marram", "Samphire", "Sedge", "Teasel", "Thrift", "Whimbrel", "Yarrow", "Sallow"];

    private readonly Func<Random, VariedChild> _make;
    private readonly int _seed;

    private MadeUpChild(TrainingLevel level, int seed, Verdict truth, Func<Random, VariedChild> make)
    {
        (Level, _seed, Truth, _make) = (level, seed, truth, make);
        Alias = Aliases[new Random(seed).Next(Aliases.Length)];
    }

    /// <summary>The level that the child belongs to.</summary>
    public TrainingLevel Level { get; }

    /// <summary>The number that makes the child.</summary>
    public int Seed => _seed;

    /// <summary>What lies behind the answers.</summary>
    public Verdict Truth { get; }

    /// <summary>What the child is called.</summary>
    public string Alias { get; }

    /// <summary>Children of this many kinds' worth of numbers follow each other: a quarter of them has nothing to find.</summary>
    internal const int Round = 60;

    /// <summary>Makes the child of a number.</summary>
    /// <param name="level">The level: its own kind comes as often as not, nothing one time in four.</param>
    /// <param name="seed">The number, from 1. By its place in the round it has its kind: kinds do not come more often for being
    /// plainer.</param>
    /// <param name="patterns">The patterns that a child may have.</param>
    public static MadeUpChild Make(TrainingLevel level, int seed, TrainingPatterns patterns)
    {
        var random = new Random(unchecked((seed * 7919) + (int)level));
        var kind = (((((seed - 1) % Round) * 37) + (11 * (int)level)) % Round) switch
        {
            < Round / 4 => (TrainingLevel?)null,
            < Round / 2 when level > TrainingLevel.OnePattern => (TrainingLevel)random.Next((int)level),
            _ => level,
        };
        return kind switch
        {
            null => new(level, seed, Verdict.Nothing, chance => VariedChild.Slipping(RightOfNothing, chance)),
            TrainingLevel.Slips => new(level, seed, Verdict.Slips, chance => VariedChild.Slipping(RightOfSlips, chance)),
            TrainingLevel.Guesser => new(level, seed, Verdict.Guessing,
                random.Next(2) == 0 ? VariedChild.Guesser : VariedChild.GuessesTheRest),
            TrainingLevel.Two => Having(level, seed, patterns.Two(random)),
            TrainingLevel.LookAlikes => Having(level, seed, [patterns.Alike[random.Next(patterns.Alike.Count)]]),
            _ => Having(level, seed, [patterns.All[random.Next(patterns.All.Count)]]),
        };
    }

    private static MadeUpChild Having(TrainingLevel level, int seed, IReadOnlyList<Pattern> patterns)
    {
        string[] ids = [.. patterns.Select(pattern => pattern.Id)];
        return new(level, seed, Verdict.Of(ids), chance => VariedChild.With(ids, TrainingPatterns.Variants, chance, LeastConsistent));
    }

    /// <summary>What the child answers, one after the other.</summary>
    /// <param name="items">What is asked, in order.</param>
    public IReadOnlyList<HeardAnswer> Answers(IEnumerable<Item> items)
    {
        var child = Speaking();
        return [.. items.Select((item, place) => Heard(item, child.Answer(item), place))];
    }

    /// <summary>The child, who has been asked nothing yet.</summary>
    internal VariedChild Speaking() => _make(new Random(_seed));

    /// <summary>How it came: longer where it is harder, and now and then something is to be seen.</summary>
    private HeardAnswer Heard(Item item, string raw, int place)
    {
        var random = new Random(unchecked((_seed * 31) + (place * 977)));
        var hard = item.Time.Minute == 0 ? 0 : item.Time.Minute % 15 == 0 ? 2 : item.Time.Minute % 5 == 0 ? 4 : 7;
        var seconds = 2 + hard + random.Next(1 + hard);
        var guesses = Truth == Verdict.Guessing && item.Time.Minute % 30 != 0;
        var manner = (guesses, random.Next(5)) switch
        {
            (true, < 3) => "at once, without a look",
            (false, 0) when item.Right is PlacedAnswer { Hands: null } => "turns the hand, looks, turns it back a little",
            (false, 0) when item.Task.Form == AnswerForm.Hands => "turns one hand, looks, turns the other",
            (false, < 2) when item.Task == ClockTasks.HourOnly => "looks from one numeral to the next",
            (false, 0) when item.Time.Minute % 15 != 0 => "a finger goes round the edge",
            (false, 1) when hard > 2 => "“um …”, looks up, looks again",
            (false, 2) when hard > 0 => "lips move",
            _ => "",
        };
        return new(raw, guesses ? 1 + random.Next(3) : seconds, manner);
    }
}
