using Umbick.Core.Patterns;

namespace Umbick.Training;

/// <summary>When a trainee said what it is.</summary>
public enum CallTime
{
    /// <summary>When it could be known.</summary>
    InTime,

    /// <summary>Before it could be known.</summary>
    TooEarly,

    /// <summary>Three clocks or more after it could be known.</summary>
    TooLate,
}

/// <summary>How a verdict lies to the truth.</summary>
public enum CallFit
{
    /// <summary>It is the truth.</summary>
    Right,

    /// <summary>One of two patterns was found.</summary>
    Half,

    /// <summary>A pattern was said where there is none.</summary>
    FalseAlarm,

    /// <summary>No pattern was said where there is one.</summary>
    Missed,

    /// <summary>Another pattern, which is easily taken for it.</summary>
    LookAlike,

    /// <summary>Another pattern.</summary>
    Other,

    /// <summary>No pattern, as it is; but slips were taken for guessing, or nothing for slips.</summary>
    OtherWithoutPattern,
}

/// <summary>What a trainee made of a made-up child, held against what could be known.</summary>
/// <param name="Truth">What lies behind the answers.</param>
/// <param name="Given">What the trainee said.</param>
/// <param name="Fit">How it lies to the truth.</param>
/// <param name="Time">When it was said.</param>
/// <param name="SureOfGiven">How likely what was said was by then, 0 to 1.</param>
/// <param name="SureFrom">After how many clocks the truth could be known; null where these did not tell it.</param>
/// <param name="Open">What else was open when it was said, the likeliest first, each at one in ten or more.</param>
/// <param name="Clocks">What each clock told.</param>
public sealed record Feedback(Verdict Truth, Verdict Given, CallFit Fit, CallTime Time, double SureOfGiven, int? SureFrom,
    IReadOnlyList<(Verdict Verdict, double Share)> Open, IReadOnlyList<ClockTold> Clocks)
{
    /// <summary>Sure enough to be said, 0 to 1.</summary>
    public const double Sure = 0.8;

    private const double AsGoodAsCertain = 0.9;

    private const int LateBy = 3;

    /// <summary>Whether the verdict is right.</summary>
    public bool IsRight => Fit == CallFit.Right;

    /// <summary>Holds a verdict against the truth.</summary>
    /// <param name="oracle">Whoever knows how such children are made.</param>
    /// <param name="conversation">What was asked and heard.</param>
    /// <param name="given">What was said.</param>
    public static Feedback On(TrainingOracle oracle, Conversation conversation, Verdict given)
    {
        var weighing = oracle.Weigh(conversation.Items, [.. conversation.Heard.Select(heard => heard.Raw)]);
        var (truth, count) = (conversation.Child.Truth, conversation.Items.Count);
        var (sure, from) = (weighing.Of(given, count), weighing.SureFrom(truth, AsGoodAsCertain));
        var time = sure < Sure ? CallTime.TooEarly
            : from is { } known && count - Math.Max(known, Conversation.Fewest) >= LateBy ? CallTime.TooLate : CallTime.InTime;
        return new(truth, given, FitOf(truth, given), time, sure, from,
            [.. weighing.Open(count, 0.1).Where(open => open.Verdict != given)], ClockTold.Each(conversation.Items, weighing));
    }

    /// <summary>How many of the wrong answers go the way of a verdict, and how many wrong ones there are.</summary>
    public static (int ItsWay, int Wrong) Explained(Conversation conversation, Verdict verdict)
    {
        var wrong = Enumerable.Range(0, conversation.Items.Count).Where(place => !conversation.IsRight(place)).ToList();
        return (wrong.Count(place => conversation.Items[place] is var item && TrainingOracle.Likeliest(verdict, item) is { } its
            && item.Read(its) is var way && item.Read(conversation.Heard[place].Raw) is var said
            && (way.Equals(said) || (way.Meaning is { } meant && meant == said.Meaning))), wrong.Count);
    }

    private static CallFit FitOf(Verdict truth, Verdict given) => (truth.NamesPatterns, given.NamesPatterns) switch
    {
        _ when truth == given => CallFit.Right,
        (false, false) => CallFit.OtherWithoutPattern,
        (false, true) => CallFit.FalseAlarm,
        (true, false) => CallFit.Missed,
        _ when truth.Patterns.Count == 2 && given.Patterns.Any(truth.Patterns.Contains) => CallFit.Half,
        _ when given.Patterns.Any(pattern => truth.Patterns.Any(other => AreAlike(pattern, other))) => CallFit.LookAlike,
        _ => CallFit.Other,
    };

    internal static bool AreAlike(Pattern one, Pattern other) => one.Alike.Contains(other.Id) || other.Alike.Contains(one.Id);
}
