using Umbick.Store;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;

namespace Umbick.Casework;

/// <summary>A sitting with its questions.</summary>
public sealed record SittingRecord(Sitting Sitting, IReadOnlyList<ItemResponse> Questions)
{
    /// <summary>What its answers were read and scored by.</summary>
    public string ReadBy { get; init; } = "";

    /// <summary>Its day, where the school is.</summary>
    /// <exception cref="InvalidOperationException">Nothing is answered in it yet, so it has none.</exception>
    public DateOnly Day => Sitting.Day ?? throw new InvalidOperationException("A sitting without an answer has no day.");

    /// <summary>The questions that have been answered.</summary>
    public IEnumerable<ItemResponse> Answered => Questions.Where(question => question.Given is not null);

    /// <summary>Those whose answers are right or wrong: what cannot be read is neither.</summary>
    public IEnumerable<ItemResponse> Scored => Answered.Where(question => question.IsScored);
}

/// <summary>Everything known of one child, and what follows from it.</summary>
public sealed class ChildRecord
{
    private readonly ReadingModel _model;
    private readonly Lazy<IReadOnlyList<PracticeWorth>> _first;

    private readonly Lazy<OtherSkills> _beside;

    private readonly Lazy<PatternWork> _work;

    private ChildRecord(ReadingModel model, CaseloadRow child, IReadOnlyList<SittingRecord> sittings, IReadOnlyList<AssignedSet> sets,
        Replay replay, WorkRows rows)
    {
        _model = model;
        (Child, Sittings, Sets, Replay) = (child, sittings, sets, replay);
        _first = new(() => WhichFirst.Order(model, replay.Now, child.Stage));
        _work = new(() => PatternWork.Build(rows, child.Id, Measures.From(model, sittings), Labels));
        _beside = new(() => OtherSkills.From(Answers, Now.Hundreds));
    }

    /// <summary>The child.</summary>
    public CaseloadRow Child { get; }

    /// <summary>Sittings in which something was answered, the earliest first: a set that was never done is no practice.</summary>
    public IReadOnlyList<SittingRecord> Sittings { get; }

    /// <summary>Practice sets, the latest first.</summary>
    public IReadOnlyList<AssignedSet> Sets { get; }

    /// <summary>Sittings in which something was asked, whether it was answered or not.</summary>
    public IReadOnlyList<SittingRecord> SittingsAsked { get; private init; } = [];

    /// <summary>The sittings as they are replayed.</summary>
    internal IReadOnlyList<SittingAnswers> Replayable { get; private init; } = [];

    /// <summary>Points that are kept of the child, from which a replay may go on.</summary>
    private IReadOnlyList<ReplayPoint> Points { get; init; } = [];

    /// <summary>Belief replayed from every answer.</summary>
    public Replay Replay { get; }

    /// <summary>The patterns that are likely or possible, the one to practise first at the front.</summary>
    public IReadOnlyList<PracticeWorth> First => _first.Value;

    /// <summary>How far the work on each pattern has come.</summary>
    public PatternWork Work => _work.Value;

    /// <summary>Patterns with their labels: first what should be practised first, then the firmest belief.</summary>
    public IReadOnlyList<(Pattern Pattern, Label Label)> Labels => LabelsOf(First, Now);

    /// <summary>Patterns with their labels: first what should be practised first, then the firmest belief.</summary>
    internal static IReadOnlyList<(Pattern Pattern, Label Label)> LabelsOf(IReadOnlyList<PracticeWorth> first, Conclusion conclusion) =>
        [.. first.Select(impact => impact.Finding)
            .Concat(conclusion.Findings.Where(finding => finding.Label is not (Label.Likely or Label.Possible)))
            .Select(finding => (finding.Pattern, finding.Label))];

    /// <summary>What is known of the child on a day, and what follows from it.</summary>
    public CaseSummary SummaryOn(DateOnly today) => new(Child.FactsWith(Labels, Now.Beside, Work), today);

    /// <summary>What a summary of the child rests on.</summary>
    public CaseEvidence EvidenceOf(CaseSummary summary) => new(_model, summary, Replay, First);

    /// <summary>What all that is said here follows from: a page carries it, so that what it showed is what is decided on.</summary>
    public string Source => SittingEnding.SourceOf(Child);

    /// <summary>What every answer now says.</summary>
    public Conclusion Now => Replay.Now;

    /// <summary>What the answers say beside the reading of clocks.</summary>
    public OtherSkills OtherSkills => _beside.Value;

    /// <summary>What was believed after a sitting.</summary>
    /// <param name="sitting">Its place in <see cref="Sittings"/>.</param>
    public Belief BeliefAfter(int sitting) => sitting == Sittings.Count - 1 ? Replay.Belief
        : Replay.Run(_model, [.. Replayable.Take(sitting + 1)], Points).Belief;

    /// <summary>The replay with one sitting more, in which nothing is answered yet.</summary>
    internal Replay GoOnWith(SittingAnswers sitting) => Replay.Run(_model, [.. Replayable, sitting], Points);

    /// <summary>What was concluded after a sitting.</summary>
    /// <param name="sitting">Its place in <see cref="Sittings"/>.</param>
    public Conclusion After(int sitting) => Replay.After(sitting);

    /// <summary>The sittings at whose ends points of the replay are kept.</summary>
    internal IEnumerable<SittingId> Standing =>
        ReplayPoint.Places([.. Replayable.Select(sitting => sitting.Name)]).Select(place => Sittings[place].Sitting.Id);

    /// <summary>The points of this replay that are kept: those of sittings that are over.</summary>
    internal IReadOnlyList<(SittingId Sitting, ReplayPoint Point)> PointsToKeep =>
        [.. Replay.Points.Where(point => Sittings[point.Key].Sitting.EndedAt is not null)
            .Select(point => (Sittings[point.Key].Sitting.Id, point.Value))];

    /// <summary>The patterns that were to be practised after a sitting, the first at the front.</summary>
    /// <param name="sitting">Its place in <see cref="Sittings"/>.</param>
    public IReadOnlyList<Pattern> FirstAfter(int sitting) =>
        [.. WhichFirst.Order(_model, After(sitting), Child.Stage).Select(impact => impact.Finding.Pattern)];

    /// <summary>The pattern that is worked on; null where there is none.</summary>
    public Pattern? WorkedOn => SummaryOn(default).WorkedOn;

    /// <summary>Which clocks stayed wrong in some cold starts; null where none did.</summary>
    public StaysWrong? WrongIn(IEnumerable<ColdResult> colds)
    {
        var ids = colds.Select(cold => cold.Id).ToHashSet();
        return StaysWrong.From([.. Sittings.Where(sitting => ids.Contains(sitting.Sitting.Id)).SelectMany(Measures.Telling)
            .Select(question => (question.Asked.Item, question.IsRight))]);
    }

    /// <summary>The practice sets, as the next one is to differ from them.</summary>
    public EarlierSets EarlierSets => new([.. SittingsAsked.Where(sitting => sitting.Sitting.IsPractice).Reverse()
        .Select(sitting => (IReadOnlyList<Item>)[.. sitting.Questions.Select(question => question.Asked.Item)])]);

    /// <summary>Every answer that stands, in the order in which they were given.</summary>
    public IEnumerable<ItemAnswer> Answers => Sittings.SelectMany(sitting => sitting.Answered).Select(AsGiven);

    /// <summary>The question that an answer of <see cref="Replay"/> belongs to.</summary>
    public ItemResponse QuestionOf(TellingAnswer telling) => QuestionAt(telling.Index);

    /// <summary>The question at a place, from 0, among all that were answered.</summary>
    public ItemResponse QuestionAt(int index) => Sittings.SelectMany(sitting => sitting.Answered).ElementAt(index);

    /// <summary>
    /// The help that a set of some day starts with: what is chosen for them, else from how the telling items of the last one went. Who was
    /// away for three weeks has one level more.
    /// </summary>
    public Support NextSupportOn(DateOnly day)
    {
        if (Child.Preferences.Support is { } chosen) return chosen;
        var next = NextSupport;
        return Sittings.Count > 0 && Fading.IsAway(Sittings[^1].Day, day) ? Fading.Next(next, right: 0) : next;
    }

    private Support NextSupport
    {
        get
        {
            var questions = Sittings.LastOrDefault(sitting =>
                sitting.Sitting.Id == LastDone?.Sitting)?.Scored.Where(question => TellingPlaces.Contains(question.Asked.Place)).ToList();
            return questions is not { Count: > 0 }
                ? Support.Most
                : Fading.Next(LastDone!.Support, questions.Count(question => question.IsRight) / (double)questions.Count);
        }
    }

    /// <summary>The places in the last set that was done whose answers tell whether its pattern is still there.</summary>
    private IReadOnlySet<int> TellingPlaces { get; init; } = new HashSet<int>();

    private AssignedSet? LastDone => LastDoneOf(Sets);

    private static AssignedSet? LastDoneOf(IReadOnlyList<AssignedSet> sets) =>
        sets.FirstOrDefault(set => set.DoneAt is not null && !set.IsAtEase);

    /// <summary>The tasks that have been asked in sets for a pattern.</summary>
    public IReadOnlyCollection<ClockTask> PractisedIn(Pattern pattern)
    {
        var sets = Sets.Where(set => set.Pattern == pattern).Select(set => set.Sitting).ToHashSet();
        return SittingsAsked.Where(sitting => sets.Contains(sitting.Sitting.Id)).SelectMany(sitting => sitting.Answered)
            .Select(question => question.Asked.Item.Task).ToHashSet();
    }

    /// <summary>How quickly right answers without help came, day by day.</summary>
    public IReadOnlyList<Fluency> Fluency => Core.Progress.Fluency.ByDay(
        from sitting in Sittings
        from question in sitting.Answered
        select new ScoredAnswer(sitting.Day, question.Asked.Item, question.IsRight, AsGiven(question).Helped, question.Given!.Seconds));

    /// <summary>Loads a child's record, or null where the school has no such child.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="id">The child.</param>
    /// <param name="asOf">A sitting, where what was concluded after it and after each later one is asked for; null: what is now.</param>
    public static async Task<ChildRecord?> Load(SchoolConnection connection, ReadingModel model, ChildId id, SittingId? asOf = null)
    {
        if (await Children.Find(connection, id) is not { } child) return null;
        var sets = await Store.Sets.OfChild(connection, id);
        var sittings = await Store.Sittings.OfChild(connection, id);
        var (asked, answers) = await Store.Sittings.RowsIn(connection, sittings.Select(sitting => sitting.Id));
        var preferences = child.Preferences;
        var begun = sittings
            .Select(sitting => SittingFrom(sitting, asked[sitting.Id], answers[sitting.Id], preferences))
            .Where(record => record.Questions.Count > 0)
            .ToList();
        // The first answer of a sitting may come between the two queries: without its day it counts the next time.
        var records = begun.FindAll(record => record.Sitting.Day is not null && record.Answered.Any());
        var work = await WorkRows.Load(connection, [id]);
        var words = work.Decisions[id]
            .Where(decision => decision is { TakenBack: false, Kind: DecisionKind.Confirm or DecisionKind.RuleOut, AfterSitting: not null })
            .ToLookup(decision => decision.AfterSitting!.Value);
        var replayable = records
            .Select(record => Replayed(record, record.Day, sets.FirstOrDefault(set => set.Id == record.Sitting.PracticeSet)?.Pattern,
            answers[record.Sitting.Id], [.. words[record.Sitting.Id]]))
            .ToList();
        var points = await PointsOf(connection, id, [.. replayable.Select(sitting => sitting.Name)]);
        var place = asOf is null ? -1 : records.FindIndex(record => record.Sitting.Id == asOf);
        var telling = LastDoneOf(sets) is { } last ? await Store.Sets.TellingPlaces(connection, last.Id) : new HashSet<int>();
        return new ChildRecord(model, child, records, sets, Replay.Run(model, replayable, points, place < 0 ? null : place), work)
        {
            Replayable = replayable,
            Points = points,
            SittingsAsked = begun,
            TellingPlaces = telling
        };
    }

    private static async Task<IReadOnlyList<ReplayPoint>> PointsOf(
        SchoolConnection connection, ChildId child, IReadOnlyList<SittingName> sittings) =>
        Replay.PointsFor(sittings) is { Count: > 0 } names ? await ReplayPoints.Find(connection, child, names) : [];

    /// <summary>A sitting put together from its rows.</summary>
    internal static SittingRecord SittingFrom(
        Sitting sitting, IEnumerable<AskedItem> asked, IEnumerable<AnswerRow> answers, TeachingPreferences preferences) =>
        new(sitting, [.. asked.Select(item => QuestionOf(item, sitting, answers, preferences))])
        { ReadBy = preferences.ReadBy };

    private static ItemResponse QuestionOf(
        AskedItem asked, Sitting sitting, IEnumerable<AnswerRow> answers, TeachingPreferences preferences)
    {
        var given = answers.FirstOrDefault(answer => answer.Place == asked.Place && answer.Try == 1);
        if (given is null) return new ItemResponse(asked, null, null, false);
        var answer = given.ReadFor(asked.Item, preferences);
        return new ItemResponse(asked, given, answer,
            Scoring.IsRight(asked.Item, answer, given.AnswerMode, sitting.Stage, preferences.Nearness))
        {
            First = given.FirstFor(asked.Item, preferences),
            IsBeyond = sitting is { IsPractice: false, Plan: Plan.Adaptive } && !sitting.Stage.Has(asked.Item.Time.Minute),
        };
    }

    /// <summary>A sitting's answers as they are replayed.</summary>
    /// <param name="record">The sitting.</param>
    /// <param name="day">Its day.</param>
    /// <param name="practised">The pattern that it practised.</param>
    /// <param name="answers">All its answers that stand.</param>
    /// <param name="words">What the teacher said of patterns after it.</param>
    internal static SittingAnswers Replayed(
        SittingRecord record, DateOnly day, Pattern? practised, IEnumerable<AnswerRow> answers, IReadOnlyList<DecisionRow>? words = null) =>
        new(day, [.. record.Answered.Select(AsGiven)], StepsOf(practised))
        {
            Stage = record.Sitting.Stage,
            Id = KnownBy(record.Sitting.Id, record.ReadBy, answers.Select(answer => answer.Seq).DefaultIfEmpty().Max(),
                words is { Count: > 0 } ? string.Join(',', words.Select(word => word.Id)) : null),
            Words = [.. (words ?? []).Where(word => word.Pattern is not null)
                .Select(word => new TeacherWord(word.Pattern!, word.Kind == DecisionKind.Confirm, word.Reason))],
        };

    /// <summary>
    /// What a sitting's answers are known by: none is ever changed, and one that puts another right has a higher number. What the teacher
    /// said after it belongs to it.
    /// </summary>
    internal static SittingName KnownBy(SittingKnownBy sitting, TeachingPreferences preferences) =>
        new(KnownBy(sitting.Sitting, preferences.ReadBy, sitting.LatestAnswer, sitting.Words), sitting.Day,
            StepsOf(Catalogue.Find(sitting.Practised)), sitting.Stage);

    private static IReadOnlyList<Step> StepsOf(Pattern? practised) => practised is null ? [] : [practised.Step];

    private static string KnownBy(SittingId sitting, string readBy, long latestAnswer, string? words) =>
        $"{sitting.Value:N}:{readBy}:{latestAnswer}{(words is null ? "" : $":{words}")}";

    /// <summary>An answered question as the model takes it.</summary>
    public static ItemAnswer AsGiven(ItemResponse question)
    {
        var (item, given) = (question.Asked.Item, question.Given!);
        return new ItemAnswer(item, question.Answer!, given.AnswerMode,
            Helped: given.Prompted || given.How == HowDone.Copied.Id || question.Asked.Support != Support.Bare || question.IsBeyond,
            question.First)
        { Scored = question.IsRight };
    }
}
