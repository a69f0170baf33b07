using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>The work with one child: how far each pattern has come, and the cycle that goes on.</summary>
/// <param name="Year">The school's year.</param>
/// <param name="Courses">The patterns that have cold starts or decisions.</param>
/// <param name="Decisions">Every decision, in order; also those that were taken back.</param>
/// <param name="Cycles">The cycles, the earliest first.</param>
/// <param name="Checks">The check forms that were held, the earliest first.</param>
public sealed record PatternWork(
    SchoolYear Year, IReadOnlyDictionary<Pattern, PatternCourse> Courses, IReadOnlyList<DecisionRow> Decisions, IReadOnlyList<CycleRow> Cycles, IReadOnlyList<CheckHeld> Checks)
{
    /// <summary>The work with a child with whom nothing was begun.</summary>
    public static PatternWork None { get; } = Of(SchoolYear.Plain, [], [], [], []);

    /// <summary>The cycle that goes on; null where there is none.</summary>
    public CycleRow? Cycle => Cycles.FirstOrDefault(cycle => cycle.EndedOn is null);

    /// <summary>The patterns whose practice has ended.</summary>
    public IReadOnlySet<Pattern> Finished { get; } = Courses.Where(one => one.Value.Phase != PatternPhase.Practising).Select(one => one.Key).ToHashSet();

    /// <summary>The decisions that are to be taken.</summary>
    public IEnumerable<(Pattern Pattern, Offer Offer)> Offers => Courses.Where(one => one.Value.Offer is not null).Select(one => (one.Key, one.Value.Offer!));

    /// <summary>The course of a pattern; one without a cold start is practised.</summary>
    public PatternCourse CourseOf(Pattern pattern) => Courses.GetValueOrDefault(pattern) ?? PatternCourse.Of([], [], Year);

    /// <summary>The check forms that belong to a cycle.</summary>
    public IReadOnlyList<CheckHeld> ChecksOf(CycleRow cycle) => [.. Checks.Where(check => check.Day >= cycle.BeganOn && (cycle.EndedOn is not { } ended || check.Day <= ended))];

    /// <summary>What is to be looked at, due by a day or not, the longest due first.</summary>
    public IReadOnlyList<DueCheck> Due =>
    [
        .. Courses.Where(one => one.Value.DueFrom is not null).Select(one => new DueCheck(one.Value.DueFrom!.Value, one.Key, null, one.Value.Phase == PatternPhase.InRechecks))
            .Concat(Cycle is { } cycle && cycle.Cycle.Next(ChecksOf(cycle), Year) is { } form ? [new DueCheck(form.Due, null, form.Form)] : [])
            .OrderBy(check => check.Day).ThenBy(check => check.Pattern is null ? 0 : 1),
    ];

    /// <summary>Puts the work with a child together.</summary>
    public static PatternWork Of(
        SchoolYear year, IEnumerable<(Pattern Pattern, ColdResult Result)> colds, IReadOnlyList<DecisionRow> decisions, IReadOnlyList<CycleRow> cycles, IReadOnlyList<CheckHeld> checks)
    {
        var byPattern = colds.ToLookup(one => one.Pattern, one => one.Result);
        var standing = decisions.Where(decision => decision is { TakenBack: false, Pattern: not null, Kind: not null }).ToLookup(decision => decision.Pattern!);
        var courses = byPattern.Select(one => one.Key).Union(standing.Select(one => one.Key))
            .ToDictionary(pattern => pattern, pattern => PatternCourse.Of([.. byPattern[pattern]], [.. standing[pattern].Select(AsDecided)], year));
        return new PatternWork(year, courses, decisions, cycles, checks);
    }

    /// <summary>Loads the work with some children.</summary>
    public static async Task<IReadOnlyDictionary<ChildId, PatternWork>> Load(SchoolConnection connection, ReadingModel model, IReadOnlyCollection<CaseloadRow> children)
    {
        var ids = children.Select(child => child.Id).ToList();
        var measures = await Measures.Load(connection, model, children.ToDictionary(child => child.Id, child => child.Preferences));
        var rows = await WorkRows.Of(connection, ids);
        return ids.ToDictionary(id => id, id => Of(rows, id, measures[id]));
    }

    /// <summary>Puts the work with a child together from its rows.</summary>
    internal static PatternWork Of(WorkRows rows, ChildId child, Measures measures) => Of(rows.Year, measures.Colds, [.. rows.Decisions[child]], [.. rows.Cycles[child]], measures.Checks);

    private static PatternDecision AsDecided(DecisionRow row) => new(row.Kind!.Value, row.Taken, row.Day, row.AfterSitting);
}
