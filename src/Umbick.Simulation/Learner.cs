using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Simulation;

/// <summary>How a learner takes in what they meet: shares, 0 to 1, by which a pattern grows weaker or firmer with one answer.</summary>
/// <param name="Alone">By a telling item that went the pattern's way and was told.</param>
/// <param name="InContrast">The same, right after its neighbour that came right: the two are seen to differ in one thing.</param>
/// <param name="Success">By a telling item that came right.</param>
/// <param name="Confirmed">How much firmer it grows by an item at which the pattern came right as well.</param>
public sealed record LearningRates(double Alone, double InContrast, double Success, double Confirmed)
{
    /// <summary>
    /// Who learns from contrast: four times as much as from the same item alone. An assumption, and what the sets are built on.
    /// </summary>
    public static LearningRates FromContrast { get; } = new(0.05, 0.2, 0.03, 0.01);

    /// <summary>Who learns from each telling item alike, whatever stands before it.</summary>
    public static LearningRates FromEach { get; } = new(0.05, 0.05, 0.03, 0.01);
}

/// <summary>
/// A child with one pattern who unlearns it by practice, in the simplest way that can be stated: its strength, 0 to 1, is how often it is
/// followed, and every answer changes that by a fixed share (a linear operator after R. R. Bush and F. Mosteller, Stochastic Models for
/// Learning, 1955). It is no finding about children.
/// </summary>
/// <param name="held">The pattern.</param>
/// <param name="rates">How they learn.</param>
/// <param name="random">Chance.</param>
public sealed class Learner(HeldPattern held, LearningRates rates, Random random)
{
    private const double AtFirst = 0.95;
    private Item? _cameRight;

    /// <summary>How often the pattern is followed where it tells, 0 to 1.</summary>
    public double Strength { get; private set; } = AtFirst;

    /// <summary>Meets an item, with what is told after it.</summary>
    /// <returns>Whether the answer was right; null where it tells nothing.</returns>
    public bool? Meets(Item item)
    {
        var before = _cameRight;
        var told = item.Task == ClockTasks.Judge || item.Task == ClockTasks.RepairClock || held.IsTelling(item);
        var right = !told || random.NextDouble() >= Strength;
        _cameRight = right ? item : null;
        Strength *= 1 - (!told ? -rates.Confirmed : right ? rates.Success : IsNeighbour(before, item) ? rates.InContrast : rates.Alone);
        Strength = Math.Min(Strength, AtFirst);
        return told ? right : null;
    }

    private static bool IsNeighbour(Item? before, Item item) =>
        before is not null && ((before.Task == item.Task && (before.Time.Hour == item.Time.Hour || before.Time.Minute == item.Time.Minute))
            || before.Time == item.Time);
}
