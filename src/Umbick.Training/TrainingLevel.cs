namespace Umbick.Training;

/// <summary>What a trainee may meet. Each level brings one kind more; the kinds before it still come.</summary>
public enum TrainingLevel
{
    /// <summary>One pattern.</summary>
    OnePattern,

    /// <summary>A pattern that many clocks cannot tell from another.</summary>
    LookAlikes,

    /// <summary>Two patterns at once.</summary>
    Two,

    /// <summary>No pattern, but slips.</summary>
    Slips,

    /// <summary>A child who guesses.</summary>
    Guesser,
}

/// <summary>The levels, as they are called.</summary>
public static class TrainingLevels
{
    private static readonly (TrainingLevel Level, string Id, string Name, string Says)[] Texts =
    [
        (TrainingLevel.OnePattern, "one-pattern", "One pattern", "A child with one way of reading. One in four has nothing to find."),
        (TrainingLevel.LookAlikes, "look-alikes", "Look-alikes", "Two ways of reading that most clocks cannot tell apart."),
        (TrainingLevel.Two, "two", "Two at once", "Two ways of reading in one child, so that answers look odd."),
        (TrainingLevel.Slips, "slips", "Slips", "Some read rightly and are careless. Some of those look like a pattern."),
        (TrainingLevel.Guesser, "guesser", "A guesser", "Some say anything. Some of what they say comes right."),
    ];

    /// <summary>All of them, the first first.</summary>
    public static IReadOnlyList<TrainingLevel> All { get; } = [.. Texts.Select(text => text.Level)];

    /// <summary>Its name in addresses and rows, which never changes.</summary>
    public static string Id(this TrainingLevel level) => Texts[(int)level].Id;

    /// <summary>What it is called.</summary>
    public static string Name(this TrainingLevel level) => Texts[(int)level].Name;

    /// <summary>What comes at it, as a sentence.</summary>
    public static string Says(this TrainingLevel level) => Texts[(int)level].Says;

    /// <summary>The level with this id, or null.</summary>
    public static TrainingLevel? Find(string? id) =>
        Texts.Where(text => text.Id == id).Select(text => (TrainingLevel?)text.Level).FirstOrDefault();
}
