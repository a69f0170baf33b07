using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>A misconception as a rule that produces answers.</summary>
/// <param name="Id">The stable id that stands in files and in the database.</param>
/// <param name="Weight">How common it is before anything is asked: its share of children at its step, 0 to 1.</param>
/// <param name="Rule">The rule.</param>
/// <param name="Texts">What is said about it.</param>
public sealed record Pattern(string Id, double Weight, StepRule Rule, PatternTexts Texts)
{
    /// <summary>Its step.</summary>
    public Step Step => Rule.Step;

    internal PatternTexts Texts { get; } = Texts;

    /// <summary>What is said about it where times are said and written like this.</summary>
    public PatternTexts TextsIn(Wording wording) => Texts.In(wording);

    /// <summary>The patterns that many questions cannot tell it from: it is never called before they have been told apart.</summary>
    public IReadOnlyList<string> Alike { get; init; } = [];

    /// <summary>
    /// The two patterns that it may be, where nothing that is taught yet tells which: it is called in their place. None for a pattern of
    /// its own.
    /// </summary>
    public IReadOnlyList<string> Either { get; init; } = [];

    /// <summary>Whether it is another pattern, or may be.</summary>
    public bool Covers(Pattern other) => this == other || Either.Contains(other.Id);

    /// <summary>Whether it shows at one place of the minute hand only, so that it cannot be seen at two.</summary>
    public bool ShowsAtOnePlace { get; init; }

    /// <summary>Whether it shows only where the hour is twelve.</summary>
    public bool ShowsOnlyAtTwelve { get; init; }

    /// <summary>The same pattern as some children have it: late in the hour only, on one side of the face only.</summary>
    public IReadOnlyList<StepRule> Variants { get; init; } = [];

    /// <summary>Whether some children with it know o'clock, half and quarters as wholes and have those right.</summary>
    public bool BenchmarksMayBeRight { get; init; }
}
