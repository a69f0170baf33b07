using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Progress;

/// <summary>
/// The work on all patterns of a child. Where the labels of look-alikes have changed places, the work on both is one course, told of as the
/// pattern that the answers look like now.
/// </summary>
public sealed class PatternCourses
{
    private readonly SchoolYear _year;
    private readonly Dictionary<Pattern, PatternCourse> _courses;

    /// <summary>The pattern that each is told of as, where that is another.</summary>
    private readonly Dictionary<Pattern, Pattern> _toldAs;

    private PatternCourses(SchoolYear year, Dictionary<Pattern, PatternCourse> courses, Dictionary<Pattern, Pattern> toldAs) =>
        (_year, _courses, _toldAs) = (year, courses, toldAs);

    /// <summary>The school's year.</summary>
    public SchoolYear Year => _year;

    /// <summary>The courses, each by the pattern that it is told of as.</summary>
    public IReadOnlyDictionary<Pattern, PatternCourse> All => _courses;

    /// <summary>The patterns whose practice has ended.</summary>
    public IReadOnlySet<Pattern> Finished => _courses.Where(course => course.Value.HasEnded).Select(course => course.Key).ToHashSet();

    /// <summary>The decisions that are to be taken.</summary>
    public IEnumerable<(Pattern Pattern, Offer Offer)> Offers =>
        _courses.Where(course => course.Value.Offer is not null).Select(course => (course.Key, course.Value.Offer!));

    /// <summary>The patterns that are to be looked at again, with the day from which on.</summary>
    public IEnumerable<DueCheck> Due => _courses.Where(course => course.Value.DueFrom is not null)
        .Select(course => new DueCheck(course.Value.DueFrom!.Value, course.Key, null, course.Value.Phase == PatternPhase.InRechecks));

    /// <summary>The pattern that the work on a pattern is told of as.</summary>
    public Pattern ToldAs(Pattern pattern) => _toldAs.GetValueOrDefault(pattern, pattern);

    /// <summary>The course that a pattern belongs to; one with which nothing was begun has neither cold starts nor practice.</summary>
    public PatternCourse CourseOf(Pattern pattern) => _courses.GetValueOrDefault(ToldAs(pattern)) ?? PatternCourse.Build([], [], _year);

    /// <summary>Follows the work on all patterns.</summary>
    /// <param name="colds">The cold starts, the earliest first.</param>
    /// <param name="decisions">The decisions that stand, in the order in which they were taken.</param>
    /// <param name="sets">The sets that were given.</param>
    /// <param name="shown">The patterns of which a demonstration was shown.</param>
    /// <param name="labels">What each pattern is called now, the one to practise first at the front.</param>
    /// <param name="year">The school's year.</param>
    public static PatternCourses Follow(
        IReadOnlyList<(Pattern Pattern, ColdResult Result)> colds, IReadOnlyList<(Pattern Pattern, PatternDecision Decision)> decisions,
        IReadOnlyList<SetsGiven> sets,
        IReadOnlyCollection<Pattern> shown, IReadOnlyList<(Pattern Pattern, Label Label)> labels, SchoolYear year)
    {
        var lastDays = LastDays(colds, decisions, sets);
        var toldAs = Joined(lastDays,
            [.. labels.Where(pattern => pattern.Label is Label.Likely or Label.Possible).Select(pattern => pattern.Pattern)]);
        var courses = lastDays.Keys.Concat(decisions.Select(decision => decision.Pattern))
            .Select(pattern => toldAs.GetValueOrDefault(pattern, pattern)).Distinct().ToDictionary(pattern => pattern, pattern =>
        {
            bool Belongs(Pattern other) => toldAs.GetValueOrDefault(other, other) == pattern;
            return PatternCourse.Build(
                [.. colds.Where(cold => Belongs(cold.Pattern)).Select(cold => cold.Result).OrderBy(cold => cold.Day)],
                [.. decisions.Where(decision => Belongs(decision.Pattern)).Select(decision => decision.Decision)],
                year,
                Practised.From(sets.Where(given => Belongs(given.Pattern))),
                shown.Any(Belongs))
                with
            { LookedAtAs = [.. lastDays.Keys.Where(other => other != pattern && Belongs(other))] };
        });
        return new PatternCourses(year, courses, toldAs);
    }

    /// <summary>The latest day of the work on each pattern. What a teacher only confirmed or ruled out was not worked on.</summary>
    private static Dictionary<Pattern, DateOnly> LastDays(
        IEnumerable<(Pattern Pattern, ColdResult Result)> colds, IEnumerable<(Pattern Pattern, PatternDecision Decision)> decisions,
        IEnumerable<SetsGiven> sets) =>
        colds.Select(cold => (cold.Pattern, cold.Result.Day))
            .Concat(decisions.Where(decision => decision.Decision.Kind.IsOffered())
            .Select(decision => (decision.Pattern, decision.Decision.Day)))
            .Concat(sets.Where(given => given.Last is not null).Select(given => (given.Pattern, given.Last!.Value)))
            .GroupBy(work => work.Pattern)
            .ToDictionary(work => work.Key, work => work.Max(each => each.Item2));

    /// <summary>
    /// A pattern that was worked on and is not believed now goes on as the look-alike that is; where none is believed, as the look-alike
    /// that was worked on last.
    /// </summary>
    private static Dictionary<Pattern, Pattern> Joined(Dictionary<Pattern, DateOnly> lastDays, List<Pattern> believed)
    {
        var toldAs = new Dictionary<Pattern, Pattern>();
        var left = lastDays.Where(work => !believed.Contains(work.Key)).OrderByDescending(work => work.Value).ThenBy(work => work.Key.Id,
            StringComparer.Ordinal).Select(work => work.Key).ToList();
        foreach (var pattern in left)
        {
            var goesOnAs = believed.Find(other => LooksLike(pattern, other))
                ?? left.TakeWhile(later => later != pattern)
                .FirstOrDefault(later => !toldAs.ContainsKey(later) && LooksLike(pattern, later));
            if (goesOnAs is not null) toldAs[pattern] = goesOnAs;
        }
        return toldAs;
    }

    /// <summary>Whether two patterns are taken for each other: look-alikes of one step of reading.</summary>
    private static bool LooksLike(Pattern pattern, Pattern other) => pattern.Step == other.Step
        && (pattern.Alike.Contains(other.Id) || other.Alike.Contains(pattern.Id));
}
