using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>How one child has their patterns: the variant, and where in it they stand.</summary>
/// <param name="Variant">The variant.</param>
/// <param name="Benchmarks">Whether they know o'clock, half and quarters as wholes.</param>
/// <param name="First">The one of two halves that a variant splits the clock into: the earlier begin, the right side, the hours up to six,
/// figures.</param>
public sealed record Traits(Variant Variant, bool Benchmarks, bool First)
{
    private static readonly bool[] Either = [false, true];

    /// <summary>Every way in which a child may have a pattern in one of these variants.</summary>
    public static IReadOnlyList<Traits> All(IEnumerable<Variant> variants) =>
        [.. from variant in variants from benchmarks in Either from first in Either select new Traits(variant, benchmarks, first)];

    /// <summary>Whether their rule holds at an item.</summary>
    /// <param name="item">The item.</param>
    /// <param name="place">Which answer it is, from 0.</param>
    public bool Follows(Item item, int place) => Variant switch
    {
        Variant.CloseHands => item.Time.Minute != 0 && Math.Abs((((item.Time.Hour * 5) + (item.Time.Minute / 12.0) - item.Time.Minute + 90)
            % 60) - 30) <= 6,
        Variant.Learns => place < 6,
        Variant.EverySecond => place % 2 == 0,
        Variant.ReadsRightly => item.Task.Form == AnswerForm.Hands,
        Variant.HalfKnown => item.Time.Minute is not (0 or 30),
        Variant.SetsRightly => item.Task.Form != AnswerForm.Hands,
        Variant.LateOnly => item.Time.Minute >= (First ? 35 : 40),
        Variant.OneSide => item.Time.Minute == 0 || item.Time.Minute <= 30 == First,
        Variant.SomeHours => item.Time.Hour <= 6 == First,
        Variant.OneForm => item.Task.Form == AnswerForm.Hands || item.Task.Form == AnswerForm.Digital == First,
        _ => true,
    };

    /// <summary>How often they follow it at one of their answers, counted from 0.</summary>
    /// <param name="consistency">How often they follow it when they are fresh, 0 to 1.</param>
    /// <param name="place">Which answer it is.</param>
    public double ConsistencyAt(double consistency, int place) => Variant switch
    {
        Variant.Tires when place >= 8 => Math.Min(consistency, 0.67),
        Variant.WarmsUp when place < 2 => 0,
        _ => consistency,
    };

    /// <summary>What they answer who follow no rule: how far off, in minutes, each with its share; what is left is any time.</summary>
    /// <param name="hasRule">Whether they have a rule of their own; who has none is off wherever they are not right.</param>
    public static IReadOnlyList<(int Off, double Share)> OffTheRule(bool hasRule)
    {
        var near = hasRule ? 0.06 : 0.31;
        return [(0, hasRule ? 0.5 : 0), (5, near), (-5, near), (1, 0.06), (-1, 0.06), (ClockTime.MinutesRound / 12, 0.06),
            (-ClockTime.MinutesRound / 12, 0.06), (10, 0.035), (-10, 0.035)];
    }
}
