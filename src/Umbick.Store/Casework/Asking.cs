using System.Data.Common;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Store.Casework;

/// <summary>Asking in conversation: each answer is kept, then the next item is chosen by all that is known of the child.</summary>
public sealed class Asking(ReadingModel model, TimeProvider clock)
{
    /// <summary>How many items an asking is meant to have.</summary>
    public const int UsualLength = 12;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Starts a sitting, or goes on with the one left open.</summary>
    /// <returns>The sitting's id, or null where the school has no such child.</returns>
    public async Task<Guid?> Start(DbConnection connection, Guid school, Guid child)
    {
        if (await Children.Find(connection, child) is not { } row) return null;
        if (row.OpenAsking is { } open) return open;
        var sitting = new Sitting
        {
            Id = Guid.CreateVersion7(clock.GetUtcNow()),
            Child = child,
            Kind = Sitting.Asking,
            Stage = row.Stage,
            Length = UsualLength,
            StartedAt = Now,
        };
        await Sittings.Start(connection, school, sitting);
        await AskNext(connection, school, sitting, 1);
        return sitting.Id;
    }

    /// <summary>Keeps an answer and asks the next item, or ends the sitting when its length is reached.</summary>
    public async Task<Submitted> Answer(DbConnection connection, Guid school, Guid sittingId, Submission submission, Guid? by)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false } sitting) return Submitted.NotFound;
        if (await Sittings.Answer(connection, sittingId, submission.Id) is { } before)
            return before.Raw == submission.Raw && before.Place == submission.Place ? Submitted.KeptBefore : Submitted.OtherAnswerKept;
        if (sitting.EndedAt is not null) return Submitted.Over;
        if (sitting.CurrentPlace != submission.Place) return Submitted.MovedOn;

        await Sittings.Add(connection, school, RowOf(sittingId, submission), by, Now);
        var asked = (await Sittings.AskedIn(connection, [sittingId]))[sittingId].ToList();
        if (asked.Count >= sitting.Length) await End(connection, school, sitting);
        else await AskNext(connection, school, sitting, await Sittings.LastPlace(connection, sittingId) + 1);
        return Submitted.Kept;
    }

    /// <summary>Goes one back: the item before is asked once more, and the one that was waiting is taken back.</summary>
    public static async Task<bool> Back(DbConnection connection, Guid sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false, EndedAt: null } sitting) return false;
        var asked = (await Sittings.AskedIn(connection, [sittingId]))[sittingId].ToList();
        var before = asked.LastOrDefault(item => item.Place < sitting.CurrentPlace);
        if (before is null) return false;
        var answered = (await Sittings.AnswersIn(connection, [sittingId]))[sittingId].Any(answer => answer.Place == sitting.CurrentPlace);
        if (!answered) await Sittings.Withdraw(connection, sittingId, sitting.CurrentPlace);
        await Sittings.MoveTo(connection, sittingId, before.Place);
        return true;
    }

    /// <summary>Stops a sitting. Everything that was answered is kept.</summary>
    public async Task<bool> Stop(DbConnection connection, Guid school, Guid sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false } sitting) return false;
        if (sitting.EndedAt is null) await End(connection, school, sitting);
        return true;
    }

    private async Task End(DbConnection connection, Guid school, Sitting sitting)
    {
        var answered = (await Sittings.AnswersIn(connection, [sitting.Id]))[sitting.Id].Select(answer => answer.Place).ToHashSet();
        var waiting = (await Sittings.AskedIn(connection, [sitting.Id]))[sitting.Id].Where(item => !answered.Contains(item.Place));
        foreach (var item in waiting) await Sittings.Withdraw(connection, sitting.Id, item.Place);
        await Sittings.End(connection, sitting.Id, Now);
        var record = await ChildRecord.Load(connection, model, sitting.Child);
        await Marginals.Keep(connection, school, sitting.Id, record!.Now);
    }

    private async Task AskNext(DbConnection connection, Guid school, Sitting sitting, int place)
    {
        var record = (await ChildRecord.Load(connection, model, sitting.Child))!;
        var answered = record.Sittings.FirstOrDefault(other => other.Sitting.Id == sitting.Id)?.Answered.ToList() ?? [];
        var chooser = new ItemChooser(model, Seed(sitting.Id), task => task.Aloud);
        var bank = ItemBank.ForSitting(sitting.Stage, ItemBank.AskedAloud);
        var asked = answered.Select(question => question.Asked.Item).ToList();
        var next = answered.Count == sitting.Length - 1
            ? chooser.Close(record.Replay.Belief, bank, asked)
            : chooser.Choose(record.Replay.Belief, bank, asked, answered.Count(question => question.IsRight), Wanting.After(model, record.Replay.Belief, record.Replay.Observed));
        if (next is null)
        {
            await End(connection, school, sitting);
            return;
        }
        await Sittings.Ask(connection, school, sitting.Id, [new Asked(place, next.Item, Support.Bare, next.Why)], Now);
        await Sittings.MoveTo(connection, sitting.Id, place);
    }

    /// <summary>How an answer in conversation is taken: what the child writes is written, all else is said.</summary>
    public static AnswerMode ModeOf(Item item, string raw) =>
        AnswerParser.Parse(raw) is PlacedAnswer ? AnswerMode.Placed : item.Task.Aloud;

    internal static GivenRow RowOf(Guid sitting, Submission submission, int attempt = 1) => new()
    {
        Sitting = sitting,
        Id = submission.Id,
        Place = submission.Place,
        Try = attempt,
        Raw = submission.Raw,
        Mode = submission.Mode.ToString().ToLowerInvariant(),
        Seconds = submission.Seconds,
    };

    private static int Seed(Guid sitting) => BitConverter.ToInt32(sitting.ToByteArray(), 12);
}
