using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>A child's turn on a clock that several share.</summary>
/// <param name="Alias">The child.</param>
/// <param name="Sitting">Their sitting.</param>
/// <param name="IsHere">Whether it is their turn.</param>
/// <param name="IsOver">Whether their sitting is over.</param>
public sealed record TurnInGroup(string Alias, SittingId Sitting, bool IsHere, bool IsOver);

/// <summary>Where an asking is, and what its answers say by now.</summary>
/// <param name="Child">The child.</param>
/// <param name="Sitting">The sitting with its questions.</param>
/// <param name="Summary">What is known of the child.</param>
/// <param name="Evidence">What that rests on.</param>
/// <param name="Ready">Wrong answers that stand ready to the question that is asked.</param>
/// <param name="Offer">A reason to stop now, which an adult may take or leave.</param>
/// <param name="Group">The children who share the clock; none where the child is alone.</param>
public sealed record AskingShown(
    CaseloadRow Child, SittingRecord Sitting, CaseSummary Summary, CaseEvidence Evidence, IReadOnlyList<ReadyAnswer> Ready,
    StopReason Offer, IReadOnlyList<TurnInGroup> Group)
{
    /// <summary>Whether it was stopped today, and can go on where it was.</summary>
    public bool CanGoOn { get; init; }

    /// <summary>The question that is asked; null where the sitting is over.</summary>
    public ItemResponse? Current =>
        Sitting.Sitting.EndedAt is null ? Sitting.Questions.FirstOrDefault(question => question.Asked.Place == Sitting.Sitting.CurrentPlace)
            : null;

    /// <summary>Loads where an asking is; null where the school has no such asking.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="id">The sitting.</param>
    /// <param name="today">The day that it is, where the school is.</param>
    public static async Task<AskingShown?> Load(SchoolConnection connection, ReadingModel model, SittingId id, DateOnly today) =>
        await SittingState.Load(connection, id) is { Sitting.IsPractice: false } state ? await From(connection, model, state, today) : null;

    /// <summary>Where an asking is that stands like this.</summary>
    public static async Task<AskingShown> From(SchoolConnection connection, ReadingModel model, SittingState state, DateOnly today)
    {
        if (state.Sitting.EndedAt is not null)
        {
            var record = (await ChildRecord.Load(connection, model, state.Sitting.Child))!;
            var over = record.SittingsAsked.FirstOrDefault(other => other.Sitting.Id == state.Sitting.Id)
                ?? new SittingRecord(state.Sitting, []);
            var summary = record.SummaryOn(today);
            return new AskingShown(record.Child, over, summary, record.EvidenceOf(summary), [], StopReason.None,
                await GroupOf(connection, state.Sitting))
            {
                CanGoOn = await Reopening.IsOpenTo(connection, state, today),
            };
        }
        var underWay = state.UnderWay is { } chosen && chosen.HasTaken(state) ? chosen
            : await SittingUnderWay.Load(connection, model, state.Sitting, state.Rows, today, state.Child);
        return await From(connection, model, state, underWay, today);
    }

    /// <summary>While it goes on, what came before the sitting is not loaded again.</summary>
    private static async Task<AskingShown> From(
        SchoolConnection connection, ReadingModel model, SittingState state, SittingUnderWay underWay, DateOnly today)
    {
        var (child, replay) = ((await Children.Find(connection, state.Sitting.Child))!, underWay.Replay);
        var sitting = ChildRecord.SittingFrom(state.Sitting, state.Rows.Asked, state.Rows.LatestAnswers, child.Preferences);
        var first = WhichFirst.Order(model, replay.Now, child.Stage);
        IReadOnlyList<(Pattern Pattern, Label Label)> labels = ChildRecord.LabelsOf(first, replay.Now);
        var measures = await Measures.Load(connection, model,
            new Dictionary<ChildId, Core.Teaching.TeachingPreferences> { [child.Id] = child.Preferences });
        var work = PatternWork.Build(await WorkRows.Load(connection, [child.Id]), child.Id, measures[child.Id], labels);
        var summary = new CaseSummary(child.FactsWith(labels, replay.Now.Beside, work), today);
        var current = sitting.Questions.FirstOrDefault(question => question.Asked.Place == state.Sitting.CurrentPlace);
        var ready = current is null ? [] : new ReadyAnswers(model).For(current.Asked.Item, current.Asked.Item.Task.Aloud, replay.Belief);
        return new AskingShown(child, sitting, summary, new CaseEvidence(model, summary, replay, first), ready,
            OfferIn(model, child, sitting, replay), await GroupOf(connection, state.Sitting));
    }

    private static StopReason OfferIn(ReadingModel model, CaseloadRow child, SittingRecord sitting, Replay replay) =>
        sitting.Sitting.Plan != Plan.Adaptive ? StopReason.None
        : StopRules.After(model, replay.Belief, [.. replay.Observed.TakeLast(sitting.Answered.Count())],
        ItemsInUse.For(sitting.Sitting, child), () => replay.Lately);

    private static async Task<IReadOnlyList<TurnInGroup>> GroupOf(SchoolConnection connection, Sitting current)
    {
        if (current.Visit is not { } visit) return [];
        var sittings = (await Sittings.OfVisit(connection, visit)).Where(sitting => !sitting.IsPractice).ToList();
        if (sittings.Count == 1) return [];
        var names = (await Children.ByIds(connection, sittings.Select(sitting => sitting.Child))).ToDictionary(child => child.Id,
            child => child.Alias);
        return [.. sittings.Select(sitting =>
            new TurnInGroup(names[sitting.Child], sitting.Id, sitting.Id == current.Id, sitting.EndedAt is not null))];
    }
}
