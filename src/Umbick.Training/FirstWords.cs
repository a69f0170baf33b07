using Umbick.Core.Patterns;
using Umbick.Core.Teaching;

namespace Umbick.Training;

/// <summary>What first words do.</summary>
public enum WordsKind
{
    /// <summary>They point where it goes wrong, and leave the reading to the child.</summary>
    Fit,

    /// <summary>They give the answer away.</summary>
    GiveAway,

    /// <summary>They mend another way of reading.</summary>
    OtherWay,

    /// <summary>They say no more than that it was not right.</summary>
    LookAgain,
}

/// <summary>First words to a child, to choose from.</summary>
/// <param name="Says">The words.</param>
/// <param name="Kind">What they do.</param>
public sealed record FirstWords(string Says, WordsKind Kind)
{
    /// <summary>Its name in addresses and rows.</summary>
    public string Id => Kind switch
    {
        WordsKind.Fit => "fit",
        WordsKind.GiveAway => "give-away",
        WordsKind.OtherWay => "other-way",
        _ => "look-again",
    };

    /// <summary>What is told of them.</summary>
    public string Told => Kind switch
    {
        WordsKind.Fit => "Your words point where it goes wrong, and leave the reading to the child.",
        WordsKind.GiveAway => "Your words give the answer away: a child can say it after you without a look at the clock.",
        WordsKind.OtherWay => "Your words mend another way of reading. This child has no trouble there, and may get some by them.",
        _ => "To look again costs nothing, and is a good first step with a slip. It does not say where to look.",
    };

    /// <summary>Words to choose from, in an order that gives nothing away.</summary>
    /// <param name="conversation">What was asked and heard.</param>
    /// <param name="given">What the trainee says that it is.</param>
    /// <param name="patterns">The patterns that children have.</param>
    /// <param name="preferences">How clocks are taught here.</param>
    public static IReadOnlyList<FirstWords> For(
        Conversation conversation, Verdict given, TrainingPatterns patterns, TeachingPreferences preferences)
    {
        var (child, wording) = (conversation.Child, preferences.Wording);
        var truth = Main(child.Truth);
        var other = given.Patterns.FirstOrDefault(pattern => !child.Truth.Patterns.Contains(pattern))
            ?? patterns.All.FirstOrDefault(pattern => truth is not null && Feedback.AreAlike(pattern, truth))
            ?? patterns.All.First(pattern => pattern.Step != truth?.Step);
        var wrong = Enumerable.Range(0, conversation.Items.Count).Where(place => !conversation.IsRight(place)).Select(place =>
            conversation.Items[place]).FirstOrDefault() ?? conversation.Items[^1];
        FirstWords[] all =
        [
            new(truth is not null ? Of(truth, preferences) : Without(child.Truth), WordsKind.Fit),
            new(Of(other, preferences), WordsKind.OtherWay),
            new($"Look, {Lower(string.Join(' ', FaceInWords.For(wrong, null, preferences)))} So it is {wording.Words(wrong.Time)}. "
                + "Now you say it.", WordsKind.GiveAway),
            new("That was not quite right. Look once more.", WordsKind.LookAgain),
        ];
        return [.. all.OrderBy(words => new Random(unchecked((child.Seed * 17) + (int)words.Kind)).Next())];
    }

    /// <summary>The one of two patterns to begin with: that of the earlier step.</summary>
    internal static Pattern? Main(Verdict verdict) => verdict.Patterns.MinBy(pattern => pattern.Step);

    private static string Of(Pattern pattern, TeachingPreferences preferences) =>
        preferences.HourFirst ? pattern.TextsIn(preferences.Wording).HourFirst : pattern.TextsIn(preferences.Wording).MinuteFirst;

    private static string Without(Verdict truth) =>
        truth == Verdict.Nothing ? "Yes. How did you find it?"
        : truth == Verdict.Slips ? "Take all the time you want. Say it once you have looked at both hands."
        : "Let us begin with one that we both know. Where are the hands at three o’clock, and why?";

    private static string Lower(string sentence) => char.ToLowerInvariant(sentence[0]) + sentence[1..];
}

/// <summary>A demonstration to choose, or none.</summary>
/// <param name="Shown">The demonstration; null for none.</param>
public sealed record FirstShown(Demonstration? Shown)
{
    /// <summary>Its name in addresses and rows.</summary>
    public string Id => Shown?.Id ?? "none";

    /// <summary>Whether it helps a child.</summary>
    public bool Fits(Verdict truth) => Shown is null ? !truth.NamesPatterns : truth.Patterns.Any(Shown.IsFor);

    /// <summary>Demonstrations to choose from, in an order that gives nothing away.</summary>
    /// <param name="child">The child.</param>
    /// <param name="given">What the trainee says that it is.</param>
    public static IReadOnlyList<FirstShown> For(MadeUpChild child, Verdict given)
    {
        var random = new Random(child.Seed);
        var fitting = child.Truth.Patterns.Concat(given.Patterns).Select(pattern => Demonstration.Offered(pattern, []))
            .Where(offered => offered.Count > 0).Select(offered => offered[0]).Distinct().Take(3).ToList();
        var others = Demonstration.All.Except(fitting).OrderBy(_ => random.Next()).Take(4 - fitting.Count);
        return [.. fitting.Concat(others).OrderBy(_ => random.Next()).Select(shown => new FirstShown(shown)),
            new FirstShown((Demonstration?)null)];
    }
}
