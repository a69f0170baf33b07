using Umbick.Core.Progress;

namespace Umbick.Web.Pages;

/// <summary>The one thing to do next with a child, as a press.</summary>
/// <param name="Next">What it is.</param>
/// <param name="Child">The child.</param>
/// <param name="Main">Whether it is the one amber press of the page.</param>
public sealed record NextAction(WhatNext Next, CaseloadRow Child, bool Main)
{
    /// <summary>What stands on the press.</summary>
    public string Words => Next.Step switch
    {
        NextStep.GoOnAsking => Child.OpenVisit is null ? "Go on asking" : "Go on with the visit",
        NextStep.GiveForm => $"Begin form {Next.Form}",
        NextStep.Recheck => "Begin the cold start",
        NextStep.DoTheSet => "Open the set",
        NextStep.Practise => "See the set",
        NextStep.AskAgain => "Ask again",
        NextStep.AskMore => "Ask a few more",
        NextStep.AskFirst => "Begin asking",
        NextStep.LookTogether => "Choose what to ask",
        _ => "Ask again",
    };

    /// <summary>Where it leads; null where it starts a sitting.</summary>
    public string? Address => Next.Step switch
    {
        NextStep.GoOnAsking => Child.OpenVisit is { } visit ? $"/visits/{visit}" : $"/ask/{Child.OpenAsking}",
        NextStep.DoTheSet => $"/practise/{Child.OpenSet}",
        NextStep.Practise => $"/practise/new/{Child.Id}?pattern={Next.Pattern!.Id}",
        NextStep.LookTogether => $"/ask/begin/{Child.Id}",
        _ => null,
    };

    /// <summary>What is asked where it starts a sitting; null: what tells most.</summary>
    public Plan? Plan => Next.Step switch { NextStep.GiveForm => Rows.Plan.Form, NextStep.Recheck => Rows.Plan.ColdStart, _ => null };

    public string Look => Main ? "press press-next" : "as-link link font-bold";
}
