using Umbick.Core.Diagnosis;
using Umbick.Core.Progress;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Ends sittings, and keeps what is believed after each: the one place where that is done.</summary>
internal static class SittingEnding
{
    /// <summary>Ends a sitting: unanswered items are withdrawn, and the present belief is kept.</summary>
    public static async Task End(SchoolConnection connection, ReadingModel model, Sitting sitting, DateTime now)
    {
        await Sittings.WithdrawUnanswered(connection, sitting.Id);
        await Sittings.End(connection, sitting.Id, now);
        await Renew(connection, model, sitting);
    }

    /// <summary>
    /// Keeps again what was believed after a sitting and after each later one: an answer that came late or was put right changes them all.
    /// </summary>
    public static async Task Renew(SchoolConnection connection, ReadingModel model, Sitting sitting)
    {
        var record = (await ChildRecord.Load(connection, model, sitting.Child, asOf: sitting.Id))!;
        await SittingsSoFar.Forget(connection, sitting.Id);
        await Keep(connection, model, record, record.Sittings.ToList().FindIndex(each => each.Sitting.Id == sitting.Id));
    }

    /// <summary>Keeps again what was believed after every sitting of a child: another day of one changes their order.</summary>
    public static async Task RenewAll(SchoolConnection connection, ReadingModel model, ChildId child)
    {
        await KeepAll(connection, model, (await ChildRecord.Load(connection, model, child))!);
    }

    /// <summary>Keeps what was believed after every sitting of a child, as it was worked out.</summary>
    public static async Task KeepAll(SchoolConnection connection, ReadingModel model, ChildRecord record)
    {
        if (record.Sittings.Count == 0) return;
        await Measures.Load(connection, model,
            new Dictionary<ChildId, Core.Teaching.TeachingPreferences> { [record.Child.Id] = record.Child.Preferences });
        await Keep(connection, model, record, from: 0);
    }

    /// <summary>
    /// Keeps what is believed now of a child whose belief was computed again, as by a new version of the model, where all their sittings
    /// are over.
    /// </summary>
    public static async Task KeepLatest(SchoolConnection connection, ReadingModel model, ChildRecord record)
    {
        if (record.Sittings.Count > 0 && record.SittingsAsked.All(sitting => CanBeKept(sitting.Sitting)))
            await Keep(connection, model, record, record.Sittings.Count - 1);
    }

    /// <summary>What everything that is believed of a child follows from: while it is the same, so is what is believed.</summary>
    public static string SourceOf(CaseloadRow child) =>
        $"{ReadingModel.Version} {(int)child.Stage} {child.LatestAnswer} {child.Preferences.ReadBy}{(child.TeacherWords == 0 ? "" : $" {child.TeacherWords}")}";

    /// <summary>Whether what is kept is of all answers; for a child who has answered nothing there is nothing to compute.</summary>
    public static bool IsUpToDate(CaseloadRow child) => child.LatestAnswer == 0 || child.ConcludedFrom == SourceOf(child);

    /// <summary>A class's sheet stands open until its class is done; what it says by now is kept until the next answer.</summary>
    private static bool CanBeKept(Sitting sitting) => sitting.EndedAt is not null || sitting.Screening is not null;

    private static async Task Keep(SchoolConnection connection, ReadingModel model, ChildRecord record, int from)
    {
        if (from < 0) return;
        for (var place = from; place < record.Sittings.Count; place++)
        {
            if (!CanBeKept(record.Sittings[place].Sitting)) continue;
            var order = record.FirstAfter(place).ToList();
            var marginals = record.After(place).Findings
                .Select(finding => new Marginal(finding.Pattern, finding.Belief, finding.Label,
                order.IndexOf(finding.Pattern) is >= 0 and var first ? first : null));
            await Marginals.Keep(connection, record.Sittings[place].Sitting.Id, marginals, ReadingModel.Version);
            await KeepExpected(connection, model, record, place);
        }
        await ReplayPoints.Keep(connection, record.Child.Id, record.PointsToKeep, record.Standing);
        await Marginals.NoteSource(connection, record.Sittings[^1].Sitting.Id, SourceOf(record.Child), record.Now.Beside);
    }

    /// <summary>Keeps what is expected after a check form on the items of form A of its cycle.</summary>
    private static async Task KeepExpected(SchoolConnection connection, ReadingModel model, ChildRecord record, int place)
    {
        var sitting = record.Sittings[place];
        if (sitting.Sitting.Form is null || record.Work.Cycles.LastOrDefault(cycle => cycle.BeganOn <= sitting.Day) is not { } cycle)
            return;
        if (record.Sittings.FirstOrDefault(each => each.Sitting.Form == CheckCycle.Forms[0] && each.Day >= cycle.BeganOn) is not { } first)
            return;
        await Sittings.KeepExpected(connection, sitting.Sitting.Id,
            ExpectedRight.For(model, record.BeliefAfter(place), first.Questions.Select(question => question.Asked.Item)));
    }
}
