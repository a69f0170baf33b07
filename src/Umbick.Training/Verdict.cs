using Umbick.Core.Clocks;
using Umbick.Core.Patterns;

namespace Umbick.Training;

/// <summary>What is said to lie behind a child's answers: patterns, slips, guessing, or nothing.</summary>
public sealed record Verdict
{
    /// <summary>The child reads rightly.</summary>
    public static Verdict Nothing { get; } = new("nothing");

    /// <summary>The child reads rightly, and slips.</summary>
    public static Verdict Slips { get; } = new("slips");

    /// <summary>The child guesses.</summary>
    public static Verdict Guessing { get; } = new("guessing");

    private Verdict(string id) => Id = id;

    /// <summary>Its name in addresses and rows: the patterns' ids, or what there is in their place.</summary>
    public string Id { get; }

    /// <summary>The patterns that it names; none where it names none.</summary>
    public IReadOnlyList<Pattern> Patterns =>
        [.. Id.Split('+').Select(Catalogue.Find).OfType<Pattern>()];

    /// <summary>Whether it names a pattern.</summary>
    public bool NamesPatterns => this != Nothing && this != Slips && this != Guessing;

    /// <summary>One pattern, or two in whichever order.</summary>
    /// <param name="patterns">Their ids.</param>
    public static Verdict Of(params IEnumerable<string> patterns) => new(string.Join('+', patterns.Order(StringComparer.Ordinal)));

    /// <summary>The verdict with this id; null where there is none such.</summary>
    public static Verdict? Find(string? id) => id switch
    {
        "nothing" => Nothing,
        "slips" => Slips,
        "guessing" => Guessing,
        { Length: > 0 } when id.Split('+') is { Length: 1 or 2 } ids && ids.Distinct().Count() == ids.Length
            && Array.TrueForAll(ids, each => Catalogue.Find(each) is { Either.Count: 0 }) => Of(ids),
        _ => null,
    };

    /// <summary>It in words, to stand in a sentence: “the coming hour”.</summary>
    public string InWords(Wording wording) => Id switch
    {
        "nothing" => "nothing to find",
        "slips" => "slips",
        "guessing" => "guessing",
        _ => string.Join(" and ", Patterns.Select(pattern => pattern.TextsIn(wording).Reads)),
    };
}
