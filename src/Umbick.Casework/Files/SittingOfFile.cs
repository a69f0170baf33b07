using Umbick.Core.Patterns;

namespace Umbick.Casework.Files;

/// <summary>What kind of sitting the lines of a file belong to.</summary>
/// <param name="Kind">For what it was.</param>
/// <param name="Plan">What was asked.</param>
/// <param name="ColdFor">The pattern's id, of a cold start.</param>
/// <param name="Form">The letter, of a check form.</param>
public sealed record SittingOfFile(SittingKind Kind, Plan Plan, string? ColdFor = null, string? Form = null)
{
    /// <summary>What is meant where nothing is said.</summary>
    public static SittingOfFile Asking { get; } = new(SittingKind.Asking, Plan.Chosen);

    /// <summary>
    /// The kind that a cell says; null where it says none. A cold start without a pattern, and a form without a letter, are askings.
    /// </summary>
    public static SittingOfFile? Read(string cell) => cell.Split(':', 2) switch
    {
        [""] or ["asking"] or ["cold"] or ["form"] or ["class"] => Asking,
        ["practice"] => new(SittingKind.Practice, Plan.Chosen),
        ["cold", var pattern] when Catalogue.Find(pattern) is not null => new(SittingKind.Asking, Plan.ColdStart, ColdFor: pattern),
        ["form", "A" or "B" or "C"] => new(SittingKind.Asking, Plan.Form, Form: cell[^1..]),
        _ => null,
    };

    /// <summary>The kind of a sitting as a cell says it.</summary>
    public static string Write(Sitting sitting) => sitting switch
    {
        { IsPractice: true } => "practice",
        { Plan: Plan.ColdStart, ColdFor: { } pattern } => $"cold:{pattern}",
        { Form: { } form } => $"form:{form}",
        { Screening: not null } => "class",
        _ => "asking",
    };
}
