using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>
/// The catalogue read a second time: the patterns' rules written again as plain arithmetic, without the engine's types, so that one mistake
/// does not hide in both. A test compares the two row by row. Simulated children answer by these rules.
/// </summary>
public static class SecondReading
{
    /// <summary>An answer as it would be typed, and its share, 0 to 1.</summary>
    public readonly record struct Outcome(string Answer, double Share);

    private readonly record struct Read(int Hour, int Minutes, double Share);

    /// <summary>What a child answers who follows their way.</summary>
    /// <param name="task">The id of one of the six plain tasks, or of one about a single hand, where the hands are, or a sentence that
    /// fixes them.</param>
    /// <param name="h">The hour, 1 to 12.</param>
    /// <param name="m">The minutes, 0 to 59.</param>
    /// <param name="has">The ids of their patterns, at most one a step.</param>
    /// <param name="benchmarks">Whether o'clock, half and quarters come out right whatever their minutes pattern.</param>
    /// <exception cref="ArgumentException">The task is none of these.</exception>
    public static IReadOnlyList<Outcome> Answers(string task, int h, int m, IReadOnlySet<string> has, bool benchmarks) => task switch
    {
        TaskIds.ReadDigital => Merge(
            Reads(h, m, has, benchmarks).Select(read => new Outcome(Write(read.Hour, read.Minutes, has), read.Share))),
        TaskIds.ReadWords => Merge(Reads(h, m, has, benchmarks).SelectMany(read => Say(h, read, has))),
        TaskIds.DigitalToWords => Merge(Say(h, new Read(h, m, 1), has)),
        TaskIds.WordsToDigital => Heard(h, m, has) is var (hour, minutes) ? [new Outcome(Write(hour, minutes, has), 1)] : [],
        TaskIds.SetFromDigital => Merge(Set(h, m, h, m, has, benchmarks)),
        TaskIds.SetFromWords => Heard(h, m, has) is var (hour, minutes) ? Merge(Set(hour, minutes, h, m, has, benchmarks)) : [],
        TaskIds.HourOnly => Merge(HoursRead(h % 12, m, 60, has).Select(read => new Outcome(HourAlone(read.Hour, h, m), read.Share))),
        TaskIds.MinutesOnly => Merge(
            MinutesRead(m, m != 0, has, benchmarks).Select(read => new Outcome($":{read.Minutes:00}", read.Share))),
        TaskIds.Describe => Merge(Described(h, m, has)),
        TaskIds.Story => Merge(
            ReadOff(h, m, has, benchmarks).Select(read => new Outcome(Write(read.Hour, read.Minutes, has), read.Share))),
        TaskIds.PlaceHourHand => Merge(HourHands(h, HourHandOffset(m, has), has).Select(hand => new Outcome(
            FormattableString.Invariant($"{hand.Sixtieths / 60.0:0.##}|"), hand.Share))),
        TaskIds.PlaceMinuteHand or TaskIds.SetMinutes => Merge(
            MinuteHandPlaces(m, m != 0, has, benchmarks).Select(place => new Outcome($"|{place.Tick}", place.Share))),
        _ => throw new ArgumentException($"There is no second reading of '{task}'.", nameof(task)),
    };

    private static List<Outcome> Merge(IEnumerable<Outcome> outcomes) =>
        [.. outcomes.GroupBy(outcome => outcome.Answer).Select(group => new Outcome(group.Key, group.Sum(outcome => outcome.Share)))];

    private static int Round12(int hour) => ((hour % 12) + 11) % 12 + 1;

    // Reading ------------------------------------------------------------------------------------------------------

    private static IEnumerable<Read> Reads(int h, int m, IReadOnlySet<string> has, bool benchmarks)
    {
        if (!has.Contains("hands-swapped")) return ReadOff(h, m, has, benchmarks);
        return from place in ShortHandAsLong(h, m)
               from hour in HoursRead(m / 5, m % 5, 5, has)
               from minutes in MinutesRead(place.Tick, m % 5 != 0, has, benchmarks)
               select Together(hour.Hour, minutes, place.Share * hour.Share, has);
    }

    /// <summary>What is read off hands that are taken for what they are.</summary>
    private static IEnumerable<Read> ReadOff(int h, int m, IReadOnlySet<string> has, bool benchmarks) =>
        from hour in HoursRead(h % 12, m, 60, has)
        from minutes in MinutesRead(m, m != 0, has, benchmarks)
        select Together(hour.Hour, minutes, hour.Share, has);

    private static Read Together(
        int hour, (int Minutes, int HoursOn, double Share) minutes, double hourShare, IReadOnlySet<string> has) => new(
        minutes.Minutes == 30 && has.Contains("half-is-half-past-six") ? 6 : Round12(hour + minutes.HoursOn), minutes.Minutes,
        hourShare * minutes.Share);

    /// <summary>Ticks at which the short hand is seen by whoever takes it for the long one.</summary>
    private static (int Tick, double Share)[] ShortHandAsLong(int h, int m)
    {
        // In sixtieths of a space the short hand stands at 60 h + m, in ticks at a twelfth of that.
        var shortHand = ((h % 12) * 60) + m;
        return
        [
            (shortHand / 60 * 5, 0.45), (shortHand / 12, 0.18), ((shortHand + 6) / 12 % 60, 0.12),
            ((shortHand + 30) / 60 * 5 % 60, 0.25),
        ];
    }

    /// <summary>Who says the right hour says also how far past it the hand is.</summary>
    private static string HourAlone(int said, int h, int m) => said != h ? $"{said}" : m switch
    {
        0 => $"{said} on",
        < 25 => $"{said} little past",
        > 35 => $"{said} nearly next",
        _ => $"{said} halfway",
    };

    /// <summary>Where the hands are said to be: the short one on a numeral or between two, the long one at the nearest.</summary>
    private static IEnumerable<Outcome> Described(int h, int m, IReadOnlySet<string> has)
    {
        if (!has.Contains("hands-swapped")) return [At(h % 12, m != 0, m, 1)];
        return ShortHandAsLong(h, m).Select(place => At(m / 5, m % 5 != 0, place.Tick, place.Share));

        Outcome At(int passed, bool between, int tick, double share)
        {
            var (from, at) = (Round12(passed + 12), Round12(((tick + 2) / 5) + 12));
            return new(between ? $"between {from} and {Round12(from + 1)}, {at}" : $"on {from}, {at}", share);
        }
    }

    /// <summary>Hours read off a hand that has passed a numeral (0 to 11) by some parts of a space.</summary>
    private static IEnumerable<(int Hour, double Share)> HoursRead(int passed, int parts, int ofSpace, IReadOnlySet<string> has)
    {
        var (here, next) = (passed == 0 ? 12 : passed, passed + 1);
        if (has.Contains("previous-hour")) return [(Round12(here + 11), 1)];
        if (parts == 0) return [(here, 1)];
        if (has.Contains("next-hour")) return [(next, 1)];
        if (has.Contains("lower-numeral")) return [(next < here ? next : here, 1)];
        if (!has.Contains("nearest-hour")) return [(here, 1)];
        return (2 * parts).CompareTo(ofSpace) switch { < 0 => [(here, 1)], > 0 => [(next, 1)], _ => [(here, 0.5), (next, 0.5)] };
    }

    private static IEnumerable<(int Minutes, int HoursOn, double Share)> MinutesRead(
        int tick, bool between, IReadOnlySet<string> has, bool benchmarks)
    {
        var whole = tick is 0 or 15 or 30 or 45;
        var (numeral, ticks) = (tick / 5, tick % 5);
        var named = numeral == 0 ? 12 : numeral;
        foreach (var id in has)
        {
            var known = benchmarks && whole;
            switch (id)
            {
                case "numeral-as-minutes" when known:
                case "fives-from-twelve" when known:
                case "fives-from-one-as-nought" when known:
                case "counts-in-twos" when known:
                case "counts-in-tens" when known:
                case "anticlockwise" when known:
                case "minutes-to-as-minutes" when known:
                case "between-is-half" when known:
                case "minutes-ignored" when known:
                    return [(tick, 0, 1)];
                case "numeral-as-minutes":
                    if (ticks == 0) return [(named, 0, 1)];
                    return named < 10
                        ? [(named, 0, 0.45), (named + ticks, 0, 0.45), ((10 * named) + ticks, 0, 0.1)]
                        : [(named, 0, 0.5), (named + ticks, 0, 0.5)];
                case "fives-from-twelve": return [(tick + 5, 0, 1)];
                case "fives-from-one-as-nought": return [(tick >= 5 ? tick - 5 : tick, 0, 1)];
                case "counts-in-twos": return [(tick - (3 * numeral), 0, 1)];
                case "counts-in-tens": return [(tick + (5 * numeral), 0, 1)];
                case "whole-fives-only": return [(tick - ticks, 0, 1)];
                case "nearest-five": return tick >= 58 ? [(0, 1, 1)] : [(ticks < 3 ? tick - ticks : tick - ticks + 5, 0, 1)];
                case "counts-first-tick": return [(ticks > 0 ? tick + 1 : tick, 0, 1)];
                case "ticks-in-fives": return [(tick + (4 * ticks), 0, 1)];
                case "anticlockwise": return [(tick == 0 ? 0 : 60 - tick, 0, 1)];
                case "minutes-to-as-minutes": return tick > 30 ? [(60 - tick, 0, 0.5), (60 - tick, 1, 0.5)] : [(tick, 0, 1)];
                case "restarts-at-six": return known ? [(tick, 0, 1)] : [(tick <= 30 ? tick : tick - 30, 0, 1)];
                case "rounds-to-quarters": return tick > 52 ? [(0, 1, 1)] : [(tick - ((tick + 7) % 15) + 7, 0, 1)];
                case "says-sixty": return [(tick == 0 ? 60 : tick, 0, 1)];
                case "between-is-half": return [(between ? 30 : tick, 0, 1)];
                case "minutes-ignored": return [(0, 0, 1)];
            }
        }
        return [(tick, 0, 1)];
    }

    // Words --------------------------------------------------------------------------------------------------------

    private static IEnumerable<Outcome> Say(int shownHour, Read read, IReadOnlySet<string> has)
    {
        var (hour, minutes) = (read.Hour, read.Minutes);
        var coming = Round12(hour + 1);
        var late = minutes is > 30 and < 60;
        List<(int Amount, string Way, int Hour, double Share)> said = minutes switch
        {
            0 => [(0, "o'clock", hour, 1)],
            _ when late && has.Contains("to-as-past") => [(60 - minutes, "past", hour, 0.5), (60 - minutes, "past", coming, 0.5)],
            _ when late && has.Contains("to-this-hour") => [(60 - minutes, "to", hour, 1)],
            _ when late && has.Contains("to-without-turning") => [(minutes, "to", coming, 1)],
            _ when minutes < 30 && has.Contains("past-as-to") => [(minutes, "to", hour, 0.5), (minutes, "to", coming, 0.5)],
            _ when late && has.Contains("past-to-exchanged") => [(60 - minutes, "past", coming, 1)],
            _ when minutes < 30 && has.Contains("past-to-exchanged") => [(minutes, "to", hour, 1)],
            _ when late => [(60 - minutes, "to", coming, 1)],
            _ => [(minutes, "past", hour, 1)],
        };
        // Whoever reads the coming hour may say 'to' with just that, and is right by accident.
        if (late && hour == Round12(shownHour + 1))
        {
            said = [.. said.Select(each => each with { Share = 0.75 * each.Share })];
            said.Add((60 - minutes, "to", hour, 0.25));
        }
        foreach (var known in said)
        {
            var (amount, way, named) = (known.Amount, known.Way, known.Hour);
            if (has.Contains("quarter-is-25") && amount == 25) amount = 15;
            if (has.Contains("half-is-50") && minutes == 50) (amount, way, named) = (30, "past", hour);
            if (has.Contains("half-names-next") && minutes == 30) (amount, way, named) = (30, "past", coming);
            if (has.Contains("fraction-is-numeral") && amount == 3) amount = 15;
            if (has.Contains("fraction-is-numeral") && amount == 6 && way == "past") amount = 30;
            yield return new Outcome(InWords(amount, way, named), read.Share * known.Share);
        }
    }

    private static string InWords(int amount, string way, int hour) => (amount, way) switch
    {
        (_, "o'clock") => $"{hour} o'clock",
        (15, _) => $"quarter {way} {hour}",
        (30, _) => $"half {way} {hour}",
        _ => $"{amount} {way} {hour}",
    };

    private static (int Hour, int Minutes) Heard(int h, int m, IReadOnlySet<string> has)
    {
        if (m == 0) return (h, 0);
        if (m <= 30)
        {
            var (hour, amount) = (h, m);
            if (amount == 15 && has.Contains("quarter-is-25")) amount = 25;
            if (amount == 30 && has.Contains("half-is-50")) amount = 50;
            if (has.Contains("fraction-is-numeral") && amount is (15 or 30)) amount /= 5;
            if (amount == 30 && has.Contains("half-names-next")) hour = Round12(h + 11);
            return (has.Contains("past-as-to") || has.Contains("past-to-exchanged")) && amount != 30 ? (Round12(hour + 11), 60 - amount)
                : (hour, amount);
        }
        var (named, left) = (Round12(h + 1), 60 - m);
        if (left == 15 && has.Contains("quarter-is-25")) left = 25;
        if (left == 15 && has.Contains("fraction-is-numeral")) left = 3;
        if (has.Contains("to-as-past") || has.Contains("past-to-exchanged")) return (named, left);
        if (has.Contains("to-this-hour")) return (named, 60 - left);
        return has.Contains("to-without-turning") ? (h, left) : (h, 60 - left);
    }

    // Figures ------------------------------------------------------------------------------------------------------

    private static string Write(int hour, int minutes, IReadOnlySet<string> has)
    {
        if (has.Contains("hour-alone")) return $"{hour}";
        if (has.Contains("minutes-first")) return $"{minutes}:{hour}";
        if (has.Contains("no-leading-zero") && minutes < 10) return $"{hour}:{minutes}";
        if (has.Contains("zero-after") && minutes < 10) return $"{hour}:{minutes}0";
        return $"{hour}:{minutes:00}";
    }

    // Setting ------------------------------------------------------------------------------------------------------

    private static IEnumerable<Outcome> Set(
        int hour, int minutes, int askedHour, int askedMinute, IReadOnlySet<string> has, bool benchmarks)
    {
        foreach (var (tick, tickShare) in MinuteHandPlaces(minutes, askedMinute != 0, has, benchmarks))
        {
            // Three in ten of those whose minute hand is elsewhere match the hour hand to it.
            foreach (var (matched, carried) in tick == minutes ? [(minutes, 1.0)] : new[] { (minutes, 0.7), (tick, 0.3) })
            {
                foreach (var (sixtieths, share) in HourHands(hour, HourHandOffset(matched, has), has))
                {
                    var (x, y) = has.Contains("hands-swapped") ? (tick / 5.0, sixtieths / 12.0) : (sixtieths / 60.0, tick);
                    yield return new Outcome(FormattableString.Invariant($"{x:0.##}|{y:0.##}"), tickShare * carried * share);
                }
            }
        }
    }

    /// <summary>How many sixtieths of a space from its numeral the hour hand is put for these minutes.</summary>
    private static int HourHandOffset(int minutes, IReadOnlySet<string> has) => has.Contains("hour-hand-on-numeral") ? 0
        : has.Contains("hour-hand-halfway") ? (minutes == 0 ? 0 : 30)
        : has.Contains("hour-hand-behind") ? -minutes
        : has.Contains("hand-on-nearest-numeral") ? (minutes > 30 ? 60 : 0) : minutes;

    /// <summary>
    /// Ticks at which their own reading gives these minutes; numerals are easier to aim at. The true tick where there is none.
    /// </summary>
    private static List<(int Tick, double Share)> MinuteHandPlaces(int minutes, bool between, IReadOnlySet<string> has, bool benchmarks)
    {
        double ReadsAs(int tick) =>
            MinutesRead(tick, between, has, benchmarks).Where(read => read.Minutes == minutes).Sum(read => read.Share);
        var places = Enumerable.Range(0, 60).Select(tick => (Tick: tick, Share: ReadsAs(tick))).Where(place => place.Share > 0).ToList();
        if (places.Count == 0 || ReadsAs(minutes % 60) >= 0.5) return [(minutes, 1)];
        var numerals = places.Where(place => place.Tick % 5 == 0).ToList();
        if (numerals.Count > 0) places = numerals;
        var all = places.Sum(place => place.Share);
        return [.. places.Select(place => (place.Tick, place.Share / all))];
    }

    /// <summary>Where the hour hand is put, in sixtieths of a space from the top.</summary>
    private static IEnumerable<(int Sixtieths, double Share)> HourHands(int hour, int offset, IReadOnlySet<string> has) =>
        HourHandPlaces(hour, Math.Abs(offset) % 60, has)
            .Select(place => (((((place.Numeral * 60) + offset) % 720) + 720) % 720, place.Share));

    private static List<(int Numeral, double Share)> HourHandPlaces(int hour, int into, IReadOnlySet<string> has)
    {
        double ReadsAs(int numeral) => HoursRead(numeral, into, 60, has).Where(read => read.Hour == hour).Sum(read => read.Share);
        if (ReadsAs(hour % 12) >= 0.5) return [(hour % 12, 1)];
        var places = Enumerable.Range(0, 12).Select(numeral => (Numeral: numeral, Share: ReadsAs(numeral))).Where(place => place.Share > 0)
            .ToList();
        if (places.Count == 0) return [(hour % 12, 1)];
        var all = places.Sum(place => place.Share);
        return [.. places.Select(place => (place.Numeral, place.Share / all))];
    }
}
