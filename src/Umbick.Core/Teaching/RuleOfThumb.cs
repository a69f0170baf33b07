namespace Umbick.Core.Teaching;

/// <summary>A rule of thumb that classes use, where it runs out, and what could be said instead.</summary>
/// <param name="Id">Its id, which stands in the database and never changes.</param>
/// <param name="Words">The rule.</param>
/// <param name="RunsOut">Where it goes wrong.</param>
/// <param name="Instead">A sentence to give to the class teacher instead.</param>
public sealed record RuleOfThumb(string Id, string Words, string RunsOut, string Instead)
{
    /// <summary>Those that are known.</summary>
    public static IReadOnlyList<RuleOfThumb> All { get; } =
    [
        new("smaller-number", "take the smaller number", "Between 12 and 1 it gives 1 and not 12.",
            "The hour is the number that the short hand has passed."),
        new("between-is-half", "between two numbers means half past", "The short hand is between two numbers at every minute but o’clock.",
            "Only halfway between two numbers means half past."),
        new("nearest-number", "take the nearest number", "From half past on it gives the coming hour.",
            "The hour is the number that the short hand has passed."),
        new("times-five", "times the number by five", "At the 12 it gives sixty, and single minutes are lost.",
            "Start at the top with nought, and count on in fives."),
    ];

    /// <summary>The one with this id, or null.</summary>
    public static RuleOfThumb? Find(string? id) => All.FirstOrDefault(rule => rule.Id == id);
}
