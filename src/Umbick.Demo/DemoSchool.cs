using Umbick.Casework;
using Umbick.Casework.Accounts;
using Umbick.Store;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Simulation;

namespace Umbick.Demo;

/// <summary>
/// Gull Point, a school on a harbour island, with 24 children who are made of patterns and unlearn some of them over weeks. The same seed
/// makes the same children; the days count back from today. Everything goes through the same doors as in use.
/// </summary>
public sealed class DemoSchool(ReadingModel model, DateTimeOffset today)
{
    private const int Seed = 20;

    /// <summary>The demonstration school's id.</summary>
    public static readonly SchoolId Id = SchoolId.Parse("9a1e0000-0000-7000-8000-000000000001");

    /// <summary>
    /// A child: alias, stage, patterns, how often the child follows them, sittings so far, whether the child unlearns, and how many days
    /// longer ago it began.
    /// </summary>
    private sealed record Cast(string Alias, Stage Stage, string[] Patterns, double Consistency, int Visits, bool Unlearns, int Ago = 0);

    private static readonly Cast[] Children =
    [
        new("Fennel", Stage.FiveMinutesTo, ["next-hour"], 0.88, 5, true),
        new("Plover", Stage.FiveMinutesTo, ["numeral-as-minutes"], 0.9, 1, false, 14),
        new("Bracken", Stage.QuarterTo, ["hands-swapped"], 0.9, 1, false),
        new("Sorrel", Stage.FiveMinutesTo, ["to-as-past"], 0.85, 2, false),
        new("Teasel", Stage.EveryMinute, ["whole-fives-only"], 0.9, 1, false),
        new("Marram", Stage.FiveMinutesTo, ["to-this-hour", "next-hour"], 0.9, 2, false),
        new("Kestrel", Stage.FiveMinutesPast, ["hands-swapped", "numeral-as-minutes"], 0.9, 1, false),
        new("Samphire", Stage.FiveMinutesTo, [], 0.95, 2, false),
        new("Dunlin", Stage.FiveMinutesTo, ["minutes-to-as-minutes"], 0.88, 2, true),
        new("Juniper", Stage.QuarterTo, ["to-without-turning"], 0.85, 1, false),
        new("Lichen", Stage.FiveMinutesTo, ["nearest-hour"], 0.9, 3, true, 42),
        new("Merlin", Stage.EveryMinute, [], 0.95, 1, false),
        new("Campion", Stage.FiveMinutesPast, ["fives-from-twelve"], 0.9, 1, false, 28),
        new("Osprey", Stage.HalfPast, ["minutes-ignored"], 0.9, 1, false),
        new("Yarrow", Stage.FiveMinutesTo, ["lower-numeral"], 0.92, 2, false),
        new("Tern", Stage.FiveMinutesTo, ["past-as-to"], 0.85, 2, true, 36),
        new("Clover", Stage.FiveMinutesTo, ["next-hour"], 0.85, 2, false, 40),
        new("Heron", Stage.FiveMinutesTo, ["anticlockwise"], 0.88, 1, false, 60),
        new("Thrift", Stage.FiveMinutesPast, ["no-leading-zero"], 0.9, 1, false),
        new("Sanderling", Stage.HalfPast, ["previous-hour"], 0.9, 1, false),
        new("Bryony", Stage.QuarterTo, [], 0.9, 0, false),
        new("Guillemot", Stage.OClock, [], 0.9, 0, false),
        new("Eider", Stage.FiveMinutesTo, [], 0.9, 0, false),
        new("Alder", Stage.EveryMinute, ["to-as-past", "whole-fives-only"], 0.85, 2, false),
    ];

    /// <summary>What the first of them guessed of time, a card a sitting: seconds or a count, and what it was, on two tries.</summary>
    private static readonly (string Card, GuessAndReal First, GuessAndReal Second)[] Guesses =
    [
        ("a-minute", new(31, 60), new(44, 60)), ("half-a-minute", new(40, 22), new(25, 24)), ("how-long", new(5, 18), new(14, 17)),
        ("a-minute", new(42, 60), new(52, 60)), ("lining-up", new(60, 95), new(90, 100)),
    ];

    /// <summary>A class that was screened: alias, patterns, and how many of its questions have been typed in so far.</summary>
    private static readonly (string Alias, string[] Patterns, int Answered)[] ScreenedClass =
    [
        ("Brill", [], ClassScreening.Length), ("Dulse", ["next-hour"], ClassScreening.Length), ("Cowrie", [], ClassScreening.Length),
        ("Limpet", ["numeral-as-minutes"], ClassScreening.Length),
        ("Whelk", [], ClassScreening.Length), ("Turnstone", ["to-as-past"], ClassScreening.Length), ("Puffin", [], ClassScreening.Length),
        ("Razorbill", ["hands-swapped"], ClassScreening.Length),
        ("Spindrift", [], ClassScreening.Length), ("Samphire", [], ClassScreening.Length),
        ("Periwinkle", ["half-names-next"], ClassScreening.Length), ("Skua", [], ClassScreening.Length),
        ("Curlew", [], 2), ("Petrel", [], 0),
    ];

    /// <summary>Fills an empty database.</summary>
    /// <param name="owner">The database as its owner.</param>
    /// <param name="passwordHash">What is kept of <see cref="DemoSignIn.Password"/>.</param>
    public async Task Fill(Database owner, string passwordHash)
    {
        var (person, colleague) = await owner.InSchool(Id, async connection =>
        {
            await Schools.Erase(connection);
            await Schools.Add(connection, new School(Id, "Gull Point"));
            await People.TryAdd(connection, DemoSignIn.AssistantUserName, "Moss", passwordHash, PersonRole.Assistant, inCharge: false);
            await People.TryAdd(connection, "gale@gullpoint.example", "Gale", passwordHash, PersonRole.Teacher, inCharge: false);
            var wren = await People.Add(connection, DemoSignIn.UserName, "Wren", passwordHash);
            return (wren, (await People.All(connection)).Single(known => known.DisplayName == "Gale").Id);
        });
        foreach (var (cast, i) in Children.Select((cast, i) => (cast, i)))
            await owner.InSchool(Id, connection => Add(connection, cast, new Random(Seed + i), person.Id));
        await owner.InSchool(Id, connection => new DemoWork(model, today, person.Id, colleague).Add(connection));
        await owner.InSchool(Id, connection => ScreenClass(connection, new Random(Seed - 1), person.Id));
    }

    private async Task Add(SchoolConnection connection, Cast cast, Random random, PersonId teacher)
    {
        var id = new ChildId(new Guid(Enumerable.Range(0, 16).Select(_ => (byte)random.Next(256)).ToArray()));
        var day = today.Date.AddHours(9.5).AddDays(-(10 * cast.Visits) - 4 - random.Next(4) - cast.Ago);
        await Store.Children.Add(connection, new Child(id, cast.Alias, cast.Stage), DateTime.SpecifyKind(day, DateTimeKind.Utc));
        var patterns = cast.Patterns.Select(pattern => Catalogue.Find(pattern)!).ToList();
        var child = new SimulatedChild(model, patterns, cast.Consistency, random);
        for (var visit = 0; visit < cast.Visits; visit++)
        {
            var clock = new VisitClock(new DateTimeOffset(day.AddDays((visit * 10) + random.Next(3)), TimeSpan.Zero));
            await Ask(connection, child, id, clock, teacher, random);
            if (cast == Children[0])
            {
                var (card, first, second) = Guesses[visit];
                await SenseOfTime.Keep(connection, TimeTryId.New(), id, TimeCard.Find(card)!, first, second, teacher,
                    clock.GetUtcNow().UtcDateTime);
            }
            if (visit == cast.Visits - 1) break;
            // The first practice is a set on a screen; the last before they are asked again is a visit.
            if (visit > 0 && visit == cast.Visits - 2) await Visit(connection, child, id, clock, teacher, random);
            else await Practise(connection, child, id, clock, teacher);
            if (cast.Unlearns && visit >= (cast.Visits - 2) / 2) patterns.ForEach(child.Unlearn);
        }
    }

    private async Task ScreenClass(SchoolConnection connection, Random random, PersonId teacher)
    {
        var screen = new ClassScreening(model, new VisitClock(today.AddDays(-6)));
        var id = await screen.Start(connection, "Tide class", Stage.FiveMinutesTo, [.. ScreenedClass.Select(child => child.Alias)]);
        await screen.TellDay(connection, id, DateOnly.FromDateTime(today.AddDays(-6).Date));
        var found = (await screen.Load(connection, id))!;
        foreach (var (child, (_, patterns, answered)) in found.Children.Zip(ScreenedClass))
        {
            var simulated = new SimulatedChild(model, patterns.Select(pattern => Catalogue.Find(pattern)!), 0.9, random);
            for (var place = 1; place <= answered; place++)
                await screen.Enter(connection, child.Sitting.Sitting.Id,
                    new Submission(AnswerId.New(), place, simulated.Answer(found.Items[place - 1], AnswerMode.Written),
                        AnswerMode.Written, null), teacher);
        }
    }

    private async Task Ask(SchoolConnection connection, SimulatedChild child, ChildId id, VisitClock clock, PersonId teacher, Random random)
    {
        var asking = new Asking(model, clock);
        var sittingId = (await asking.Start(connection, id))!.Value;
        while (await Sittings.Find(connection, sittingId) is { EndedAt: null } sitting)
        {
            var item = (await Sittings.AskedIn(connection, [sittingId]))[sittingId]
                .Single(asked => asked.Place == sitting.CurrentPlace).Item;
            var mode = item.Task.Aloud;
            clock.Advance(TimeSpan.FromSeconds(10 + random.Next(25)));
            var raw = child.Answer(item, mode);
            await asking.Answer(connection, sittingId,
                new Submission(AnswerId.New(), sitting.CurrentPlace, raw, mode, 4 + random.Next(16)), teacher);
        }
    }

    private async Task Practise(SchoolConnection connection, SimulatedChild child, ChildId id, VisitClock clock, PersonId teacher)
    {
        var practising = new Practising(model, clock);
        var record = (await ChildRecord.Load(connection, model, id))!;
        if (record.First.Count == 0) return;
        clock.Advance(TimeSpan.FromMinutes(3));
        var (_, sitting) = await practising.Assign(connection, record, record.First[0].Finding.Pattern, new SetChoices(), teacher);
        while (await Practising.Where(connection, sitting) is { Asked: { } asked } turn)
        {
            if (turn.Settled)
            {
                await practising.GoOn(connection, sitting, asked.Place);
                continue;
            }
            var mode = asked.Item.Task.OnScreen;
            // Looking again helps: the second answer is the right one.
            var raw = turn.First is null ? child.Answer(asked.Item, mode) : asked.Item.Right.Short(Wording.Usual);
            clock.Advance(TimeSpan.FromSeconds(20));
            await practising.Answer(connection, sitting,
                new Submission(AnswerId.New(), asked.Place, raw, mode, 8) { Try = turn.First is null ? 1 : 2 });
        }
    }

    private async Task Visit(
        SchoolConnection connection, SimulatedChild child, ChildId id, VisitClock clock, PersonId teacher, Random random)
    {
        var visiting = new Visiting(model, new Asking(model, clock), new Practising(model, clock), clock);
        if ((await ChildRecord.Load(connection, model, id))!.WorkedOn is not { } pattern) return;
        clock.Advance(TimeSpan.FromDays(2));
        var visit = VisitId.New();
        var demonstration = Demonstration.Offered(pattern, [])[0];
        await visiting.Begin(connection, visit, pattern, [id], demonstration.Id, teacher);
        await Say(VisitPart.Room, 1, $"{(await Schools.ClockAt(connection, clock.GetUtcNow().UtcDateTime)).Plus(random.Next(-1, 2))}");
        while (await VisitState.Load(connection, visit) is { Visit: { EndedAt: null } now } at)
        {
            clock.Advance(TimeSpan.FromSeconds(25));
            if (at.Asked is { } asked)
            {
                await Say(now.Part, now.Place, child.Answer(asked.Item, asked.Item.Task.Aloud));
                if (now.Part == VisitPart.Cold) continue;
                var took = (await VisitState.Load(connection, visit))!.Children[0].At(now.Part, now.Place)!.IsRight ? default(Rung?)
                    : (Rung)random.Next(1, 4);
                if (took is not null && now.Part == VisitPart.Practise)
                    await visiting.NoteRung(connection, visit, id, now.Place, took, teacher);
            }
            await visiting.GoOn(connection, visit, now.Part, now.Place, demonstration, teacher);
        }
        await visiting.Note(connection, visit, id, VisitNote.All[random.Next(VisitNote.All.Count)], holds: true, teacher);

        Task Say(VisitPart part, int place, string raw) =>
            visiting.Answer(connection, visit, id, part, new Submission(AnswerId.New(), place, raw, AnswerMode.Said, null), teacher);
    }
}
