using Umbick.Store;
using Umbick.Core.Diagnosis;

namespace Umbick.Casework;

/// <summary>
/// A sitting under way: what it takes to choose its next item. A child with years of answers is asked as quickly as a new one.
/// </summary>
/// <param name="Child">The child, as they are taught: what waits for them is not looked up.</param>
/// <param name="Answered">The questions of this sitting that are answered.</param>
/// <param name="Replay">What all answers say.</param>
public sealed record SittingUnderWay(CaseloadRow Child, IReadOnlyList<ItemResponse> Answered, Replay Replay)
{
    /// <summary>Whether it is of just these answers.</summary>
    internal bool HasTaken(SittingState state) => Answered.Count == state.Rows.LatestAnswers.Count
        && Answered.Select(question => question.Given!.Id).ToHashSet().SetEquals(state.Rows.LatestAnswers.Select(answer => answer.Id));

    /// <summary>Loads this sitting alone where what came before it is remembered; else all that is known of the child.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="sitting">The sitting, locked, with the day that it has by now.</param>
    /// <param name="rows">What was asked in it, and what was answered.</param>
    /// <param name="now">The present: a sitting in which nothing is answered yet would be held today.</param>
    /// <param name="taught">The child, as they are taught; null where that is not loaded yet.</param>
    public static async Task<SittingUnderWay> Load(
        SchoolConnection connection, ReadingModel model, Sitting sitting, SittingRows rows, DateTime now, CaseloadRow? taught = null) =>
        await Load(connection, model, sitting, rows, sitting.Day ?? await Schools.Today(connection, now), taught);

    /// <summary>The same, where it is known which day it is.</summary>
    internal static async Task<SittingUnderWay> Load(
        SchoolConnection connection, ReadingModel model, Sitting sitting, SittingRows rows, DateOnly today, CaseloadRow? taught)
    {
        var child = taught ?? (await Children.AsTaught(connection, sitting.Child))!;
        var record = ChildRecord.SittingFrom(sitting, rows.Asked, rows.LatestAnswers, child.Preferences);
        var latest = ChildRecord.Replayed(record, sitting.Day ?? today, practised: null, rows.LatestAnswers);
        return new SittingUnderWay(child, [.. record.Answered],
            await Alone(connection, model, child, sitting, latest) ?? await Whole(connection, model, sitting, latest));
    }

    private static async Task<Replay?> Alone(
        SchoolConnection connection, ReadingModel model, CaseloadRow child, Sitting sitting, SittingAnswers latest)
    {
        var sittings = (await Sittings.LatestAnswers(connection, [sitting.Child]))[sitting.Child].ToList();
        if (sitting.Day is not null && sittings[^1].Sitting != sitting.Id) return null;
        var before = sittings.Where(other => other.Sitting != sitting.Id).Select(other => ChildRecord.KnownBy(other, child.Preferences));
        return Replay.GoOn(model, [.. before], latest);
    }

    /// <summary>A sitting that is answered may have another after it, on a day that was told; one that is not comes last.</summary>
    private static async Task<Replay> Whole(SchoolConnection connection, ReadingModel model, Sitting sitting, SittingAnswers latest)
    {
        var record = (await ChildRecord.Load(connection, model, sitting.Child))!;
        var replay = sitting.Day is null ? record.GoOnWith(latest) : record.Replay;
        replay.Remember();
        return replay;
    }
}
