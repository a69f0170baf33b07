using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Simulation;

/// <summary>
/// A child whom the engine does not expect: the catalogue's patterns with the variants that real children show, slips of a hand and a
/// tongue, odd ways. It knows nothing of procedures, priors or noise as the engine has them.
/// </summary>
public sealed class VariedChild : IAnsweringChild
{
    /// <summary>The least and the most often that a child follows their way.</summary>
    public const double LeastConsistent = 0.7, MostConsistent = 0.97;

    /// <summary>How often the answer before is said once more, by one who does that.</summary>
    public const double RepeatsLast = 0.12;

    private readonly Random _random;
    private readonly OddWay? _odd;
    private readonly double _consistency;
    private readonly int _manner;
    private int _count;
    private string _last = "";

    private VariedChild(IReadOnlySet<string> patterns, Traits traits, OddWay? odd, double consistency, Random random)
    {
        (Patterns, Traits, _odd, _consistency, _random) = (patterns, traits, odd, consistency, random);
        _manner = random.Next(3);
    }

    /// <inheritdoc/>
    public IReadOnlySet<string> Patterns { get; }

    /// <summary>How they have them.</summary>
    public Traits Traits { get; }

    /// <summary>A child with patterns in one of these variants.</summary>
    /// <param name="patterns">The ids, each of another step.</param>
    /// <param name="variants">One of them is drawn.</param>
    /// <param name="random">Chance.</param>
    /// <param name="least">The least often that they follow their way, 0 to 1.</param>
    public static VariedChild With(
        IEnumerable<string> patterns, IReadOnlyList<Variant> variants, Random random, double least = LeastConsistent) => new(
        patterns.ToHashSet(),
        new Traits(variants[random.Next(variants.Count)], random.Next(2) == 0, random.Next(2) == 0),
        null,
        least + ((MostConsistent - least) * random.NextDouble()),
        random);

    /// <summary>
    /// A child with so many patterns, each of another step and each such that it shows in one question of twelve or more of those that may
    /// be asked and is no other pattern of the catalogue: what never shows, or is the same as another, could not be found by anybody.
    /// </summary>
    /// <param name="count">How many patterns.</param>
    /// <param name="steps">The steps that they may be at.</param>
    /// <param name="variants">One of them is drawn.</param>
    /// <param name="shown">What shows in the items that may be asked.</param>
    /// <param name="random">Chance.</param>
    public static VariedChild Drawn(
        int count, IReadOnlyList<Step> steps, IReadOnlyList<Variant> variants, ShownPatterns shown, Random random)
    {
        while (true)
        {
            var drawn = steps.OrderBy(_ => random.Next()).Take(count)
                .Select(step => Catalogue.All.Where(pattern => pattern.Step == step).ToList())
                .Select(patterns => patterns[random.Next(patterns.Count)].Id).ToList();
            var child = With(drawn, variants, random);
            if (drawn.TrueForAll(id => shown.ShowsPattern(id, child.Traits))) return child;
        }
    }

    /// <summary>A child who reads in a way that no catalogue lists.</summary>
    public static VariedChild Odd(Random random) =>
        new(new HashSet<string>(), new Traits(Variant.Plain, false, false), OddWay.All[random.Next(OddWay.All.Count)],
            0.8 + (0.17 * random.NextDouble()), random);

    /// <summary>A child who reads rightly and slips in 8 to 15 answers of a hundred.</summary>
    public static VariedChild Careless(Random random) => Slipping(0.85 + (0.07 * random.NextDouble()), random);

    /// <summary>A child who reads rightly and slips: off wherever they do not follow the clock, and not by any rule.</summary>
    /// <param name="consistency">How often they follow the clock, 0 to 1.</param>
    /// <param name="random">Chance.</param>
    public static VariedChild Slipping(double consistency, Random random) =>
        new(new HashSet<string>(), new Traits(Variant.Plain, false, false), null, consistency, random);

    /// <summary>A child who says anything to every clock.</summary>
    public static VariedChild Guesser(Random random) =>
        new(new HashSet<string>(), new Traits(Variant.GuessesAll, false, false), null, MostConsistent, random);

    /// <summary>A child who reads rightly and writes badly.</summary>
    public static VariedChild WritesBadly(Random random) =>
        new(new HashSet<string>(), new Traits(Variant.BadlyWritten, false, false), null, MostConsistent, random);

    /// <summary>A child who knows o'clock and half past, and says anything where the long hand stands elsewhere.</summary>
    public static VariedChild GuessesTheRest(Random random) =>
        new(new HashSet<string>(), new Traits(Variant.GuessesTheRest, false, false), null, MostConsistent, random);

    /// <inheritdoc/>
    public string Answer(Item item)
    {
        var place = _count++;
        if (Traits.Variant == Variant.GuessesAll || (Traits.Variant == Variant.GuessesTheRest && item.Time.Minute % 30 != 0))
            return Spoken(item, new ClockTime(Hours.Named(_random.Next(12)), 5 * _random.Next(12)));
        if (Traits.Variant == Variant.DoesNotKnow && place % 5 == 4) return "?";
        if (Traits.Variant == Variant.LeavesMinutesOut && item.Time.Minute % 5 != 0) return "?";
        if (Traits.Variant == Variant.SaysNearly && place % 4 == 3 && item.Task.Form != AnswerForm.Hands) return $"about {item.Time.Hour}";
        if (Traits.Variant == Variant.RepeatsLast && _last.Length > 0 && _random.NextDouble() < RepeatsLast) return _last;
        return _last = _random.NextDouble() < Traits.ConsistencyAt(_consistency, place) ? Own(item, place) : OffTheirRule(item);
    }

    private string Own(Item item, int place)
    {
        if (_odd is not null) return Spoken(item, _odd.Reads(item.Task.Id, item.Time));
        if (!Traits.Follows(item, place)) return Spoken(item, item.Time);
        var outcomes = SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, Patterns, Traits.Benchmarks);
        var fate = _random.NextDouble();
        foreach (var (answer, share) in outcomes)
        {
            fate -= share;
            if (fate < 0) return InTheirWords(item, answer);
        }
        return InTheirWords(item, outcomes[^1].Answer);
    }

    /// <summary>Off their own rule a child is mostly right, or near; hardly ever anywhere.</summary>
    private string OffTheirRule(Item item)
    {
        var fate = _random.NextDouble();
        foreach (var (off, share) in Traits.OffTheRule(Patterns.Count > 0 || _odd is not null))
        {
            fate -= share;
            if (fate < 0) return Spoken(item, item.Time.Plus(off));
        }
        return Spoken(item, item.Time.Plus(_random.Next(ClockTime.MinutesRound)));
    }

    private string Spoken(Item item, ClockTime time) => InTheirWords(item, TypedAnswer.Write(item, time, _random));

    /// <summary>One who says times their own way, says them so whatever they read.</summary>
    private string InTheirWords(Item item, string answer)
    {
        if (Traits.Variant == Variant.BadlyWritten) return BadWriting.Of(answer, _manner, _random);
        if (Traits.Variant == Variant.HalfBefore && item.Task.Form == AnswerForm.Words
            && AnswerParser.Parse(answer).Meaning is { Minute: 30 } half) return $"half {Hours.After(half.Hour)}";
        if (Traits.Variant != Variant.OwnWords || item.Task.Form != AnswerForm.Words
            || AnswerParser.Parse(answer).Meaning is not { Minute: > 0 } time) return answer;
        return _manner switch
        {
            0 => string.Create(CultureInfo.InvariantCulture, $"{time.Minute} past {time.Hour}"),
            1 => string.Create(CultureInfo.InvariantCulture, $"{time.Hour} {time.Minute:00}"),
            _ => time.Minute == 30 ? $"half to {Hours.After(time.Hour)}"
                : string.Create(CultureInfo.InvariantCulture, $"{time.Minute} past {time.Hour}"),
        };
    }
}
