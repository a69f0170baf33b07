using Umbick.Casework;
using Umbick.Core.Items;

namespace Umbick.Web.Pages;

/// <summary>
/// What is said of sittings, and of answers beside what they are: shortly where there are many, in whole words for whoever reads a record
/// without knowing Umbick.
/// </summary>
public static class SittingTexts
{
    /// <summary>What kind of sitting it was.</summary>
    public static string Kind(Sitting sitting) => sitting switch
    {
        { IsPractice: true } => "practice",
        { Plan: Plan.ColdStart } => "a cold start",
        { Screening: not null } => "the class’s sheet",
        { Form: { } form } => $"check form {form}",
        { Plan: Plan.Prerequisites } => "prerequisite skills",
        _ => "asked",
    };

    /// <summary>The same to stand after a day, shortly; nothing where it was an asking like most.</summary>
    public static string Mark(Sitting sitting) => sitting switch
    {
        { IsPractice: true } => ", set",
        { Plan: Plan.ColdStart } => ", cold",
        { Screening: not null } => ", class sheet",
        { Form: { } form } => $", form {form}",
        { Plan: Plan.Prerequisites } => ", prerequisites",
        _ => "",
    };

    /// <summary>What is kept of an answer beside what it is, with who gave it.</summary>
    public static string Beside(ItemResponse question, string typedBy) =>
        string.Join("; ", Facts(question).Append(typedBy.Length == 0 ? "by the child" : $"typed by {typedBy}"));

    /// <summary>The same, with why it was asked.</summary>
    public static string Notes(ItemResponse question) => string.Join(" · ", Facts(question).Append(question.Asked.Why));

    private static IEnumerable<string> Facts(ItemResponse question)
    {
        var given = question.Given!;
        if (given.Seconds is { } seconds) yield return $"{seconds:0} seconds";
        if (question.Asked.Support != Support.Bare) yield return "with help on the face";
        if (given.Prompted) yield return "after a word";
        if (given.FirstRaw is { } first) yield return $"at first “{first}”";
        if (given.How is { } how) yield return HowDone.Find(how)?.Name ?? how;
        if (given.Corrects is not null) yield return "put right later";
    }
}
