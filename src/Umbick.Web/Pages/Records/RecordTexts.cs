using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Pages.Records;

/// <summary>What a record says of sittings and answers, in words for whoever reads it without knowing Umbick.</summary>
public static class RecordTexts
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

    /// <summary>What is kept of an answer beside what it is.</summary>
    public static string Beside(ItemResponse question, string typedBy) => string.Join("; ", Facts(question, typedBy));

    private static IEnumerable<string> Facts(ItemResponse question, string typedBy)
    {
        var given = question.Given!;
        if (given.Seconds is { } seconds) yield return $"{seconds:0} seconds";
        if (question.Asked.Support != Support.Bare) yield return "with help on the face";
        if (given.Prompted) yield return "after a word";
        if (given.FirstRaw is { } first) yield return $"at first “{first}”";
        if (given.How is { } how) yield return HowDone.Find(how)?.Name ?? how;
        if (given.Corrects is not null) yield return "put right later";
        yield return typedBy.Length == 0 ? "by the child" : $"typed by {typedBy}";
    }
}
