namespace Umbick.Core.Progress;

/// <summary>What is done with a child, in words that a child beside the teacher may read: no pattern is named.</summary>
public static class JobNames
{
    /// <summary>The job in a few words.</summary>
    public static string NameOf(WhatNext next) => next.Step switch
    {
        NextStep.GoOnAsking => "go on asking",
        NextStep.GiveForm => $"form {next.Form}",
        NextStep.Recheck => "five clocks, cold",
        NextStep.DoTheSet => "a set is ready",
        NextStep.Practise => "a visit",
        NextStep.AskFirst => "first asking",
        NextStep.AskAgain => "ask again, without help",
        NextStep.AskMore => "a few more questions",
        NextStep.LookTogether => "look at answers together",
        _ => "look in again",
    };

    /// <summary>What has to be at hand for it; nothing where the screen is enough.</summary>
    /// <param name="next">The job.</param>
    /// <param name="together">Whether several do it at the same clock.</param>
    public static string? ToBring(WhatNext next, bool together) => next.Step switch
    {
        NextStep.Practise when together => "a board and a small clock for each",
        NextStep.Practise or NextStep.Recheck => "a small clock to set",
        NextStep.LookTogether => "the big clock",
        _ => null,
    };
}
