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

/// <summary>Belief is always replayed from the answers, so that one entered late or put right changes all that came after it.</summary>
public sealed class Replay
{
    private readonly Lazy<IReadOnlyList<AfterSitting>> _sittings;
    private readonly Lazy<IReadOnlyList<Conclusion>> _lately;

    private Replay(
        ReplayCourse course, Func<IReadOnlyList<AfterSitting>> concluded, Func<Conclusion, IReadOnlyList<Conclusion>>? lately = null)
    {
        (Belief, Answers, Observed) = (course.Belief, course.Answers, course.Observed);
        _sittings = new(concluded);
        _lately = new(() => lately?.Invoke(Now) ?? [Now]);
    }

    /// <summary>What is believed after the last sitting.</summary>
    public Belief Belief { get; }

    /// <summary>
    /// What was believed after each sitting, in order. The last is concluded when it is first asked for: while a child answers, to choose
    /// what to ask next takes only the belief.
    /// </summary>
    public IReadOnlyList<AfterSitting> Sittings => _sittings.Value;

    /// <summary>Every answer with the place of its sitting, in order: <see cref="TellingAnswer.Index"/> points here.</summary>
    public IReadOnlyList<(int Sitting, ItemAnswer Given)> Answers { get; }

    /// <summary>The same answers held against the model.</summary>
    public IReadOnlyList<ObservedAnswer> Observed { get; }

    /// <summary>The place in <see cref="Answers"/> at which the latest sitting begins.</summary>
    public int LatestFrom => Answers.Count(answer => answer.Sitting < Answers[^1].Sitting);

    /// <summary>What all answers say now.</summary>
    public Conclusion Now => Sittings[^1].Conclusion;

    /// <summary>What was concluded after the last few answers of the last sitting, the latest last; what is concluded now where there
    /// are few.</summary>
    public IReadOnlyList<Conclusion> Lately => _lately.Value;

    /// <summary>Replays a child's sittings.</summary>
    /// <param name="model">The model. It remembers where the sittings before the last had got to, where those have an id.</param>
    /// <param name="sittings">The sittings, the earliest first.</param>
    public static Replay Run(ReadingModel model, IReadOnlyList<SittingAnswers> sittings)
    {
        var before = sittings.SkipLast(1).Select(sitting => sitting.Id);
        var course = (sittings.Count == 0 ? null : model.Beside<ReplayMemory>().Find(before, sittings[^1].Day)) ?? new ReplayCourse(model);
        for (var i = course.Done; i < sittings.Count; i++)
        {
            if (!course.HasBegun)
            {
                course.Begin(sittings, i);
                if (i == sittings.Count - 1) model.Beside<ReplayMemory>().Keep(before, sittings[i].Day, course);
            }
            if (i == sittings.Count - 1) return EndingWith(sittings[i], course);
            course.Add(sittings[i]);
            course.Conclude(sittings[i]);
        }
        return new Replay(course, () => [new AfterSitting(default, Conclusion.From(model, course.Belief, []))]);
    }

    /// <summary>Goes on with a child's last sitting, without the answers of those before it.</summary>
    /// <param name="model">The model.</param>
    /// <param name="before">What the sittings before it are known by, the earliest first.</param>
    /// <param name="last">The last sitting.</param>
    /// <returns>The replay; null where nothing before it is remembered, so that everything has to be replayed.</returns>
    public static Replay? GoOn(ReadingModel model, IReadOnlyList<string> before, SittingAnswers last) =>
        (before.Count == 0 ? new ReplayCourse(model) : model.Beside<ReplayMemory>().Find(before, last.Day)) is { } course
            ? EndingWith(last, course) : null;

    private static Replay EndingWith(SittingAnswers last, ReplayCourse course)
    {
        course.Add(last, isLast: true);
        var before = course.Done == 0 ? null : course.After[^1].Conclusion;
        return new Replay(
            course,
            () =>
            {
                course.Conclude(last);
                return course.After;
            },
            now =>
            [
                .. course.Lately.Select(then => course.ConclusionOf(then.Belief, course.Observed.Take(then.Answers), before, last)), now,
            ]);
    }
}
