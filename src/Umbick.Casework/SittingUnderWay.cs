using Umbick.Store;
using System.Data.Common;
using Umbick.Core.Diagnosis;

namespace Umbick.Casework;

/// <summary>A sitting under way: what it takes to choose its next item. A child with years of answers is asked as quickly as a new one.</summary>
/// <param name="Child">The child.</param>
/// <param name="Answered">The questions of this sitting that are answered.</param>
/// <param name="Replay">What all answers say.</param>
public sealed record SittingUnderWay(CaseloadRow Child, IReadOnlyList<ItemResponse> Answered, Replay Replay)
{
    /// <summary>Loads this sitting alone where what came before it is remembered; else all that is known of the child.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="sitting">The sitting, as it was when it was locked.</param>
    /// <param name="now">The present: a sitting in which nothing is answered yet would be held today.</param>
    public static async Task<SittingUnderWay> Load(DbConnection connection, ReadingModel model, Sitting sitting, DateTime now)
    {
        var child = (await Children.Find(connection, sitting.Child))!;
        var held = (await Sittings.Find(connection, sitting.Id))!;
        var answers = (await Sittings.AnswersIn(connection, [sitting.Id]))[sitting.Id].ToList();
        var record = ChildRecord.Of(held, (await Sittings.AskedIn(connection, [sitting.Id]))[sitting.Id], answers, child.Preferences);
        var latest = ChildRecord.Replayed(record, held.Day ?? await Schools.Today(connection, now), practised: null, answers);
        return new SittingUnderWay(child, [.. record.Answered], await Alone(connection, model, held, latest) ?? await Whole(connection, model, held, latest));
    }

    private static async Task<Replay?> Alone(DbConnection connection, ReadingModel model, Sitting sitting, SittingAnswers latest)
    {
        var sittings = await Sittings.LatestAnswers(connection, sitting.Child);
        if (sitting.Day is not null && sittings[^1].Sitting != sitting.Id) return null;
        var before = sittings.Where(other => other.Sitting != sitting.Id).Select(other => ChildRecord.KnownBy(other.Sitting, other.LatestAnswer));
        return Replay.GoOn(model, [.. before], latest);
    }

    /// <summary>A sitting that is answered may have another after it, on a day that was told; one that is not comes last.</summary>
    private static async Task<Replay> Whole(DbConnection connection, ReadingModel model, Sitting sitting, SittingAnswers latest)
    {
        var record = (await ChildRecord.Load(connection, model, sitting.Child))!;
        return sitting.Day is null ? Replay.Of(model, [.. record.Replayable, latest]) : record.Replay;
    }
}
