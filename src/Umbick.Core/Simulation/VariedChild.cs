using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Simulation;

/// <summary>
/// A child whom the engine does not expect: the catalogue's patterns with the variants that real children show, slips of a hand and a
/// tongue, odd ways. It knows nothing of procedures, priors or noise as the engine has them.
/// </summary>
public sealed class VariedChild : IAnsweringChild
{
    private const double LeastConsistent = 0.7, MostConsistent = 0.97;

    private static readonly IReadOnlySet<string> Nobody = new HashSet<string>();

    private readonly Random _random;
    private readonly Variant _variant;
    private readonly OddWay? _odd;
    private readonly double _consistency;
    private readonly bool _benchmarks;
    private readonly int _from;
    private readonly bool _right;
    private readonly int _manner;
    private int _count;
    private string _last = "";

    private VariedChild(IReadOnlySet<string> patterns, Variant variant, OddWay? odd, double consistency, Random random)
    {
        (Patterns, _variant, _odd, _consistency, _random) = (patterns, variant, odd, consistency, random);
        (_benchmarks, _from, _right, _manner) = (random.Next(2) == 0, random.Next(2) == 0 ? 35 : 40, random.Next(2) == 0, random.Next(3));
    }

    /// <inheritdoc/>
    public IReadOnlySet<string> Patterns { get; }

    /// <summary>A child with patterns in one of these variants.</summary>
    /// <param name="patterns">The ids, each of another step.</param>
    /// <param name="variants">One of them is drawn.</param>
    /// <param name="random">Chance.</param>
    public static VariedChild With(IEnumerable<string> patterns, IReadOnlyList<Variant> variants, Random random) =>
        new(patterns.ToHashSet(), variants[random.Next(variants.Count)], null, LeastConsistent + ((MostConsistent - LeastConsistent) * random.NextDouble()), random);

    /// <summary>
    /// A child with so many patterns, each of another step and each such that it shows in one question of twelve or more of those that may be
    /// asked and is no other pattern of the catalogue: what never shows, or is the same as another, could not be found by anybody.
    /// </summary>
    /// <param name="count">How many patterns.</param>
    /// <param name="steps">The steps that they may be at.</param>
    /// <param name="variants">One of them is drawn.</param>
    /// <param name="bank">The items that may be asked.</param>
    /// <param name="random">Chance.</param>
    public static VariedChild Drawn(int count, IReadOnlyList<Step> steps, IReadOnlyList<Variant> variants, IReadOnlyList<Item> bank, Random random)
    {
        while (true)
        {
            var drawn = steps.OrderBy(_ => random.Next()).Take(count)
                .Select(step => Catalogue.All.Where(pattern => pattern.Step == step).ToList())
                .Select(patterns => patterns[random.Next(patterns.Count)].Id).ToList();
            var child = With(drawn, variants, random);
            if (drawn.TrueForAll(id => child.Shows(id, bank))) return child;
        }
    }

    private bool Shows(string pattern, IReadOnlyList<Item> bank)
    {
        var looked = bank.Where((_, i) => i % 5 == 0).ToList();
        var own = looked.ConvertAll(item => Follows(item) ? Mostly(item, new HashSet<string> { pattern }) : Mostly(item, Nobody));
        var shown = looked.Where((item, i) => own[i] != Mostly(item, Nobody)).Count();
        // Who reads the coming hour only late in the hour reads the nearest: that is the other pattern, and not a variant of this one.
        return shown * 12 >= looked.Count && !Catalogue.All.Any(other =>
            other.Id != pattern && Steps.OfReading.Contains(other.Step) && looked.Where((item, i) => own[i] != Mostly(item, new HashSet<string> { other.Id })).Count() * 4 < shown);
    }

    private string Mostly(Item item, IReadOnlySet<string> patterns) =>
        SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, patterns, _benchmarks).MaxBy(outcome => outcome.Share).Answer;

    /// <summary>A child who reads in a way that no catalogue lists.</summary>
    public static VariedChild Odd(Random random) =>
        new(new HashSet<string>(), Variant.Plain, OddWay.All[random.Next(OddWay.All.Count)], 0.8 + (0.17 * random.NextDouble()), random);

    /// <summary>A child who reads rightly and slips in 8 to 15 answers of a hundred.</summary>
    public static VariedChild Careless(Random random) => new(new HashSet<string>(), Variant.Plain, null, 0.85 + (0.07 * random.NextDouble()), random);

    /// <inheritdoc/>
    public string Answer(Item item)
    {
        _count++;
        if (_variant == Variant.RepeatsLast && _last.Length > 0 && _random.NextDouble() < 0.12) return _last;
        var consistency = _variant == Variant.Tires && _count > 8 ? Math.Min(_consistency, 0.67) : _consistency;
        return _last = _random.NextDouble() < consistency ? Own(item) : OffTheirRule(item);
    }

    private string Own(Item item)
    {
        if (_odd is not null) return Spoken(item, _odd.Reads(item.Task.Id, item.Time));
        if (!Follows(item)) return Spoken(item, item.Time);
        var outcomes = SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, Patterns, _benchmarks);
        var fate = _random.NextDouble();
        foreach (var (answer, share) in outcomes)
        {
            fate -= share;
            if (fate < 0) return InTheirWords(item, answer);
        }
        return InTheirWords(item, outcomes[^1].Answer);
    }

    /// <summary>Whether the rule holds here, for a child with this variant.</summary>
    private bool Follows(Item item) => _variant switch
    {
        Variant.HalfKnown => item.Time.Minute is not (0 or 30),
        Variant.SetsRightly => item.Task.Form != AnswerForm.Hands,
        Variant.LateOnly => item.Time.Minute >= _from,
        Variant.OneSide => item.Time.Minute == 0 || item.Time.Minute <= 30 == _right,
        _ => true,
    };

    /// <summary>Off their own rule a child is mostly right, or near; hardly ever anywhere.</summary>
    private string OffTheirRule(Item item)
    {
        var fate = _random.NextDouble();
        var slip = fate switch
        {
            < 0.5 when Patterns.Count > 0 || _odd is not null => 0,
            < 0.62 => 5 * Sign(),
            < 0.74 => Sign(),
            < 0.86 => 60 * Sign(),
            < 0.93 => 10 * Sign(),
            _ => _random.Next(ClockTime.MinutesRound),
        };
        return Spoken(item, item.Time.Plus(slip));
    }

    private int Sign() => _random.Next(2) == 0 ? -1 : 1;

    private string Spoken(Item item, ClockTime time) => InTheirWords(item, TypedAnswer.Of(item, time, _random));

    /// <summary>One who says times their own way, says them so whatever they read.</summary>
    private string InTheirWords(Item item, string answer)
    {
        if (_variant != Variant.OwnWords || item.Task.Form != AnswerForm.Words || AnswerParser.Parse(answer).Meaning is not { Minute: > 0 } time) return answer;
        return _manner switch
        {
            0 => string.Create(CultureInfo.InvariantCulture, $"{time.Minute} past {time.Hour}"),
            1 => string.Create(CultureInfo.InvariantCulture, $"{time.Hour} {time.Minute:00}"),
            _ => time.Minute == 30 ? $"half to {Hours.After(time.Hour)}" : string.Create(CultureInfo.InvariantCulture, $"{time.Minute} past {time.Hour}"),
        };
    }
}
