using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>
/// Every pattern that Umbick knows. To add one, add an entry to the list of its step and rows to the catalogue's tests: nothing else
/// changes.
/// </summary>
public static class Catalogue
{
    /// <summary>Every pattern, in the order of the steps.</summary>
    public static IReadOnlyList<Pattern> All { get; } =
    [
        .. HandsPatterns.All,
        .. HourPatterns.All,
        .. MinutesPatterns.All,
        .. PastOrToPatterns.All,
        .. FractionsPatterns.All,
        .. WritingPatterns.All,
        .. PlacingPatterns.All,
        .. CountingOnPatterns.All,
        .. DayHalvesPatterns.All,
        .. AnsweringPatterns.All,
    ];

    /// <summary>Two patterns that look alike at the first stages, as they are called where no clock that is taught parts them.</summary>
    public static IReadOnlyList<Pattern> Pairs { get; } = [.. HourPatterns.Pairs, .. PlacingPatterns.Pairs];

    /// <summary>The id of the pattern that is no way of reading: one answer, given again and again.</summary>
    public const string SameAnswer = "same-answer";

    /// <summary>
    /// Patterns that rest on one idea and so come together more often than chance would have it: an hour, like everything else, has a
    /// hundred parts. With each pair the share of children who have both, before anything is asked.
    /// </summary>
    public static IReadOnlyList<(string First, string Second, double Both)> Linked { get; } = [("quarter-is-25", "half-is-50", 0.01)];

    /// <summary>
    /// The share of children, 0 to 1, who take a step in a way that nobody has listed; 0 where a step has too few answers for one.
    /// </summary>
    public static double OtherWeight(Step step) => step switch
    {
        Step.Hour => 0.03,
        Step.Minutes => 0.05,
        Step.PastOrTo => 0.03,
        Step.Placing => 0.04,
        Step.Fractions => 0.015,
        Step.Writing => 0.02,
        _ => 0,
    };

    /// <summary>What is read when a step is taken rightly, as a noun.</summary>
    public static string ReadsRightly(Step step, Wording wording) => step switch
    {
        Step.Hands => "the hands told apart",
        Step.Hour => "the hour last passed",
        Step.Minutes => "the minutes counted in fives",
        Step.PastOrTo => $"‘{wording.Past}’ and ‘{wording.To}’ said rightly",
        Step.Fractions => "quarter as 15 and half as 30",
        Step.Writing => "the time written in full",
        Step.Setting => "a clock set as it is read",
        Step.CountingOn => "sixty minutes to the hour",
        Step.DayHalves => "the halves of the day told apart",
        Step.Answering => "each clock answered for itself",
        _ => "the hour hand in its true place",
    };

    /// <summary>The pattern or the pair with this id, or null.</summary>
    public static Pattern? Find(string? id) => All.Concat(Pairs).FirstOrDefault(pattern => pattern.Id == id);
}
