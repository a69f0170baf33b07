using System.Data.Common;
using Umbick.Core.Diagnosis;

namespace Umbick.Store.Casework;

/// <summary>A sitting under way: what it takes to choose its next item. A child with years behind her is asked as quickly as a new one.</summary>
/// <param name="Child">The child.</param>
/// <param name="Answered">The questions of this sitting that are answered.</param>
/// <param name="Replay">What all her answers say.</param>
public sealed record UnderWay(CaseloadRow Child, IReadOnlyList<Question> Answered, Replay Replay)
{
    /// <summary>Loads this sitting alone where what came before it is remembered; else all that is known of the child.</summary>
    public static async Task<UnderWay> Load(DbConnection connection, ReadingModel model, Sitting sitting) =>
        await Alone(connection, model, sitting) ?? await Whole(connection, model, sitting);

    private static async Task<UnderWay?> Alone(DbConnection connection, ReadingModel model, Sitting sitting)
    {
        var sittings = await Sittings.LatestAnswers(connection, sitting.Child);
        if (sittings.Count == 0 || sittings[^1].Sitting != sitting.Id) return null;
        var child = (await Children.Find(connection, sitting.Child))!;
        var answers = (await Sittings.AnswersIn(connection, [sitting.Id]))[sitting.Id].ToList();
        var record = ChildRecord.Of(sitting, (await Sittings.AskedIn(connection, [sitting.Id]))[sitting.Id], answers, child.Manner);
        var before = sittings.SkipLast(1).Select(other => ChildRecord.KnownBy(other.Sitting, other.LatestAnswer));
        return Replay.GoOn(model, [.. before], ChildRecord.Replayed(record, practised: null, answers)) is { } replay
            ? new UnderWay(child, [.. record.Answered], replay)
            : null;
    }

    private static async Task<UnderWay> Whole(DbConnection connection, ReadingModel model, Sitting sitting)
    {
        var record = (await ChildRecord.Load(connection, model, sitting.Child))!;
        return new UnderWay(record.Child, [.. record.Sittings.FirstOrDefault(other => other.Sitting.Id == sitting.Id)?.Answered ?? []], record.Replay);
    }
}
