using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>A child's cold starts, as a teacher would write them down: r for right, i for its way, otherwise right.</summary>
public static class ColdStarts
{
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;

    /// <summary>A child with cold starts a week apart, the last of them two days ago.</summary>
    public static async Task<Child> Colds(this Site site, params string[] outcomes)
    {
        var child = await site.Child(site.A);
        var held = HeldPattern.Plain(site.Model, NextHour);
        foreach (var (cold, i) in outcomes.Select((cold, i) => (cold, i)))
        {
            var asking = new Asking(site.Model, new Behind(TimeSpan.FromDays(2 + (7 * (outcomes.Length - 1 - i)))));
            await site.App.InSchool(site.A, async connection =>
            {
                var id = (await asking.Start(connection, child.Id, new AskingOptions(Plan.ColdStart) { ColdPattern = NextHour }))!.Value;
                foreach (var asked in (await Sittings.AskedIn(connection, [id]))[id].ToList())
                {
                    var itsWay = asked.Place <= cold.Length && cold[asked.Place - 1] == 'i';
                    await asking.Answer(connection, id,
                        new Submission(Guid.NewGuid(), asked.Place,
                            (itsWay ? held.AnswerTo(asked.Item) : asked.Item.Right).Short(Wording.Usual), asked.Item.Task.Aloud, null),
                                null);
                }
            });
            if (i == 0) await site.Practise(child.Id, new Behind(TimeSpan.FromDays(1 + (7 * (outcomes.Length - 1)))));
        }
        return child;
    }

    private static Task Practise(this Site site, ChildId child, TimeProvider clock) => site.App.InSchool(site.A, async connection =>
    {
        var practising = new Practising(site.Model, clock);
        var (_, sitting) = await practising.Assign(connection, (await ChildRecord.Load(connection, site.Model, child))!, NextHour,
            new SetChoices(), Guid.NewGuid());
        foreach (var asked in (await Sittings.AskedIn(connection, [sitting]))[sitting].ToList())
        {
            await practising.Answer(connection, sitting,
                new Submission(Guid.NewGuid(), asked.Place, asked.Item.Right.Short(Wording.Usual), asked.Item.Task.OnScreen, null));
            await practising.GoOn(connection, sitting, asked.Place);
        }
    });
}
