using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>A replay on its way: what is believed, and what was concluded, after the sittings that it has gone through.</summary>
internal sealed class ReplayCourse
{
    private readonly ReadingModel _model;

    /// <summary>The last sitting in which each pattern was likely.</summary>
    private readonly Dictionary<Pattern, int> _lastLikely;

    /// <summary>What the teacher said last of each pattern, and after which sitting.</summary>
    private readonly Dictionary<Pattern, (bool Holds, int Sitting)> _words;

    /// <summary>A replay that has gone through nothing.</summary>
    public ReplayCourse(ReadingModel model)
    {
        (_model, _lastLikely, _words, Belief, Answers, Observed, After) = (model, [], [], new Belief(model), [], [], []);
    }

    private ReplayCourse(ReplayCourse other)
    {
        (_model, _lastLikely, _words, HasBegun) = (other._model, new(other._lastLikely), new(other._words), other.HasBegun);
        (Belief, Answers, Observed, After) = (other.Belief.Copy(), [.. other.Answers], [.. other.Observed], [.. other.After]);
    }

    public Belief Belief { get; }

    public List<(int Sitting, ItemAnswer Given)> Answers { get; }

    public List<ObservedAnswer> Observed { get; }

    public List<AfterSitting> After { get; }

    /// <summary>How many sittings it has gone through.</summary>
    public int Done => After.Count;

    /// <summary>Whether the next sitting has begun: the days before it have loosened what is believed.</summary>
    public bool HasBegun { get; private set; }

    /// <summary>A replay that goes its own way from here.</summary>
    public ReplayCourse Copy() => new(this);

    /// <summary>Begins the next sitting.</summary>
    public void Begin(IReadOnlyList<SittingAnswers> sittings, int next)
    {
        if (next > 0) Belief.Transition(sittings[next].Day.DayNumber - sittings[next - 1].Day.DayNumber, sittings[next - 1].Practised);
        HasBegun = true;
    }

    /// <summary>What was believed before each of the last few answers of the last sitting, with how many there were by then.</summary>
    public List<(Belief Belief, int Answers)> Lately { get; } = [];

    /// <summary>Takes in the answers of the sitting that has begun.</summary>
    /// <param name="sitting">The sitting.</param>
    /// <param name="isLast">Whether it is the last one, of which what was believed before its last answers is kept.</param>
    public void Add(SittingAnswers sitting, bool isLast = false)
    {
        var place = Done;
        foreach (var given in sitting.Answers)
        {
            Answers.Add((place, given));
            Observed.Add(new ObservedAnswer(given, _model.Observe(given)));
        }
        var one = isLast && sitting.Answers.Count >= ModelParameters.FewestAnswers ? ModelParameters.SameConclusions - 1 : 0;
        Belief.Update(Observed.TakeLast(sitting.Answers.Count).SkipLast(one).SelectMany(observed => observed.Observations));
        for (; one > 0; one--)
        {
            Lately.Add((Belief.Copy(), Observed.Count - one));
            Belief.Update(Observed[^one].Observations);
        }
        foreach (var word in sitting.Words)
        {
            Belief.ApplyTeacherJudgement(word.Pattern, word.Holds);
            _words[word.Pattern] = (word.Holds, place);
        }
    }

    /// <summary>Concludes a sitting whose answers have been taken in.</summary>
    public void Conclude(SittingAnswers sitting)
    {
        var conclusion = WithWords(WithCleared(ConclusionOf(Belief, Observed, Done == 0 ? null : After[^1].Conclusion, sitting)));
        foreach (var finding in conclusion.Likely) _lastLikely[finding.Pattern] = Done;
        After.Add(new AfterSitting(sitting.Day, conclusion));
        HasBegun = false;
    }

    /// <summary>What some answers say, as far as times were taught in a sitting.</summary>
    public Conclusion ConclusionOf(Belief belief, IEnumerable<ObservedAnswer> answers, Conclusion? before, SittingAnswers sitting) =>
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
