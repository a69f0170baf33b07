using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Training;

/// <summary>What a trainee is told, in sentences.</summary>
public static class FeedbackInWords
{
    /// <summary>What lies behind the child's answers.</summary>
    public static string Truth(MadeUpChild child, Wording wording) => child.Truth.Id switch
    {
        "nothing" => $"{child.Alias} reads clocks rightly. There is nothing to find.",
        "slips" => $"{child.Alias} reads clocks rightly and slips, now here and now there. There is no rule in it.",
        "guessing" => $"{child.Alias} guesses: what they say has little to do with the clock.",
        _ => string.Join(' ', child.Truth.Patterns.Select(pattern => pattern.TextsIn(wording).FindingOf(child.Alias))),
    };

    /// <summary>How what was said lies to it.</summary>
    public static string Fit(Feedback feedback, Conversation conversation, Wording wording)
    {
        var given = feedback.Given.InWords(wording);
        var (itsWay, wrong) = Feedback.Explained(conversation, feedback.Given);
        var ways = (itsWay, wrong) switch
        {
            (_, 0) => "No answer was wrong.",
            (0, 1) => "The one wrong answer goes another way.",
            (1, 1) => "The one wrong answer goes that way.",
            (0, _) => $"None of the {Count(wrong, "wrong answer")} goes that way.",
            _ => $"Of {Count(wrong, "wrong answer")}, {Wording.Number(itsWay)} {(itsWay == 1 ? "goes" : "go")} that way.",
        };
        return feedback.Fit switch
        {
            CallFit.Right => "You heard it.",
            CallFit.Half => $"You found half of it: {given}. Look at the wrong answers that this does not explain.",
            CallFit.FalseAlarm => $"You said: {given}. That is a false alarm. {ways}",
            CallFit.Missed => $"You said: {given}. "
                + (Feedback.Explained(conversation, feedback.Truth) is var (theirs, all) && all > 0
                    ? $"But of {Count(all, "wrong answer")}, {Wording.Number(theirs)} {(theirs == 1 ? "goes" : "go")} one way."
                    : "Your clocks came right by themselves: they could not show it."),
            CallFit.LookAlike => $"You said: {given}. It looks much like it. {ways}",
            CallFit.Other => $"You said: {given}. {ways}",
            _ => $"You said: {given}. There is no pattern, as you say.",
        };
    }

    /// <summary>Whether it was said in time.</summary>
    public static string Time(Feedback feedback, Wording wording) => feedback.Time switch
    {
        CallTime.TooEarly when feedback.IsRight => $"It was early: by your clocks it was so {TimesInTen(feedback.SureOfGiven)}. "
            + OpenStill(feedback, wording),
        CallTime.TooEarly when feedback.SureFrom is { } from && from <= feedback.Clocks.Count =>
            $"Your clocks tell it, from clock {Math.Max(1, from)} on: hold each answer against them once more.",
        CallTime.TooEarly => $"It was early. {OpenStill(feedback, wording)}",
        CallTime.TooLate => $"It could be known after {Count(Math.Max(1, feedback.SureFrom!.Value), "clock")}. Each one more costs a child "
            + "patience.",
        _ => "You said it when it could be known.",
    };

    /// <summary>What one clock told.</summary>
    public static string Clock(ClockTold told, Wording wording) => told switch
    {
        { WasSure: true, ToldSomething: false } => "Confirmed it.",
        { ToldSomething: true, Parts: { } parts } => $"Parts {InWords(told.Item, parts, wording)}.",
        { ToldSomething: true } => "Told something.",
        { Better: { } better } =>
            $"Told nothing: nearly all that was open says the same here. {Asked(better.Item, told.Item, wording)} would "
                + $"have parted {InWords(better.Item, better.Parts, wording)}.",
        _ => "Told nothing.",
    };

    /// <summary>How often, in words.</summary>
    public static string TimesInTen(double share) => Math.Round(10 * share) switch
    {
        <= 0 => "hardly ever",
        1 => "once in ten",
        >= 10 => "nearly always",
        var times => $"{Wording.Number((int)times)} times in ten",
    };

    private static string OpenStill(Feedback feedback, Wording wording) => feedback.Open.Count == 0
        ? "Many readings were open still, none of them far ahead."
        : $"Open still: {string.Join(" · ", feedback.Open.Take(3).Select(open => open.Verdict.InWords(wording)))}.";

    private static string Name(Verdict verdict, Wording wording) => verdict == Verdict.Nothing || verdict == Verdict.Slips
        ? "reading rightly" : verdict.InWords(wording);

    /// <summary>Two readings with what each of them says there.</summary>
    private static string InWords(Item item, Parted parts, Wording wording) =>
        $"{Name(parts.One, wording)}{Says(item, parts.OneSays, wording)} from "
            + $"{Name(parts.Other, wording)}{Says(item, parts.OtherSays, wording)}";

    /// <summary>Where hands are put is seen on the face.</summary>
    private static string Says(Item item, string raw, Wording wording) =>
        item.Task.Form == AnswerForm.Hands ? "" : $" ({Shown(item, raw, wording)})";

    private static string Asked(Item better, Item than, Wording wording) => better.Task == than.Task ? Capital(better.GivenIn(wording))
        : $"{Capital(better.GivenIn(wording))}, as {better.Task.Texts.Name},";

    private static string Capital(string text) => $"{char.ToUpperInvariant(text[0])}{text[1..]}";

    private static string Shown(Item item, string raw, Wording wording) => AnswerInWords.For(item.Read(raw), wording);

    private static string Count(int count, string what) => count == 1 ? $"one {what}" : $"{Wording.Number(count)} {what}s";
}
