using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Core.Practice;

/// <summary>One rung of a ladder, with what is said on it.</summary>
/// <param name="Rung">The rung.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Say">What is said; what is done, where nothing is said.</param>
public sealed record Prompt(Rung Rung, string Name, string Say);

/// <summary>What is said on each rung for one item: so that whoever runs a visit need not have prepared it.</summary>
public static class PromptLadder
{
    /// <summary>What a rung is called.</summary>
    public static string NameOf(Rung rung) => rung switch
    {
        Rung.Waited => "wait",
        Rung.LookAgain => "look again",
        Rung.HandNamed => "name the hand",
        Rung.TwoChoices => "two choices",
        _ => "tell it",
    };

    /// <summary>The rungs, the lowest first.</summary>
    /// <param name="item">The item.</param>
    /// <param name="held">The pattern that is practised.</param>
    /// <param name="preferences">How clocks are taught here.</param>
    /// <param name="stage">What is taught.</param>
    public static IReadOnlyList<Prompt> For(Item item, HeldPattern held, TeachingPreferences preferences, Stage stage) =>
    [
        new(Rung.Waited, NameOf(Rung.Waited), "Wait, and count to five in your head."),
        new(Rung.LookAgain, NameOf(Rung.LookAgain), "“Look once more.”"),
        new(Rung.HandNamed, NameOf(Rung.HandNamed), $"“{ChildWords.LookAgain(item, held.Pattern.Step, preferences, stage)}”"),
        new(Rung.TwoChoices, NameOf(Rung.TwoChoices), Choices(item, held, preferences.Wording)),
        new(Rung.Told, NameOf(Rung.Told),
            $"“{string.Join(' ', FaceInWords.For(item, null, preferences).Append($"It is {FaceInWords.Right(item, preferences.Wording)}."))}”"),
    ];

    /// <summary>
    /// Two readings that differ in the hour or in the minutes alone, as a person would ask for them: “still nine, or ten already”; null
    /// where they differ in both.
    /// </summary>
    private static (string Right, string Other)? HourOrMinutes(ClockTime right, ClockTime? other) => other switch
    {
        { } time when time.Minute == right.Minute && time.Hour == Hours.After(right.Hour) =>
            ($"still {Wording.Number(right.Hour)}", $"{Wording.Number(time.Hour)} already"),
        { } time when time.Minute == right.Minute && right.Hour == Hours.After(time.Hour) =>
            ($"{Wording.Number(right.Hour)} already", $"still {Wording.Number(time.Hour)}"),
        { } time when time.Hour == right.Hour && time.Minute != right.Minute =>
            (Minutes(right.Minute), Minutes(time.Minute)),
        _ => null,
    };

    private static string Minutes(int count) => count == 0 ? "no minutes" : $"{count} minute{(count == 1 ? "" : "s")}";

    private static string Capital(string text) => $"{char.ToUpperInvariant(text[0])}{text[1..]}";

    /// <summary>The right answer and the pattern's, in an order that does not give the right one away.</summary>
    private static string Choices(Item item, HeldPattern held, Wording wording)
    {
        var (right, theirs) = (InWords(item.Right), InWords(item.Meant(held.AnswerTo(item))));
        if (right == theirs || !held.IsTelling(item)) return "Give two answers to choose from: the right one, and the child’s own.";
        var rightFirst = item.Time.Minute / 5 % 2 == 0;
        if (item.Right is DigitalAnswer && HourOrMinutes(item.Time, item.Meant(held.AnswerTo(item))?.Meaning) is var (one, other))
            return $"“{(rightFirst ? Capital(one) : Capital(other))}, or {(rightFirst ? other : one)}?”";
        var (first, second) = rightFirst ? (right, theirs) : (theirs, right);
        return $"“Is it {first}, or {second}?”";

        string InWords(Answer? answer) => answer switch
        {
            SaidRight or null => FaceInWords.Right(item, wording),
            WordsAnswer { Meaning: { } time } => wording.Words(time),
            _ => AnswerInWords.For(answer, wording),
        };
    }
}
