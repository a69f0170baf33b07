using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Progress;

/// <summary>What a summary of a case is made of.</summary>
/// <param name="Alias">The child's alias.</param>
/// <param name="Wording">How times are said to the child.</param>
/// <param name="Stage">The last stage that the child has met.</param>
/// <param name="Sittings">How many sittings were answered and are over.</param>
/// <param name="Labels">What each pattern is called now: the likely and possible ones first, the one to practise first at the
/// front.</param>
/// <param name="Beside">What stands out beside the patterns.</param>
/// <param name="Courses">The work on each pattern.</param>
/// <param name="Given">The sets that the child was given.</param>
/// <param name="FormDue">The check form of the cycle that comes next; null where none does.</param>
public sealed record CaseFacts(
    string Alias, Wording Wording, Stage Stage, int Sittings, IReadOnlyList<(Pattern Pattern, Label Label)> Labels, BesidePatterns Beside,
    PatternCourses Courses,
    IReadOnlyList<SetsGiven> Given, DueCheck? FormDue)
{
    /// <summary>Whether a sitting was left in the middle.</summary>
    public bool AskingOpen { get; init; }

    /// <summary>Whether there are answers of which nothing was worked out yet, as after a file was taken in.</summary>
    public bool IsNotWorkedOut { get; init; }

    /// <summary>Whether something is answered in a sitting that goes on.</summary>
    public bool IsUnderWay { get; init; }

    /// <summary>Whether a set is assigned and not finished.</summary>
    public bool SetOpen { get; init; }

    /// <summary>When the latest set was finished that was not a part of a visit; null where none was.</summary>
    public DateTime? LastSetAlone { get; init; }

    /// <summary>When the latest asking was held; null where none was.</summary>
    public DateTime? LastAsking { get; init; }

    /// <summary>
    /// Whether a set was finished since the last asking, other than in a visit: a visit asks cold before it practises, and whether that has
    /// helped is seen at the next.
    /// </summary>
    public bool PractisedSinceAsked => LastSetAlone is { } practised && (LastAsking is not { } asked || practised > asked);
}

/// <summary>
/// What is known of a child on a day, and what follows from it. It is decided here and nowhere else: pages, files and reports read it, so
/// that no two of them can say different things.
/// </summary>
public sealed class CaseSummary
{
    /// <summary>Sums a case up.</summary>
    /// <param name="facts">What is known.</param>
    /// <param name="today">The day that it is, where the school is.</param>
    public CaseSummary(CaseFacts facts, DateOnly today)
    {
        (Facts, Today) = (facts, today);
        Due = [.. facts.Courses.Due.Concat(facts.FormDue is { } form ? [form] : []).OrderBy(check => check.Day)
            .ThenBy(check => check.Pattern is null ? 0 : 1)];
        ToPractise = Open(Label.Likely);
        State = new CaseState(
            facts.Sittings, ToPractise, Open(Label.Possible), facts.AskingOpen, facts.SetOpen, facts.PractisedSinceAsked, facts.Beside,
            Due.FirstOrDefault(check => check.IsDueOn(today)), Due.FirstOrDefault(check => !check.IsDueOn(today)),
            ToPractise is [var first, ..] && facts.Courses.CourseOf(first).Colds.Count > 0);
        Next = NextIn(State);
        (About, Called) = Foremost();
        Offers = [.. facts.Courses.Offers];
        WorkedOn = PatternWorkedOn();
        Course = WorkedOn is null ? null : facts.Courses.CourseOf(WorkedOn);
    }

    /// <summary>Sums up what answers say of a child with whom nothing was begun.</summary>
    /// <param name="model">The model.</param>
    /// <param name="alias">The child's alias.</param>
    /// <param name="replay">The answers.</param>
    /// <param name="today">The day that it is.</param>
    public static CaseSummary OfAnswers(ReadingModel model, string alias, Replay replay, DateOnly today)
    {
        IReadOnlyList<(Pattern Pattern, Label Label)> labels =
            [.. WhichFirst.Order(model, replay.Now, Stage.EveryMinute).Select(impact => (impact.Finding.Pattern, impact.Finding.Label))];
        var courses = PatternCourses.Follow([], [], [], [], labels, SchoolYear.Plain);
        return new CaseSummary(new CaseFacts(alias, Wording.Usual, Stage.EveryMinute, replay.Sittings.Count, labels, replay.Now.Beside,
            courses, [], null), today);
    }

    /// <summary>What it was made of.</summary>
    public CaseFacts Facts { get; }

    /// <summary>The day that it is of.</summary>
    public DateOnly Today { get; }

    /// <summary>Where the case stands.</summary>
    public CaseState State { get; }

    /// <summary>What to do next, and why.</summary>
    public WhatNext Next { get; }

    /// <summary>The patterns that are likely and whose practice has not ended, the one to practise first at the front.</summary>
    public IReadOnlyList<Pattern> ToPractise { get; }

    /// <summary>What is to be looked at, due or not, the longest due first.</summary>
    public IReadOnlyList<DueCheck> Due { get; }

    /// <summary>The decisions that are to be taken.</summary>
    public IReadOnlyList<(Pattern Pattern, Offer Offer)> Offers { get; }

    /// <summary>The pattern that the sentence is about; null where it is about none.</summary>
    public Pattern? About { get; }

    /// <summary>What that pattern is called.</summary>
    public Label Called { get; }

    /// <summary>
    /// The pattern that is worked on: that of the latest set while its practice goes on, else the one to practise first. Where none is
    /// practised any more, the one that was last, or whose cold start was held last.
    /// </summary>
    public Pattern? WorkedOn { get; }

    /// <summary>The work on that pattern; null where there is none.</summary>
    public PatternCourse? Course { get; }

    /// <summary>Whether that work helps.</summary>
    public ProgressSentence? Works => Course is null ? null : ProgressSentence.From(Course);

    /// <summary>What the answers say, as a sentence.</summary>
    public string Sentence => About is not { } pattern ? CaseTexts.Without(Facts)
        : Called switch
        {
            Label.Likely => Said(pattern),
            Label.Possible => $"Perhaps: {Said(pattern)}",
            _ => $"Left behind: {pattern.TextsIn(Facts.Wording).Reads}.",
        };

    /// <summary>What else is likely, or that practice of this has ended; null where there is nothing.</summary>
    public string? Also
    {
        get
        {
            if (About is not { } pattern || Called is Label.Cleared) return null;
            if (HasEnded(pattern)) return $"That was finished: {DecisionTexts.InWords(Facts.Courses.CourseOf(pattern))}.";
            var others = ToPractise.Where(other => other != pattern).Select(Said).ToList();
            return others.Count == 0 ? null : $"And: {string.Join(" ", others)}";
        }
    }

    /// <summary>Everything that is said of the answers, in a line.</summary>
    public string InALine => Also is null ? Sentence : $"{Sentence} {Also}";

    /// <summary>Where the work stands, in a few words; empty where nothing was begun.</summary>
    /// <param name="isActive">Whether the child is in active work.</param>
    public string WhereInWords(bool isActive) => CaseTexts.Where(this, isActive);

    /// <summary>The pattern that is practised next; null where nothing is.</summary>
    public Pattern? PractisedNext => Next.Step is NextStep.Recheck or NextStep.LookInAgain ? null : Next.Pattern;

    /// <summary>Whether what is next is the one thing to press: not where it can wait, or a decision comes first.</summary>
    public bool IsNextPressed => Next.Step != NextStep.LookInAgain || (State.Later is null && Offers.Count == 0);

    /// <summary>Whether a child could be practised with: something is likely, or a set waits.</summary>
    public bool CouldWork => ToPractise.Count > 0 || State.SetOpen;

    /// <summary>
    /// Whether the case can be closed: asked, nothing open, nothing that stands out, and whatever was worked on is mastered.
    /// </summary>
    public bool IsFinished =>
        State is { Sittings: > 0, AskingOpen: false, SetOpen: false, Likely.Count: 0, Possible.Count: 0, Beside: BesidePatterns.None }
        && Facts.Courses.All.Values.All(course =>
        course.Phase is PatternPhase.InRechecks or PatternPhase.Secure || (course.Practised is null && course.Colds.Count == 0));

    /// <summary>What to do next where the case stands like this: with another check in its place, say.</summary>
    public WhatNext NextIn(CaseState state) => WhatNext.For(state, Facts.Wording);

    private string Said(Pattern pattern) => pattern.TextsIn(Facts.Wording).FindingOf(Facts.Alias);

    /// <summary>
    /// The patterns of reading that are called so and whose practice has not ended: a finished one is not practised, whatever the belief;
    /// its return is a decision of its own.
    /// </summary>
    private IReadOnlyList<Pattern> Open(Label label) => [.. CaseState.Labelled(Facts.Labels, label).Where(pattern => !HasEnded(pattern))];

    /// <summary>
    /// Whether the practice of a pattern has ended. After the last recheck nobody would look again: one that is likely then has come back.
    /// </summary>
    private bool HasEnded(Pattern pattern) => Facts.Courses.CourseOf(pattern) is { HasEnded: true } course
        && !(course.Phase == PatternPhase.Secure && Facts.Labels.Contains((pattern, Label.Likely)));

    /// <summary>
    /// The order in which everything is told: likely; what has no name and hides all else; possible; what is finished; what was left
    /// behind.
    /// </summary>
    private (Pattern? Pattern, Label Label) Foremost()
    {
        if (State.Likely is [var likely, ..]) return (likely, Label.Likely);
        if (Facts.Beside is BesidePatterns.Guessing or BesidePatterns.SameAnswer) return (null, Label.Unlikely);
        if (State.Possible is [var possible, ..]) return (possible, Label.Possible);
        return Finished(Label.Likely)
            ?? Finished(Label.Possible)
            ?? (CaseState.Labelled(Facts.Labels, Label.Cleared) is [var cleared, ..] ? (cleared, Label.Cleared) : (null, Label.Unlikely));

        (Pattern? Pattern, Label Label)? Finished(Label label) => CaseState.Labelled(Facts.Labels, label) is [var pattern, ..]
            ? (pattern, label) : null;
    }

    private Pattern? PatternWorkedOn()
    {
        var given = Facts.Given.OrderByDescending(sets => sets.LastGiven).Select(sets => Facts.Courses.ToldAs(sets.Pattern)).ToList();
        return given.Concat(State.Likely).Concat(State.Possible).FirstOrDefault(pattern => !HasEnded(pattern))
            ?? given.FirstOrDefault()
            ?? Facts.Courses.All.Where(course => course.Value.Colds.Count > 0).OrderByDescending(course => course.Value.Colds[^1].Day)
            .Select(course => course.Key).FirstOrDefault();
    }
}
