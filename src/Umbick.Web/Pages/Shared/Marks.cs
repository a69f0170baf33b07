using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Store.Casework;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages;

/// <summary>Questions and answers as faces.</summary>
public static class Marks
{
    /// <summary>A question as a mark in a strip.</summary>
    public static Face Mini(Question question, Wording wording) => Draw(FaceSize.Mini, question, wording);

    /// <summary>A question as a face with its numerals.</summary>
    public static Face Middle(Question question, Wording wording) => Draw(FaceSize.Middle, question, wording);

    /// <summary>What was answered, in few signs.</summary>
    public static string Said(Question question, Wording wording) => Shown(question) switch
    {
        PlacedAnswer => "other hands",
        var answer => answer!.Short(wording),
    };

    private static Face Draw(FaceSize size, Question question, Wording wording) =>
        question.Asked.Item.Question is not null ? new Face(size) { Wrong = !question.IsRight, Label = Told(question, wording) }
        : Face.Of(size, question.Asked.Item.Time, Shown(question), question.IsRight, Told(question, wording));

    private static string Told(Question question, Wording wording) =>
        $"{About(question.Asked.Item, wording)}, {(question.IsRight ? "right" : $"answered {Said(question, wording)}")}";

    private static string About(Item item, Wording wording) => item.Question?.Given ?? wording.Digital(item.Time);

    /// <summary>Saying that a wrong claim is right is reading the clock as the claim does.</summary>
    private static Answer? Shown(Question question) =>
        question.Answer is SaidRight ? question.Asked.Item.Claim ?? question.Answer : question.Answer;

    /// <summary>How a telling answer came out, in a word.</summary>
    public static string Outcome(TellingAnswer telling) => telling.Outcome switch
    {
        TellingOutcome.ItsWay => "its way",
        TellingOutcome.Right => "right",
        _ => "otherwise",
    };
}
