using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Pages;

/// <summary>An answer as it is read on a page: the one place where that is decided.</summary>
public static class AnswerText
{
    /// <summary>An answer in few signs, where the hands are seen on the face beside it.</summary>
    /// <param name="answer">The answer; nothing where there is none.</param>
    /// <param name="wording">How times are said and written here.</param>
    /// <param name="hands">What hands are called.</param>
    public static string Beside(Answer? answer, Wording wording, string hands) => answer switch
    {
        null => "",
        PlacedAnswer => hands,
        _ => answer.Short(wording),
    };

    /// <summary>An answer as it was given: its own letters, and hands in words.</summary>
    public static string AsGiven(ItemResponse question) =>
        question.Answer is PlacedAnswer placed ? HandsInWords.For(placed) : question.Given?.Raw ?? "";

    /// <summary>An answer told back to the child who gave it: hands as the time that they show.</summary>
    public static string ToldBack(Answer? answer, Item item, Wording wording) => item.Meant(answer) switch
    {
        PlacedAnswer { Hands: { } hands } => $"about {wording.Digital(hands.Read())}",
        { } meant => meant.Short(wording),
        null => "",
    };
}
