using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What was believed after a sitting.</summary>
/// <param name="Day">Its day.</param>
/// <param name="Beliefs">The belief by pattern, 0 to 1; what is not there is believed less than can be named.</param>
public sealed record BeliefOnDay(DateOnly Day, IReadOnlyDictionary<Pattern, double> Beliefs);

/// <summary>
/// How the work with a child went, over a year at most. It is read from what is kept after each sitting, so that a child with years behind
/// them is told as quickly as a new one.
/// </summary>
/// <param name="Child">The child.</param>
/// <param name="From">The first day that is told.</param>
/// <param name="To">The last.</param>
/// <param name="Summary">What is known of the child on the last day.</param>
/// <param name="Work">The work on each pattern.</param>
/// <param name="Beliefs">What was believed after each sitting, the earliest first.</param>
/// <param name="Answers">Every first answer, the earliest first.</param>
/// <param name="Sets">Sets that were practised, the earliest first.</param>
/// <param name="Shown">Demonstrations that were shown, the earliest first.</param>
/// <param name="HasEarlier">Whether there are sittings before the first day that is told.</param>
public sealed record ProgressRecord(
    CaseloadRow Child, DateOnly From, DateOnly To, CaseSummary Summary, PatternWork Work, IReadOnlyList<BeliefOnDay> Beliefs,
    IReadOnlyList<ScoredAnswer> Answers,
    IReadOnlyList<AssignedSet> Sets, IReadOnlyList<DemonstrationShown> Shown, bool HasEarlier)
{
    private const int DaysTold = 366;

    /// <summary>How quickly right answers without help came, day by day.</summary>
    public IReadOnlyList<Fluency> Fluency => Core.Progress.Fluency.ByDay(Answers);

    /// <summary>Right and wrong by part of the face, before practice began and in the last weeks.</summary>
    public (DialMap Then, DialMap? Now) Dials =>
        DialMap.ThenAndNow(Answers, Sets.Select(set => set.Day).FirstOrDefault(day => day is not null), To);

    /// <summary>The stages, secure or not.</summary>
    public IReadOnlyList<StageRecord> Stages => StageRecord.ByStage(Answers);

    /// <summary>Loads how the work with a child went; null where the school has no such child.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="id">The child.</param>
    /// <param name="to">The last day.</param>
    public static async Task<ProgressRecord?> Load(SchoolConnection connection, ReadingModel model, ChildId id, DateOnly to)
    {
        if (await Children.Find(connection, id) is not { } child) return null;
        var from = to.AddDays(-DaysTold);
        var all = (await Sittings.OfChild(connection, id)).Where(sitting => sitting.Day is { } day && day <= to).ToList();
        var told = all.FindAll(sitting => sitting.Day >= from);
        var beliefs = await BeliefsAfter(connection, model, child, told);
        var (asked, answers) = await Sittings.RowsIn(connection, told.Select(sitting => sitting.Id));
        var known = await Caseload.LoadOne(connection, model, child);
        var scored = from sitting in told
                     from question in ChildRecord.SittingFrom(sitting, asked[sitting.Id], answers[sitting.Id], child.Preferences).Scored
                     where !question.IsBeyond
                     let given = ChildRecord.AsGiven(question)
                     select new ScoredAnswer(sitting.Day!.Value, question.Asked.Item, question.IsRight, given.Helped,
                         question.Given!.Seconds);
        return new ProgressRecord(
            child, told.Count > 0 ? told[0].Day!.Value : to, to, known.SummaryOn(to), known.Work, beliefs, [.. scored],
            [.. (await Store.Sets.OfChild(connection, id)).Where(set => set.Day is { } day && day >= from && day <= to)
                .OrderBy(set => set.Day)],
            [.. (await Demonstrated.To(connection, id)).Where(shown => shown.Day >= from && shown.Day <= to).Reverse()],
            all.Count > told.Count);
    }

    /// <summary>
    /// What is kept after each sitting; where that is of another engine, or of answers that were put right since, it is computed again.
    /// </summary>
    private static async Task<IReadOnlyList<BeliefOnDay>> BeliefsAfter(
        SchoolConnection connection, ReadingModel model, CaseloadRow child, List<Sitting> told)
    {
        var over = told.FindAll(sitting => sitting.EndedAt is not null);
        var kept = await Marginals.Beliefs(connection, over.Select(sitting => sitting.Id));
        var isOld = over.Count == told.Count && over.Count > 0 && !SittingEnding.IsUpToDate(child);
        if (isOld || kept.SelectMany(each => each).Any(each => each.Engine != ReadingModel.Version))
        {
            await SittingEnding.RenewAll(connection, model, child.Id);
            kept = await Marginals.Beliefs(connection, over.Select(sitting => sitting.Id));
        }
        return [.. over.Select(sitting =>
            new BeliefOnDay(sitting.Day!.Value, kept[sitting.Id].ToDictionary(each => each.Pattern, each => each.Belief)))];
    }
}
