using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Store.Casework;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages.Children;

/// <summary>Questions and answers as faces.</summary>
public static class Marks
{
    /// <summary>A question as a mark in a strip.</summary>
    public static Face Mini(Question question) => Draw(FaceSize.Mini, question);

    /// <summary>A question as a face with its numerals.</summary>
    public static Face Middle(Question question) => Draw(FaceSize.Middle, question);

    /// <summary>What was answered, in few signs.</summary>
    public static string Said(Question question) => Shown(question) switch
    {
        PlacedAnswer => "other hands",
        var answer => answer!.Short(Wording.Usual),
    };

    private static Face Draw(FaceSize size, Question question) =>
        Face.Of(size, question.Asked.Item.Time, Shown(question), question.IsRight, $"{Wording.Usual.Digital(question.Asked.Item.Time)}, {(question.IsRight ? "right" : $"answered {Said(question)}")}");

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
