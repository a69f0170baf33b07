using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// The work with one child as it is on record: how far each pattern has come, what was decided, and the cycle that goes on.
/// </summary>
/// <param name="Year">The school's year.</param>
/// <param name="Followed">The work on each pattern.</param>
/// <param name="Given">The sets that the child was given, by pattern.</param>
/// <param name="Decisions">Every decision, in order; also those that were taken back.</param>
/// <param name="Cycles">The cycles, the earliest first.</param>
/// <param name="Checks">The check forms that were held, the earliest first.</param>
public sealed record PatternWork(
    SchoolYear Year, PatternCourses Followed, IReadOnlyList<SetsGiven> Given, IReadOnlyList<DecisionRow> Decisions,
    IReadOnlyList<CycleRow> Cycles, IReadOnlyList<CheckHeld> Checks)
{
    /// <summary>The work on each pattern, by the pattern that it is told of as.</summary>
    public IReadOnlyDictionary<Pattern, PatternCourse> Courses => Followed.All;

    /// <summary>The cycle that goes on; null where there is none.</summary>
    public CycleRow? Cycle => Cycles.FirstOrDefault(cycle => cycle.EndedOn is null);

    /// <summary>The check form of the cycle that comes next; null where none does.</summary>
    public DueCheck? FormDue => Cycle is { } cycle && cycle.Cycle.Next(ChecksOf(cycle), Year) is { } form
        ? new DueCheck(form.Due, null, form.Form) : null;

    /// <summary>The course that a pattern belongs to.</summary>
    public PatternCourse CourseOf(Pattern pattern) => Followed.CourseOf(pattern);

    /// <summary>The check forms that belong to a cycle.</summary>
    public IReadOnlyList<CheckHeld> ChecksOf(CycleRow cycle) =>
        [.. Checks.Where(check => check.Day >= cycle.BeganOn && (cycle.EndedOn is not { } ended || check.Day <= ended))];

    /// <summary>
    /// The decisions on the work on a pattern that stand, in order: also those that were taken while it was told of as a look-alike.
    /// </summary>
    public IReadOnlyList<DecisionRow> DecisionsInForce(Pattern pattern) =>
        [.. Decisions.Where(decision =>
            decision is { TakenBack: false, Kind: not null, Pattern: { } decided }
                && Followed.ToldAs(decided) == Followed.ToldAs(pattern))];

    /// <summary>Puts the work with a child together from its rows.</summary>
    /// <param name="rows">The rows.</param>
    /// <param name="child">The child.</param>
    /// <param name="measures">The cold starts and check forms that were held.</param>
    /// <param name="labels">What each pattern is called now, the one to practise first at the front.</param>
    internal static PatternWork Build(WorkRows rows, ChildId child, Measures measures, IReadOnlyList<(Pattern Pattern, Label Label)> labels)
    {
        IReadOnlyList<DecisionRow> decisions = [.. rows.Decisions[child]];
        IReadOnlyList<SetsGiven> given = [.. rows.Given[child]];
        var standing = from decision in decisions
                       where decision is { TakenBack: false, Pattern: not null, Kind: not null }
                       select (decision.Pattern!,
                           new PatternDecision(decision.Kind!.Value, decision.Taken, decision.Day, decision.AfterSitting));
        return new PatternWork(rows.Year,
            PatternCourses.Follow(measures.Colds, [.. standing], given, [.. rows.Shown[child]], labels, rows.Year), given, decisions,
            [.. rows.Cycles[child]], measures.Checks);
    }
}
