using Umbick.Core.Patterns;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Progress;

/// <summary>How far the work on a pattern has come.</summary>
public enum PatternPhase
{
    /// <summary>Its practice has not ended; whether it has begun is another question.</summary>
    Practising,

    /// <summary>Its practice has ended, and it is not mastered yet.</summary>
    Finished,

    /// <summary>It is mastered, and looked at again from time to time.</summary>
    InRechecks,

    /// <summary>It has held in every recheck that can be planned.</summary>
    Secure,
}

/// <summary>A decision that the cold starts suggest. The teacher takes it or not.</summary>
/// <param name="Kind">What is suggested.</param>
/// <param name="Grounds">The cold starts that it rests on, the earliest first.</param>
/// <param name="IsMastered">Whether the pattern is mastered by the rule.</param>
public sealed record Offer(DecisionKind Kind, IReadOnlyList<ColdResult> Grounds, bool IsMastered = false)
{
    /// <summary>Whether the pattern was practised at all.</summary>
    public bool IsPractised { get; init; } = true;

    /// <summary>Whether another approach is offered for the child is stuck: neither bad nor better.</summary>
    public bool IsStuck => Kind == DecisionKind.ChangeApproach && Grounds.Count == ColdStarts.ToBeStuck;
}

/// <summary>The work on one pattern with one child, read off its cold starts and the decisions that were taken on the way.</summary>
/// <param name="Phase">How far it has come.</param>
/// <param name="MasteredOn">The day on which it was mastered; null where it is not.</param>
/// <param name="Rechecks">Its rechecks; null before they begin.</param>
/// <param name="DueFrom">From which day on it is to be looked at again, by a cold start; null where it is practised, or nothing is to
/// come.</param>
/// <param name="Offer">The decision that is to be taken; null where there is none.</param>
/// <param name="Colds">Every cold start of the pattern, the earliest first.</param>
/// <param name="Streak">The latest of them that a decision can rest on: those since the last decision.</param>
public sealed record PatternCourse(
    PatternPhase Phase, DateOnly? MasteredOn, Rechecks? Rechecks, DateOnly? DueFrom, Offer? Offer, IReadOnlyList<ColdResult> Colds,
    IReadOnlyList<ColdResult> Streak)
{
    /// <summary>What was practised in it; null where nothing was.</summary>
    public Practised? Practised { get; init; }

    /// <summary>Look-alikes that it was looked at as before; none where the pattern has always been the same.</summary>
    public IReadOnlyList<Pattern> LookedAtAs { get; init; } = [];

    /// <summary>Whether its practice has ended.</summary>
    public bool HasEnded => Phase != PatternPhase.Practising;

    /// <summary>Whether another approach is to be tried: that is offered, or was decided and not tried yet.</summary>
    public bool ChangesApproach { get; private init; }

    /// <summary>Follows a pattern from its first cold start to now.</summary>
    /// <param name="colds">The cold starts, the earliest first.</param>
    /// <param name="decisions">The decisions, in the order in which they were said.</param>
    /// <param name="year">The school's year.</param>
    /// <param name="practised">What was practised; null where nothing was.</param>
    /// <param name="wasShown">Whether the idea was shown. Where nothing was practised or shown there is no approach to change.</param>
    public static PatternCourse Build(IReadOnlyList<ColdResult> colds, IReadOnlyList<PatternDecision> decisions, SchoolYear year,
        Practised? practised = null, bool wasShown = false)
    {
        var following = new CourseBuilder(year, practised, wasShown);
        var left = decisions.ToList();
        foreach (var (cold, i) in colds.Select((cold, i) => (cold, i)))
        {
            // What was decided before the first cold start, or after one that is no longer there, goes by its day.
            Decide(decision => !colds.Any(each => each.Id == decision.After) && decision.Day < cold.Day);
            following.See(cold);
            Decide(decision => decision.After == cold.Id);
        }
        Decide(_ => true);
        return following.Now(colds);

        void Decide(Predicate<PatternDecision> isNext)
        {
            foreach (var decision in left.FindAll(isNext)) following.Decide(decision);
            left.RemoveAll(isNext);
        }
    }

    /// <summary>Where the course stands while it is followed.</summary>
    private sealed class CourseBuilder(SchoolYear year, Practised? practised, bool wasShown)
    {
        /// <summary>Cold starts since the last decision: three in a row are counted among these.</summary>
        private readonly List<ColdResult> _streak = [];

        /// <summary>
        /// The first whole one. It comes before any practice: it says where the work begins, and nothing of the approach.
        /// </summary>
        private ColdResult? _first;

        /// <summary>Cold starts since it was last sent back: mastery is shown by these.</summary>
        private readonly List<ColdResult> _since = [];

        /// <summary>Cold starts since both were true, that practice had ended and that it was mastered.</summary>
        private readonly List<ColdResult> _rechecked = [];

        private DateOnly? _finished;
        private DateOnly? _mastered;
        private ColdResult? _cameBack;
        private bool _masteryTurnedDown;
        private DecisionKind? _taken;

        private DateOnly? RechecksFrom => _finished is { } finished && _mastered is { } mastered
            ? (finished > mastered ? finished : mastered) : null;

        public void See(ColdResult cold)
        {
            if (RechecksFrom is not null) _rechecked.Add(cold);
            if (cold.IsWhole) _first ??= cold;
            _streak.Add(cold);
            _since.Add(cold);
            _masteryTurnedDown = false;
            _cameBack = _finished is not null && cold.ItsWay >= Rechecks.MissesToGoBack ? cold : null;
            if (_mastered is null && Mastery.IsShownBy(_since)) _mastered = cold.Day;
            // What comes back before practice has ended is not mastered any more.
            else if (_finished is null && _mastered is not null && cold.ItsWay > 0) _mastered = null;
        }

        public void Decide(PatternDecision decision)
        {
            switch (decision.Kind)
            {
                case DecisionKind.FinishPattern when decision.IsTaken:
                    _finished = decision.Day;
                    break;
                case DecisionKind.FinishPattern:
                    _masteryTurnedDown = true;
                    break;
                case DecisionKind.BackToPractice when decision.IsTaken:
                    (_finished, _mastered) = (null, null);
                    _since.Clear();
                    _rechecked.Clear();
                    break;
                case DecisionKind.Confirm or DecisionKind.RuleOut:
                    return;
            }
            _taken = decision.IsTaken ? decision.Kind : null;
            _cameBack = null;
            _streak.Clear();
        }

        public PatternCourse Now(IReadOnlyList<ColdResult> colds)
        {
            var rechecks = RechecksFrom is { } from ? Rechecks.Plan(from, _rechecked, year) : null;
            var phase = rechecks is { AreOver: true } ? PatternPhase.Secure
                : rechecks is not null ? PatternPhase.InRechecks : _finished is not null ? PatternPhase.Finished : PatternPhase.Practising;
            DateOnly? due = phase switch
            {
                PatternPhase.InRechecks => rechecks!.Next?.Due,
                PatternPhase.Finished => colds.Count == 0 ? _finished : year.WeeksAfter(colds[^1].Day, 1),
                _ => null,
            };
            var offer = Suggested is { } suggested ? suggested with { IsPractised = practised is not null } : null;
            return new PatternCourse(phase, _mastered, rechecks, due, offer, colds, [.. _streak])
            {
                Practised = practised,
                ChangesApproach = offer is { Kind: DecisionKind.ChangeApproach }
                    || (_streak.Count == 0 && _taken == DecisionKind.ChangeApproach),
            };
        }

        private Offer? Suggested =>
            _cameBack is { } back ? new Offer(DecisionKind.BackToPractice, [back])
            : _finished is not null ? null
            : _mastered is not null && !_masteryTurnedDown
            ? new Offer(DecisionKind.FinishPattern, [.. _since.TakeLast(ColdStarts.InARow)], IsMastered: true)
            : Says(_streak) == ColdStartAdvice.FinishPattern ? new Offer(DecisionKind.FinishPattern, LastWhole)
            : (wasShown || practised is not null) && Says(_streak.Where(cold => cold != _first)) == ColdStartAdvice.ChangeApproach
            ? new Offer(DecisionKind.ChangeApproach, LastWhole)
            : (wasShown || practised is not null) && ColdStarts.AreStuck(Counts(_streak))
            ? new Offer(DecisionKind.ChangeApproach, [.. _streak.Where(cold => cold.IsWhole).TakeLast(ColdStarts.ToBeStuck)])
            : null;

        private static ColdStartAdvice Says(IEnumerable<ColdResult> colds) => ColdStarts.Advise(Counts(colds));

        private static IEnumerable<(int Right, int Telling)> Counts(IEnumerable<ColdResult> colds) =>
            colds.Select(cold => (cold.Right, cold.Telling.Count));

        private IReadOnlyList<ColdResult> LastWhole => [.. _streak.Where(cold => cold.IsWhole).TakeLast(ColdStarts.InARow)];
    }
}
