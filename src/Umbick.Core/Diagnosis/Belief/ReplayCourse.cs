using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>A replay on its way: what is believed, and what was concluded, after the sittings that it has gone through.</summary>
internal sealed class ReplayCourse
{
    private readonly ReadingModel _model;

    /// <summary>The first answers as they were held against the model before.</summary>
    private readonly IReadOnlyList<ObservedAnswer> _known;

    /// <summary>The last sitting in which each pattern was likely.</summary>
    private readonly Dictionary<Pattern, int> _lastLikely;

    /// <summary>What the teacher said last of each pattern, and after which sitting.</summary>
    private readonly Dictionary<Pattern, (bool Holds, int Sitting)> _words;

    /// <summary>What was concluded after the last sitting that it has gone through; null where there is none.</summary>
    private ConcludedBefore? _before;

    /// <summary>A replay that has gone through nothing.</summary>
    public ReplayCourse(ReadingModel model, IReadOnlyList<ObservedAnswer>? known = null)
    {
        (_model, _lastLikely, _words, Belief, _known) = (model, [], [], new Belief(model), known ?? []);
    }

    /// <summary>A replay that goes on from a point.</summary>
    /// <param name="model">The model.</param>
    /// <param name="state">Where it stood at the point.</param>
    /// <param name="sittings">The sittings up to there.</param>
    /// <param name="known">The first answers as they were held against the model before; null where none are remembered.</param>
    public ReplayCourse(
        ReadingModel model, ReplayState state, IReadOnlyList<SittingAnswers> sittings, IReadOnlyList<ObservedAnswer>? known = null)
    {
        (_model, _lastLikely, _words, Belief, _known) = (model, state.LastLikely, state.Words, state.Belief, known ?? []);
        foreach (var sitting in sittings)
        {
            Observe(sitting);
            Done++;
        }
        From = Done;
        _before = new ConcludedBefore(Answers.Count, state.NotExplained);
    }

    public Belief Belief { get; }

    public List<(int Sitting, ItemAnswer Given)> Answers { get; } = [];

    public List<ObservedAnswer> Observed { get; } = [];

    /// <summary>What was concluded after each sitting from <see cref="From"/> on.</summary>
    public List<AfterSitting> After { get; } = [];

    /// <summary>The first sitting that it has gone through by itself.</summary>
    public int From { get; }

    /// <summary>How many sittings it has gone through.</summary>
    public int Done { get; private set; }

    /// <summary>Loosens what is believed for the days between two sittings.</summary>
    public void GoOnTo(SittingAnswers next, SittingAnswers before) =>
        Belief.Transition(next.Day.DayNumber - before.Day.DayNumber, before.Practised);

    /// <summary>Takes in the answers of a sitting.</summary>
    public void Add(SittingAnswers sitting)
    {
        Observe(sitting);
        Belief.Update(Observed.TakeLast(sitting.Answers.Count).SelectMany(observed => observed.Observations));
        foreach (var word in sitting.Words)
        {
            Belief.ApplyTeacherJudgement(word.Pattern, word.Holds);
            _words[word.Pattern] = (word.Holds, Done);
        }
    }

    /// <summary>Concludes a sitting whose answers have been taken in.</summary>
    public void Conclude(SittingAnswers sitting)
    {
        var conclusion = WithWords(WithCleared(ConclusionOf(Belief, Observed, _before, sitting)));
        foreach (var finding in conclusion.Likely) _lastLikely[finding.Pattern] = Done;
        After.Add(new AfterSitting(sitting.Day, conclusion));
        _before = new ConcludedBefore(conclusion.Answers, conclusion.NotExplainedThen);
        Done++;
    }

    /// <summary>Concludes once more what was concluded at the point that it went on from.</summary>
    /// <param name="sitting">The sitting at whose end the point stands.</param>
    public Conclusion ConcludeAgain(SittingAnswers sitting)
    {
        var before = new ConcludedBefore(Answers.Count - sitting.Answers.Count, []);
        return WithWords(WithCleared(ConclusionOf(Belief, Observed, before, sitting))) with { NotExplainedThen = _before!.NotExplained };
    }

    /// <summary>What the answers of a sitting say that goes on.</summary>
    public Conclusion ConclusionSoFar(SittingAnswers sitting) => ConclusionOf(Belief, Observed, _before, sitting);

    /// <summary>The point at which it stands, after a sitting was concluded.</summary>
    /// <param name="name">What all sittings up to here are known by.</param>
    public ReplayPoint PointAs(string name) => ReplayPoint.From(name, Belief, _lastLikely, _words, _before!.NotExplained);

    private void Observe(SittingAnswers sitting)
    {
        foreach (var given in sitting.Answers)
        {
            Answers.Add((Done, given));
            Observed.Add(Observed.Count < _known.Count ? _known[Observed.Count] : new ObservedAnswer(given, _model.Observe(given)));
        }
    }

    /// <summary>What some answers say, as far as times were taught in a sitting.</summary>
    private Conclusion ConclusionOf(
        Belief belief, IEnumerable<ObservedAnswer> answers, ConcludedBefore? before, SittingAnswers sitting) =>
        Conclusion.From(_model, belief, [.. answers], before, sitting.Stage is { } stage ? Reach.At(_model, stage) : null);

    /// <summary>
    /// What a teacher confirms is enough seen, as long as it is believed. What they rule out is called nothing, until as many answers as
    /// are needed to call it have gone its way since.
    /// </summary>
    private Conclusion WithWords(Conclusion conclusion) => _words.Count == 0 ? conclusion
        : conclusion with { Findings = [.. conclusion.Findings.Select(WithWord)] };

    private Finding WithWord(Finding finding)
    {
        if (!_words.TryGetValue(finding.Pattern, out var word)) return finding;
        if (word.Holds) return finding.Belief >= ModelParameters.LikelyFrom ? finding with { Label = Label.Likely } : finding;
        var since = finding.Evidence.Answers.Count(answer =>
            answer.Outcome == TellingOutcome.ItsWay && !answer.Given.Helped && Answers[answer.Index].Sitting > word.Sitting);
        return since >= ModelParameters.TellingNeeded ? finding : finding with { Label = Label.Unlikely };
    }

    private Conclusion WithCleared(Conclusion conclusion)
    {
        if (_lastLikely.Count == 0) return conclusion;
        var findings = conclusion.Findings.ToList();
        foreach (var (pattern, sitting) in _lastLikely)
        {
            var share = Belief.ProbabilityOf(pattern);
            if (share >= ModelParameters.ClearedBelow) continue;
            var evidence = Evidence.For(pattern, _model, Belief, Observed);
            var right = evidence.Answers
                .Where(answer => answer.Outcome == TellingOutcome.Right && Answers[answer.Index].Sitting > sitting && !answer.Given.Helped)
                .Select(answer => Answers[answer.Index].Sitting)
                .ToList();
            if (right.Count < ModelParameters.RightNeededToClear || right.Distinct().Count() < ModelParameters.SittingsNeededToClear)
                continue;
            findings.RemoveAll(finding => finding.Pattern == pattern);
            findings.Add(new Finding(pattern, share, Label.Cleared, evidence));
        }
        return conclusion with { Findings = findings };
    }
}
