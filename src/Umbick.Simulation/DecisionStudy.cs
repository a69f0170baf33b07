using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;

namespace Umbick.Simulation;

/// <summary>The outcome of some visits for one child.</summary>
/// <param name="ToldToChange">The visit, from 1, at which to change the approach was offered first; null where it never was.</param>
/// <param name="ToldToFinish">The visit at which to finish the pattern was offered first; null where it never was.</param>
/// <param name="StrengthThen">How often the pattern was still followed then, 0 to 1.</param>
public sealed record DecisionOutcome(int? ToldToChange, int? ToldToFinish, double StrengthThen);

/// <summary>Tries the rules of deciding out on children of whom it is known whether they learn.</summary>
public sealed class DecisionStudy
{
    private const int RechecksHeld = 4;
    private const int VisitsAWeek = 2;
    private static readonly DateOnly Start = new(2026, 1, 5);

    private readonly ReadingModel _model;
    private readonly Stage _stage;

    /// <summary>Prepares a study at a stage.</summary>
    public DecisionStudy(ReadingModel model, Stage stage)
    {
        (_model, _stage) = (model, stage);
        Patterns = [.. model.Patterns.Where(IsWhole)];
    }

    /// <summary>The patterns that a whole cold start can be made for from the six plain tasks.</summary>
    public IReadOnlyList<Pattern> Patterns { get; }

    /// <summary>Plays visits, each with a cold start and practice after it; nothing that is offered is taken.</summary>
    /// <param name="child">The child.</param>
    /// <param name="pattern">Their pattern.</param>
    /// <param name="visits">How many visits.</param>
    /// <param name="seed">Makes other cold starts.</param>
    public DecisionOutcome Play(PractisedChild child, Pattern pattern, int visits, int seed)
    {
        var colds = new List<ColdResult>();
        var practised = new Practised(Start, Start, [pattern]);
        var (change, finish, then) = (default(int?), default(int?), child.Strength);
        for (var visit = 1; visit <= visits && finish is null; visit++)
        {
            colds.Add(Cold(child, pattern, visit, unchecked((seed * 101) + visit)));
            switch (PatternCourse.Build(colds, [], SchoolYear.Plain, practised).Offer?.Kind)
            {
                case DecisionKind.ChangeApproach: change ??= visit; break;
                case DecisionKind.FinishPattern: (finish, then) = (visit, child.Strength); break;
            }
            child.Practise();
        }
        return new DecisionOutcome(change, finish, then);
    }

    /// <summary>Whether a child who is over a pattern is sent back to practice by one of four rechecks.</summary>
    /// <param name="child">The child.</param>
    /// <param name="pattern">The pattern.</param>
    /// <param name="seed">Makes other rechecks.</param>
    public bool IsSentBack(PractisedChild child, Pattern pattern, int seed) =>
        Enumerable.Range(1, RechecksHeld)
            .Any(recheck => Cold(child, pattern, recheck, unchecked((seed * 103) + recheck)).ItsWay >= Rechecks.MissesToGoBack);

    private ColdResult Cold(PractisedChild child, Pattern pattern, int visit, int seed)
    {
        var items = Items(pattern, seed).Take(ColdStart.Telling);
        return new ColdResult(default, Start.AddDays((visit - 1) / VisitsAWeek * 7 + ((visit - 1) % VisitsAWeek * 3)),
            [.. items.Select(item => Answered(child, pattern, item))]);
    }

    private ColdAnswer Answered(PractisedChild child, Pattern pattern, Item item)
    {
        var given = new ItemAnswer(item, item.Read(child.Answer(item)), item.Task.Taken);
        return ColdAnswer.From(_model, pattern, given, Scoring.IsRight(item, given.Answer, given.Mode, _stage));
    }

    private IReadOnlyList<Item> Items(Pattern pattern, int seed) =>
        ColdStart.Make(HeldPattern.Plain(_model, pattern), _stage, ClockTasks.Plain.Contains, seed);

    private bool IsWhole(Pattern pattern)
    {
        var held = HeldPattern.Plain(_model, pattern);
        var items = Items(pattern, 1);
        return items.Count > ColdStart.Telling
            && items.Take(ColdStart.Telling).All(item => ClockTasks.Plain.Contains(item.Task) && held.IsTelling(item));
    }
}
