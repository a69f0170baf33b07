using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Casework;
using Umbick.Drawing;

namespace Umbick.Web.Pages;

/// <summary>Questions and answers as faces.</summary>
public static class Marks
{
    /// <summary>A question as a mark in a strip.</summary>
    public static Face Mini(ItemResponse question, Wording wording) => Draw(FaceSize.Mini, question, wording);

    /// <summary>A question as a face with its numerals.</summary>
    public static Face Middle(ItemResponse question, Wording wording) => Draw(FaceSize.Middle, question, wording);

    /// <summary>What was answered, in few signs.</summary>
    public static string Said(ItemResponse question, Wording wording) => AnswerText.Beside(Shown(question), wording, "other hands");

    private static Face Draw(FaceSize size, ItemResponse question, Wording wording) =>
        question.Asked.Item.OtherSkill is not null ? new Face(size) { Wrong = question.IsWrong, Label = InWords(question, wording) }
        : Face.Showing(size, question.Asked.Item.Time, Shown(question), !question.IsWrong, InWords(question, wording));

    /// <summary>What was asked and the outcome, in a line; hands in words, for whoever does not see them.</summary>
    public static string InWords(ItemResponse question, Wording wording) =>
        $"{About(question.Asked.Item, wording)}, {(question.IsRight ? "right" : $"answered {Aloud(question, wording)}")}";

    private static string Aloud(ItemResponse question, Wording wording) => Shown(question) is PlacedAnswer placed
        ? HandsInWords.For(placed) : Said(question, wording);

    private static string About(Item item, Wording wording) => item.OtherSkill?.Given ?? wording.Digital(item.Time);

    private static Answer? Shown(ItemResponse question) => question.Asked.Item.Meant(question.Answer);

    /// <summary>How a telling answer came out, in a word.</summary>
    public static string Outcome(TellingAnswer telling) => telling.Outcome switch
    {
        TellingOutcome.ItsWay => "its way",
        TellingOutcome.Right => "right",
        _ => "otherwise",
    };
}
