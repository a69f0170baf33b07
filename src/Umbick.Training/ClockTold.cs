using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Training;

/// <summary>Two readings that one clock parts, or does not.</summary>
/// <param name="One">The likelier one.</param>
/// <param name="Other">The other.</param>
/// <param name="OneSays">What the one answers there, as it would be typed.</param>
/// <param name="OtherSays">What the other answers there.</param>
public sealed record Parted(Verdict One, Verdict Other, string OneSays, string OtherSays);

/// <summary>What one clock of a conversation told, by what could be known when it was asked.</summary>
/// <param name="Item">The clock.</param>
/// <param name="Bits">What its answer could be expected to tell, in bits, 0 or more.</param>
/// <param name="Parts">The likeliest two readings that it parts; those that it does not, where it told nothing.</param>
/// <param name="Better">A clock that would have parted these, where it told nothing: of the same kind if one does. Null where none
/// does.</param>
/// <param name="WasSure">Whether it was known before: such a clock only confirms.</param>
public sealed record ClockTold(Item Item, double Bits, Parted? Parts, (Item Item, Parted Parts)? Better, bool WasSure)
{
    /// <summary>From here on, 0 to 1, it was known.</summary>
    private const double Known = 0.95;

    /// <summary>Below this, in bits, nearly every reading that was still open gives the same answer.</summary>
    private const double Little = 0.2;

    /// <summary>Readings less likely than this are not asked after.</summary>
    private const double LeastOpen = 0.003;

    /// <summary>No more readings are looked at.</summary>
    private const int MostOpen = 40;

    /// <summary>A reading that is still open, as the child has it likeliest by then.</summary>
    private sealed record Open(Verdict Verdict, Simulation.Traits? Traits);

    /// <summary>Whether it told something.</summary>
    public bool ToldSomething => Bits >= Little;

    /// <summary>Whether it told nothing although there was something to tell.</summary>
    public bool IsWasted => !ToldSomething && !WasSure;

    /// <summary>What each clock of a conversation told.</summary>
    /// <param name="items">The clocks.</param>
    /// <param name="weighing">How likely each verdict was after each of them.</param>
    public static IReadOnlyList<ClockTold> Each(IReadOnlyList<Item> items, Weighing weighing)
    {
        var known = new Dictionary<(Verdict, Simulation.Traits?, Item), string>();
        return [.. items.Select((item, place) =>
        {
            var open = weighing.Open(place, LeastOpen).Take(MostOpen).ToList();
            return Of(item, [.. open.Where(each => each.Verdict != Verdict.Guessing)
                .Select(each => (new Open(each.Verdict, weighing.TraitsOf(each.Verdict, place)), each.Share))]) with
            { WasSure = open[0].Share >= Known };
        })];

        ClockTold Of(Item item, List<(Open Reading, double Share)> open)
        {
            var bits = BitsOf(item, open);
            if (bits >= Little) return new(item, bits, Parting(item, open), null, false);
            var better = BetterThan(item, [item.Task], open) ?? BetterThan(item, TrainingPatterns.Tasks, open);
            var parts = better is null ? null : Parting(better, open);
            // What the better one parts is what this one left together.
            string SaysOf(Verdict verdict) => Says(open.First(each => each.Reading.Verdict == verdict).Reading, item);
            return parts is null ? new(item, bits, null, null, false)
                : new(item, bits, new(parts.One, parts.Other, SaysOf(parts.One), SaysOf(parts.Other)), (better!, parts), false);
        }

        Item? BetterThan(Item item, IReadOnlyList<ClockTask> tasks, List<(Open Reading, double Share)> open)
        {
            var times = ClockTime.All().Where(time => time.Minute % 5 == 0 && !items.Any(asked => asked.Time == time))
                // Of another kind of question a few times are enough to say which one tells.
                .Where(time => tasks.Count == 1 || time.Hour % 3 == 1);
            var best = (from time in times from task in tasks select new Item(task, time))
                .MaxBy(other => BitsOf(other, open) - (0.0001 * Hardness(other.Time)));
            return best is not null && BitsOf(best, open) >= Little ? best : null;
        }

        double BitsOf(Item item, List<(Open Reading, double Share)> open)
        {
            var all = open.Sum(each => each.Share);
            return -open.GroupBy(each => Says(each.Reading, item)).Select(group => group.Sum(each => each.Share) / all)
                .Sum(share => share * Math.Log2(share));
        }

        Parted? Parting(Item item, List<(Open Reading, double Share)> open)
        {
            if (open.Count < 2) return null;
            var one = open[0].Reading;
            var other = open.Skip(1).Select(each => each.Reading).FirstOrDefault(each => Says(each, item) != Says(one, item));
            return other is null ? null : new(one.Verdict, other.Verdict, Says(one, item), Says(other, item));
        }

        string Says(Open reading, Item item) => known.TryGetValue((reading.Verdict, reading.Traits, item), out var says) ? says
            : known[(reading.Verdict, reading.Traits, item)] =
                Normal(item, TrainingOracle.Likeliest(reading.Verdict, item, reading.Traits)!);
    }

    /// <summary>Answers that mean the same are the same.</summary>
    private static string Normal(Item item, string raw) => item.Read(raw) switch
    {
        PlacedAnswer => raw,
        { Meaning: { } time } when item.Task.Form == AnswerForm.Words => new WordsAnswer(SpokenTime.From(time)).Short(Wording.Usual),
        _ => raw,
    };

    private static int Hardness(ClockTime time) => time.Minute % 30 == 0 ? 0 : time.Minute % 15 == 0 ? 1 : 2;
}
