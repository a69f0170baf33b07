using Umbick.Core.Diagnosis;
using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What came of bringing a child up to date.</summary>
public enum Renewed
{
    /// <summary>There was nothing to do: all was kept before, or there is no such child.</summary>
    Nothing,

    /// <summary>It was worked out, and is kept.</summary>
    Kept,

    /// <summary>Something came meanwhile: what was worked out is of before, and is not kept.</summary>
    Overtaken,
}

/// <summary>
/// Brings what is kept of a child up to date beside the requests, as after a new version or a file that was taken in: worked out without a
/// lock, and kept under the child's only where nothing came meanwhile.
/// </summary>
public static class Renewing
{
    /// <summary>The children of a school of whom what is kept is of before: those on the caseload first.</summary>
    public static Task<IReadOnlyList<ChildId>> Behind(IDatabase database, SchoolId school, CancellationToken cancel) =>
        database.InSchool<IReadOnlyList<ChildId>>(school, async connection =>
            [.. (await Children.Everybody(connection)).Where(child => !SittingEnding.IsUpToDate(child))
                .OrderByDescending(child => child.OnCaseload).Select(child => child.Id)], cancel);

    /// <summary>Brings one child up to date.</summary>
    public static async Task<Renewed> Renew(
        IDatabase database, ReadingModel model, SchoolId school, ChildId id, DateTime now, CancellationToken cancel)
    {
        var (child, record) = await database.InSchool<(CaseloadRow?, ChildRecord?)>(school, async connection =>
        {
            if (await Children.Find(connection, id) is not { } row || await IsKept(connection, row)) return (null, null);
            if (row.UnderWay is not { } sitting) return (row, await ChildRecord.Load(connection, model, id));
            await KeepSoFar(connection, model, row, sitting, now);
            return (row, null);
        }, cancel);
        if (child is null) return Renewed.Nothing;
        if (record is null) return Renewed.Kept;
        // Worked out before anything is locked.
        _ = record.Replay.Sittings.Count;
        return await database.InSchool(school, async connection =>
        {
            await Children.Lock(connection, id);
            if (!await IsOf(connection, child)) return Renewed.Overtaken;
            await SittingEnding.KeepAll(connection, model, record);
            return Renewed.Kept;
        }, cancel);
    }

    /// <summary>What is said so far stands by itself, and says from which answers it is: it needs no lock.</summary>
    private static async Task KeepSoFar(
        SchoolConnection connection, ReadingModel model, CaseloadRow child, SittingId sitting, DateTime now)
    {
        if (await SittingState.Load(connection, sitting) is not { } state) return;
        var replay = (await SittingUnderWay.Load(connection, model, state.Sitting, state.Rows, now, state.Child)).Replay;
        var labels = ChildRecord.LabelsOf(WhichFirst.Order(model, replay.Now, child.Stage), replay.Now);
        await SittingsSoFar.Keep(connection, sitting,
            new SaidSoFar(child.Id, "", SittingEnding.SourceOf(child), labels, replay.Now.Beside), now);
    }

    private static async Task<bool> IsKept(SchoolConnection connection, CaseloadRow child) => child.UnderWay is { } sitting
        ? (await SittingsSoFar.Of(connection, [sitting])).GetValueOrDefault(child.Id)?.From == SittingEnding.SourceOf(child)
        : SittingEnding.IsUpToDate(child);

    private static async Task<bool> IsOf(SchoolConnection connection, CaseloadRow before) =>
        await Children.Find(connection, before.Id) is { } now && now.UnderWay == before.UnderWay
            && SittingEnding.SourceOf(now) == SittingEnding.SourceOf(before);
}
