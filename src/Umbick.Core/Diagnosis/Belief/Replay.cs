using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>The teacher's own word on a pattern: evidence too, shown as theirs.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Holds">Whether they confirm it; otherwise they rule it out.</param>
/// <param name="Reason">Their reason.</param>
public sealed record TeacherWord(Pattern Pattern, bool Holds, string Reason);

/// <summary>What was believed after a sitting.</summary>
/// <param name="Day">The day of the sitting.</param>
/// <param name="Conclusion">What all answers up to then said.</param>
public sealed record AfterSitting(DateOnly Day, Conclusion Conclusion);

/// <summary>
/// Belief is always replayed from the answers, so that one entered late or put right changes all that came after it. A replay may go on
/// from a <see cref="ReplayPoint"/>, which comes to the same.
/// </summary>
public sealed class Replay
{
    private readonly ReadingModel _model;
    private readonly ReplayCourse _course;
    private readonly IReadOnlyList<SittingAnswers> _all;
    private readonly IReadOnlyList<string?> _names;
    private readonly ReplayPoint? _from;
    private readonly Dictionary<int, ReplayPoint> _points;
    private readonly Lazy<Conclusion> _now;
    private readonly Lazy<IReadOnlyList<Conclusion>> _lately;
    private readonly Lazy<Replay> _whole;

    private Replay(
        ReadingModel model, ReplayCourse course, IReadOnlyList<SittingAnswers> all, IReadOnlyList<string?> names, ReplayPoint? from,
        Dictionary<int, ReplayPoint> points)
    {
        (_model, _course, _all, _names, _from, _points) = (model, course, all, names, from, points);
        _lately = new(() => [.. BeforeTheLast().Select(before => before._course.ConclusionSoFar(before._all[^1])), Now]);
        _now = new(Conclude);
        _whole = new(() => from is null ? this : Run(model, all));
    }

    /// <summary>What is believed after the last sitting.</summary>
    public Belief Belief => _course.Belief;

    /// <summary>
    /// What was believed after each sitting, in order; after those before the point that it went on from, replayed from the first answer.
    /// </summary>
    public IReadOnlyList<AfterSitting> Sittings
    {
        get
        {
            if (_all.Count == 0) return [new AfterSitting(default, Now)];
            if (_whole.Value != this) return _whole.Value.Sittings;
            _ = Now;
            return _course.After;
        }
    }

    /// <summary>Every answer with the place of its sitting, in order: <see cref="TellingAnswer.Index"/> points here.</summary>
    public IReadOnlyList<(int Sitting, ItemAnswer Given)> Answers => _course.Answers;

    /// <summary>The same answers held against the model.</summary>
    public IReadOnlyList<ObservedAnswer> Observed => _course.Observed;

    /// <summary>The place in <see cref="Answers"/> at which the latest sitting begins.</summary>
    public int LatestFrom => Answers.Count(answer => answer.Sitting < Answers[^1].Sitting);

    /// <summary>
    /// What all answers say now. It is concluded when it is first asked for: while a child answers, to choose what to ask next takes only
    /// the belief.
    /// </summary>
    public Conclusion Now => _now.Value;

    /// <summary>What was concluded after the last few answers of the last sitting, the latest last; what is concluded now where there
    /// are few.</summary>
    public IReadOnlyList<Conclusion> Lately => _lately.Value;

    /// <summary>What was concluded after a sitting.</summary>
    /// <param name="sitting">Its place, from 0.</param>
    public Conclusion After(int sitting)
    {
        if (sitting == _all.Count - 1) return Now;
        return sitting >= _course.From ? _course.After[sitting - _course.From].Conclusion : Sittings[sitting].Conclusion;
    }

    /// <summary>The day of a sitting.</summary>
    /// <param name="sitting">Its place, from 0.</param>
    public DateOnly DayOf(int sitting) => _all[sitting].Day;

    /// <summary>
    /// The points to be kept of this replay, with the places of the sittings at whose ends they stand: from there later ones go on.
    /// </summary>
    public IReadOnlyDictionary<int, ReplayPoint> Points
    {
        get
        {
            _ = Now;
            return _points;
        }
    }

    /// <summary>Replays a child's sittings.</summary>
    /// <param name="model">The model.</param>
    /// <param name="sittings">The sittings, the earliest first.</param>
    /// <param name="points">Points that it may go on from: one that is of other answers is passed over.</param>
    /// <param name="asOf">The place of the first sitting after which what was concluded is asked for; null: the last.</param>
    public static Replay Run(
        ReadingModel model, IReadOnlyList<SittingAnswers> sittings, IReadOnlyCollection<ReplayPoint>? points = null, int? asOf = null) =>
        Run(model, sittings, points ?? [], asOf ?? sittings.Count - 1, known: null);

    private static Replay Run(
        ReadingModel model, IReadOnlyList<SittingAnswers> sittings, IReadOnlyCollection<ReplayPoint> points, int asOf,
        IReadOnlyList<ObservedAnswer>? known)
    {
        IReadOnlyList<SittingName> named = [.. sittings.Select(sitting => sitting.Name)];
        var names = SittingName.Chain(named);
        var standing = ReplayPoint.Places(named).ToHashSet();
        var (course, from) = Begin(model, sittings, names, points, asOf, known);
        var kept = new Dictionary<int, ReplayPoint>();
        if (from is not null) kept[course.Done - 1] = from;
        for (var i = course.Done; i < sittings.Count; i++)
        {
            if (i > 0) course.GoOnTo(sittings[i], sittings[i - 1]);
            course.Add(sittings[i]);
            if (i == sittings.Count - 1) break;
            course.Conclude(sittings[i]);
            if (standing.Contains(i) && names[i] is { } name) kept[i] = course.PointAs(name);
        }
        return new Replay(model, course, sittings, names, from, kept);
    }

    /// <summary>
    /// The names of the points from which a replay of some sittings could go on, the best first: none where there are too few to need one.
    /// </summary>
    public static IReadOnlyList<string> PointsFor(IReadOnlyList<SittingName> sittings)
    {
        var names = SittingName.Chain(sittings);
        return [.. ReplayPoint.Places(sittings).Select(place => names[place]).OfType<string>()];
    }

    /// <summary>
    /// Remembers the sittings before the last, for as long as that goes on: <see cref="GoOn"/> then takes its answers without theirs.
    /// </summary>
    public void Remember()
    {
        if (_all.Count < 2 || _names[^2] is not { } name) return;
        IReadOnlyList<SittingAnswers> before = [.. _all.SkipLast(1)];
        // On the last one's own day nothing was loosened since: it goes on from a day before.
        var point = _points.Where(each => _all[each.Key].Day < _all[^1].Day).OrderByDescending(each => each.Key)
            .Select(each => each.Value).FirstOrDefault();
        _model.Beside<ReplayMemory>().Keep(new ReplayMemory.Remembered(
            name, before, [.. Observed.Take(before.Sum(sitting => sitting.Answers.Count))], point));
    }

    /// <summary>Goes on with a child's last sitting, without the answers of those before it.</summary>
    /// <param name="model">The model.</param>
    /// <param name="before">What the sittings before it are known by, the earliest first.</param>
    /// <param name="last">The last sitting.</param>
    /// <returns>The replay; null where nothing before it is remembered, so that everything has to be replayed.</returns>
    public static Replay? GoOn(ReadingModel model, IReadOnlyList<SittingName> before, SittingAnswers last)
    {
        if (before.Count == 0) return Run(model, [last]);
        return SittingName.Chain(before)[^1] is { } name && model.Beside<ReplayMemory>().Find(name) is { } remembered
            ? Run(model, [.. remembered.Sittings, last], remembered.Point is { } point ? [point] : [], before.Count, remembered.Observed)
            : null;
    }

    /// <summary>Forgets what is remembered of any child, as when one is erased: it is made again from the answers.</summary>
    public static void Forget(ReadingModel model) => model.Beside<ReplayMemory>().Forget();

    /// <summary>Begins at the latest point from which the sittings may be gone on with, or at the first answer.</summary>
    private static (ReplayCourse Course, ReplayPoint? From) Begin(
        ReadingModel model, IReadOnlyList<SittingAnswers> sittings, IReadOnlyList<string?> names, IReadOnlyCollection<ReplayPoint> points,
        int asOf, IReadOnlyList<ObservedAnswer>? known)
    {
        for (var place = sittings.Count - 1; place >= 0 && points.Count > 0; place--)
        {
            var isEnd = place == sittings.Count - 1;
            if (isEnd ? asOf < place : place >= asOf || sittings[place].Day == sittings[place + 1].Day) continue;
            if (names[place] is not { } name || points.FirstOrDefault(point => point.Name == name) is not { } at) continue;
            if (at.Read(model) is { } state) return (new ReplayCourse(model, state, [.. sittings.Take(place + 1)], known), at);
        }
        return (new ReplayCourse(model, known), null);
    }

    /// <summary>The same before each of the last few answers of the last sitting; none where there are few.</summary>
    private IEnumerable<Replay> BeforeTheLast()
    {
        if (_all.Count == 0 || _all[^1].Answers.Count < ModelParameters.FewestAnswers) yield break;
        for (var left = ModelParameters.SameConclusions - 1; left > 0; left--)
        {
            var sitting = _all[^1] with { Answers = [.. _all[^1].Answers.SkipLast(left)], Words = [], Id = null };
            yield return Run(_model, [.. _all.SkipLast(1), sitting], _points.Values, _all.Count - 1, Observed);
        }
    }

    private Conclusion Conclude()
    {
        if (_all.Count == 0) return Conclusion.From(_model, Belief, []);
        if (_course.Done == _all.Count) return _course.ConcludeAgain(_all[^1]);
        _course.Conclude(_all[^1]);
        if (_all.Count >= ReplayPoint.FewestSittings && _names[^1] is { } name) _points[_all.Count - 1] = _course.PointAs(name);
        return _course.After[^1].Conclusion;
    }
}
