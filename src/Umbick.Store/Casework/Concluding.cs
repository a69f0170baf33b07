using System.Data.Common;
using Umbick.Core.Diagnosis;

namespace Umbick.Store.Casework;

/// <summary>Ends sittings, and keeps what is believed after each.</summary>
internal static class Concluding
{
    /// <summary>Ends a sitting: what still waits is taken back, and what is believed now is kept.</summary>
    public static async Task End(DbConnection connection, ReadingModel model, Guid school, Sitting sitting, DateTime now)
    {
        var answered = (await Sittings.AnswersIn(connection, [sitting.Id]))[sitting.Id].Select(answer => answer.Place).ToHashSet();
        foreach (var item in (await Sittings.AskedIn(connection, [sitting.Id]))[sitting.Id].Where(item => !answered.Contains(item.Place)))
            await Sittings.Withdraw(connection, sitting.Id, item.Place);
        await Sittings.End(connection, sitting.Id, now);
        await Renew(connection, model, school, sitting);
    }

    /// <summary>Keeps anew what was believed after a sitting and after each later one: an answer that came late or was put right changes them all.</summary>
    public static async Task Renew(DbConnection connection, ReadingModel model, Guid school, Sitting sitting)
    {
        var record = (await ChildRecord.Load(connection, model, sitting.Child))!;
        await Marginals.Keep(connection, school, record, from: sitting.Id);
    }

    /// <summary>Keeps anew what was believed after every sitting of a child: another day of one changes their order.</summary>
    public static async Task RenewAll(DbConnection connection, ReadingModel model, Guid school, Guid child)
    {
        var record = (await ChildRecord.Load(connection, model, child))!;
        if (record.Sittings.Count > 0) await Marginals.Keep(connection, school, record, from: record.Sittings[0].Sitting.Id);
    }
}
