using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Demo;

/// <summary>
/// The work at Gull Point: a term's timetable, and children at each turn of it. One gets no further, one is to be finished, one has come
/// back, one is looked at again today, one is in the middle of a cycle and one has finished it. The days count back from today; how the
/// cold starts come out is written down here.
/// </summary>
internal sealed class DemoWork(ReadingModel model, DateTimeOffset today, PersonId teacher, PersonId colleague)
{
    /// <summary>
    /// A child with a pattern, and the cold starts: days ago, and how the four telling answers came out (<c>r</c> right, <c>i</c> its way).
    /// <c>+</c> finishes the pattern after it.
    /// </summary>
    private static readonly (string Alias, string Pattern, string Colds)[] Courses =
    [
        ("Plover", "numeral-as-minutes", "26 iiii, 20 iiii, 14 riii, 8 iiii"),
        ("Campion", "fives-from-twelve", "36 iiii, 29 riri, 22 rrir, 15 rrrr, 8 rrrr, 5 rrrr"),
        ("Clover", "next-hour", "42 riii, 36 rrri, 29 rrrr, 22 rrrr +, 15 rrrr, 3 riri"),
        ("Lichen", "nearest-hour", "40 riri, 33 rrrr, 26 rrrr +, 8 rrrr"),
        ("Heron", "anticlockwise", "66 iiri, 59 rrir, 52 rrrr, 45 rrrr +, 43 rrrr, 36 rrrr, 8 rrrr"),
        ("Tern", "past-as-to", "30 riii, 23 rrii, 16 rrir, 9 rrrr"),
    ];

    private static readonly (string Class, string[] Children)[] Classes =
    [
        ("Tide class", ["Fennel", "Plover", "Sorrel", "Marram", "Kestrel", "Lichen", "Campion", "Tern"]),
        ("Lamp class", ["Bracken", "Juniper", "Osprey", "Clover", "Heron", "Thrift", "Sanderling", "Bryony"]),
        ("Ferry class", ["Teasel", "Samphire", "Dunlin", "Merlin", "Yarrow", "Guillemot", "Eider", "Alder"]),
    ];

    /// <summary>From so many minutes after the first slot on the colleague has the slots.</summary>
    private const int ColleaguesAfter = 65;

    /// <summary>The slots of a day, each so many minutes after the first; one without children is kept free.</summary>
    private static readonly (DayOfWeek[] Days, int After, string[] Children)[] Slots =
    [
        ([DayOfWeek.Monday, DayOfWeek.Thursday], 0, ["Marram", "Yarrow"]),
        ([DayOfWeek.Monday, DayOfWeek.Thursday], 15, ["Bracken", "Kestrel"]),
        ([DayOfWeek.Monday, DayOfWeek.Thursday], 30, ["Plover"]),
        ([DayOfWeek.Monday, DayOfWeek.Thursday], 50, []),
        ([DayOfWeek.Monday, DayOfWeek.Thursday], 65, ["Campion"]),
        ([DayOfWeek.Tuesday, DayOfWeek.Friday], 0, ["Sorrel", "Alder"]),
        ([DayOfWeek.Tuesday, DayOfWeek.Friday], 15, ["Osprey"]),
        ([DayOfWeek.Tuesday, DayOfWeek.Friday], 30, ["Juniper"]),
        ([DayOfWeek.Tuesday, DayOfWeek.Friday], 50, []),
        ([DayOfWeek.Tuesday, DayOfWeek.Friday], 65, ["Teasel"]),
        ([DayOfWeek.Wednesday], 0, ["Tern"]),
        ([DayOfWeek.Wednesday], 15, ["Dunlin"]),
        ([DayOfWeek.Wednesday], 30, []),
        ([DayOfWeek.Wednesday], 50, []),
        ([DayOfWeek.Wednesday], 65, []),
    ];

    private Dictionary<string, ChildId> _children = [];

    /// <summary>Adds the work to the school whose children are there.</summary>
    public async Task Add(SchoolConnection connection)
    {
        _children = (await Children.All(connection)).ToDictionary(child => child.Alias, child => child.Id);
        await AddClasses(connection);
        await AddTimetable(connection);
        await AddCycle(connection, "Heron", 67, ended: true);
        await AddCycle(connection, "Tern", 34, ended: false);
        foreach (var (alias, pattern, colds) in Courses) await AddCourse(connection, _children[alias], Catalogue.Find(pattern)!, colds);
        await EndCycle(connection, "Heron");
        await new Deciding(model, At(2)).Say(connection, DecisionId.New(), _children["Kestrel"], Catalogue.Find("hands-swapped")!,
            holds: true, "showed it with both hands at the board", await Seen(connection, _children["Kestrel"]), teacher);
        await Timetables.NoteAbsence(connection, _children["Kestrel"], Day(0), absent: true, teacher, today.UtcDateTime);
        await Timetables.NoteAbsence(connection, _children["Plover"], Day(5), absent: false, teacher, today.UtcDateTime);
    }

    private async Task AddClasses(SchoolConnection connection)
    {
        foreach (var (name, children) in Classes)
        {
            foreach (var alias in children) await Children.SetClass(connection, _children[alias], name);
        }
        await ClassTeachings.Keep(connection, "Tide class", "“past” and “to”, minutes first", "quarter to", "nearest-number",
            today.AddDays(-3).UtcDateTime);
        await ClassTeachings.Keep(connection, "Lamp class", "“half past”, no “to” yet", "half past and quarter past", "between-is-half",
            today.AddDays(-9).UtcDateTime);
    }

    /// <summary>
    /// The first slot is a little before now, so that whoever looks round sees a day that goes on; the term has a holiday behind it and one
    /// to come.
    /// </summary>
    private async Task AddTimetable(SchoolConnection connection)
    {
        var (_, now) = await Schools.LocalNow(connection, today.UtcDateTime);
        var first = new TimeOnly(Math.Clamp(now.Hour, 9, 20), now.Hour is >= 9 and <= 20 ? now.Minute / 5 * 5 : 5);
        foreach (var (days, after, children) in Slots)
        {
            foreach (var day in days)
                await Timetables.AddSlot(connection,
                    new Slot(SlotId.New(), day, first.AddMinutes(after), Slot.Usual,
                        [.. children.Select(alias => _children[alias])])
                    { Teacher = after >= ColleaguesAfter ? colleague : teacher });
        }
        await Timetables.Bar(connection, BarredTimeId.New(),
            new BarredTime("Lamp class", DayOfWeek.Thursday, first.AddMinutes(48), first.AddMinutes(90), "swimming"));
        await Timetables.Bar(connection, BarredTimeId.New(),
            new BarredTime("Ferry class", DayOfWeek.Monday, first.AddMinutes(10), first.AddMinutes(45), "assembly"));
        var monday = SchoolYear.Monday(Day(0));
        await Timetables.AddHoliday(connection, HolidayId.New(), new Holiday("Tide week", monday.AddDays(-21), monday.AddDays(-17)));
        await Timetables.AddHoliday(connection, HolidayId.New(), new Holiday("Long lamp", monday.AddDays(35), monday.AddDays(46)));
    }

    private async Task AddCourse(SchoolConnection connection, ChildId child, Pattern pattern, string colds)
    {
        foreach (var (cold, i) in colds.Split(", ").Select((cold, i) => (cold.Split(' '), i)))
        {
            var clock = At(int.Parse(cold[0], System.Globalization.CultureInfo.InvariantCulture));
            await ColdStart(connection, child, pattern, cold[1], clock);
            if (cold.Length == 3)
            {
                await Decide(connection, child, pattern, clock);
                continue;
            }
            if ((await ChildRecord.Load(connection, model, child))!.Work.CourseOf(pattern).Phase == PatternPhase.Practising
                && !cold[1].Equals("rrrr", StringComparison.Ordinal))
            {
                await Demonstrated.Keep(connection, ShowingId.New(), child, pattern.Id, Demonstration(pattern, i), teacher,
                    clock.GetUtcNow().UtcDateTime);
                await Practise(connection, child, pattern, cold[1].Count(answer => answer == 'r'), clock);
            }
        }
    }

    private static string Demonstration(Pattern pattern, int turn)
    {
        var offered = Core.Teaching.Demonstration.Offered(pattern, []);
        return offered[turn % offered.Count].Id;
    }

    private async Task Decide(SchoolConnection connection, ChildId child, Pattern pattern, VisitClock clock)
    {
        clock.Advance(TimeSpan.FromMinutes(2));
        await new Deciding(model, clock).Decide(connection, DecisionId.New(), child, pattern, DecisionKind.FinishPattern, taken: true,
            await Seen(connection, child), teacher);
    }

    private async Task<string> Seen(SchoolConnection connection, ChildId child) =>
        (await ChildRecord.Load(connection, model, child))!.Source;

    private async Task ColdStart(SchoolConnection connection, ChildId child, Pattern pattern, string outcomes, VisitClock clock)
    {
        var asking = new Asking(model, clock);
        var held = HeldPattern.Plain(model, pattern);
        var id = (await asking.Start(connection, child, new AskingOptions(Plan.ColdStart) { ColdPattern = pattern }))!.Value;
        await Answer(connection, asking, id, clock,
            (item, place) => place <= outcomes.Length && outcomes[place - 1] == 'i' ? held.AnswerTo(item) : item.Right);
    }

    private async Task Answer(SchoolConnection connection, Asking asking, SittingId id, VisitClock clock, Func<Item, int, Answer> answer)
    {
        while (await Sittings.Find(connection, id) is { EndedAt: null } sitting)
        {
            var item = (await Sittings.AskedIn(connection, [id]))[id].Single(asked => asked.Place == sitting.CurrentPlace).Item;
            clock.Advance(TimeSpan.FromSeconds(14 + (sitting.CurrentPlace % 4 * 3)));
            await asking.Answer(connection, id,
                new Submission(AnswerId.New(), sitting.CurrentPlace, answer(item, sitting.CurrentPlace).Short(Wording.Usual),
                    item.Task.Aloud, 6 + (sitting.CurrentPlace % 5)), teacher);
        }
    }

    private async Task Practise(SchoolConnection connection, ChildId child, Pattern pattern, int right, VisitClock clock)
    {
        clock.Advance(TimeSpan.FromMinutes(3));
        var practising = new Practising(model, clock);
        var (_, sitting) = await practising.Assign(connection, (await ChildRecord.Load(connection, model, child))!, pattern,
            new SetChoices(), teacher);
        var held = HeldPattern.Plain(model, pattern);
        var answered = 0;
        while (await Practising.Where(connection, sitting) is { Asked: { } asked } turn)
        {
            if (turn.Settled)
            {
                await practising.GoOn(connection, sitting, asked.Place);
                continue;
            }
            var wrong = turn.First is null && answered++ % 4 >= right;
            clock.Advance(TimeSpan.FromSeconds(20));
            await practising.Answer(connection, sitting,
                new Submission(AnswerId.New(), asked.Place,
                    (wrong ? held.AnswerTo(asked.Item) : asked.Item.Right).Short(Wording.Usual), asked.Item.Task.OnScreen, 8)
                { Try = turn.First is null ? 1 : 2 });
        }
    }

    private async Task AddCycle(SchoolConnection connection, string alias, int ago, bool ended)
    {
        var clock = At(ago);
        await new Deciding(model, clock).BeginCycle(connection, CycleId.New(), _children[alias], 8, CheckCycle.UsualGoal,
            ended ? "the class screening of last term" : "reads no time before the hour", teacher);
        await Form(connection, alias, "A", wrongOf: 3, clock);
        if (!ended) return;
        await Form(connection, alias, "B", wrongOf: 6, At(ago - 28));
    }

    /// <summary>Asks a form; every so many answers one goes the child's own way.</summary>
    private async Task Form(SchoolConnection connection, string alias, string form, int wrongOf, VisitClock clock)
    {
        var asking = new Asking(model, clock);
        var record = (await ChildRecord.Load(connection, model, _children[alias]))!;
        var held = record.WorkedOn is { } pattern ? HeldPattern.Plain(model, pattern) : null;
        var id = (await asking.Start(connection, _children[alias], new AskingOptions(Plan.Form) { Form = form }))!.Value;
        await Answer(connection, asking, id, clock,
            (item, place) => place % wrongOf != 0 && held is not null && form == "A" ? held.AnswerTo(item)
                : place % wrongOf == 0 && form != "A" && held is not null ? held.AnswerTo(item) : item.Right);
    }

    private async Task EndCycle(SchoolConnection connection, string alias)
    {
        var clock = At(6);
        await Form(connection, alias, "C", wrongOf: 11, clock);
        var cycle = (await WorkRows.Load(connection, [_children[alias]])).Cycles[_children[alias]].Single();
        await new Deciding(model, clock).EndCycle(connection, cycle.Id, _children[alias], "reads clocks with the class now", teacher);
    }

    /// <summary>The morning of a day so many days ago, or of the Friday before it.</summary>
    private VisitClock At(int daysAgo)
    {
        var day = today.Date.AddDays(-daysAgo);
        while (day.DayOfWeek is DayOfWeek.Saturday or DayOfWeek.Sunday) day = day.AddDays(-1);
        return new VisitClock(new DateTimeOffset(DateTime.SpecifyKind(day.AddHours(9.2), DateTimeKind.Utc)));
    }

    private DateOnly Day(int daysAgo) => DateOnly.FromDateTime(At(daysAgo).GetUtcNow().Date);
}
