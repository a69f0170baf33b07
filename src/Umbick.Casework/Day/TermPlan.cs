using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// What is fixed for a term: slots, when classes may not be fetched, holidays, and what classes say. What changes it says why not, in a
/// sentence, where it cannot be; then nothing is kept.
/// </summary>
/// <param name="Slots">The slots of a week.</param>
/// <param name="Barred">When classes may not be fetched.</param>
/// <param name="Holidays">The holidays, the earliest first.</param>
/// <param name="Children">The caseload, by alias.</param>
/// <param name="Classes">The names of the classes that children come from.</param>
/// <param name="Teachings">What classes say and work on.</param>
public sealed record TermPlan(
    IReadOnlyList<Slot> Slots,
    IReadOnlyList<KeptBarredTime> Barred,
    IReadOnlyList<KeptHoliday> Holidays,
    IReadOnlyList<CaseloadRow> Children,
    IReadOnlyList<string> Classes,
    IReadOnlyList<ClassTeaching> Teachings)
{
    /// <summary>The teachers whose a slot can be, by name.</summary>
    public IReadOnlyList<(PersonId Id, string Name)> Teachers { get; private init; } = [];

    /// <summary>The name of a slot's teacher; empty where it has none.</summary>
    public string TeacherOf(Slot slot) => slot.Teacher is not { } teacher ? ""
        : Teachers.FirstOrDefault(known => known.Id == teacher).Name ?? "somebody who has left";

    /// <summary>Loads it.</summary>
    public static async Task<TermPlan> Load(SchoolConnection connection, DateOnly today)
    {
        var slots = (await Timetables.Load(connection, today, today)).Slots;
        var classes = await ClassTeachings.Names(connection);
        var teachings = new List<ClassTeaching>();
        foreach (var name in classes)
        {
            if (await ClassTeachings.Find(connection, name) is { } teaching) teachings.Add(teaching);
        }
        return new TermPlan(
            slots, await Timetables.Barred(connection), await Timetables.Holidays(connection), [.. await Store.Children.All(connection)],
            classes, teachings)
        {
            Teachers = [.. (await People.All(connection)).Where(person => person.Role == PersonRole.Teacher)
                .Select(person => (person.Id, person.DisplayName))],
        };
    }

    /// <summary>The alias of a child in a slot.</summary>
    public string NameOf(ChildId child) => Children.FirstOrDefault(known => known.Id == child)?.Alias ?? "a child who has left";

    /// <summary>The names of everybody whose a slot may be, or was.</summary>
    public static Task<IReadOnlyDictionary<PersonId, string>> TeacherNames(SchoolConnection connection) => People.Names(connection);

    /// <summary>Adds a slot; the same again under its id changes nothing.</summary>
    public Task<string?> AddSlot(SchoolConnection connection, Slot slot) => AddSlots(connection, slot, [slot.Weekday]);

    /// <summary>Adds a slot on one day or several, all or none; the same again under its id changes nothing.</summary>
    public async Task<string?> AddSlots(SchoolConnection connection, Slot slot, IReadOnlyList<DayOfWeek> weekdays)
    {
        if (weekdays.Count == 0) return "Choose a day from Monday to Friday.";
        var slots = weekdays.Distinct().Select((day, i) => slot with { Id = i == 0 ? slot.Id : OnAnotherDay(slot.Id, day), Weekday = day })
            .ToList();
        if (slots.Select(FaultOf).FirstOrDefault(fault => fault is not null) is { } why) return why;
        foreach (var each in slots.Where(each => each.Id.IsGiven))
            await Timetables.AddSlot(connection, each with { IsByHand = each.Children.Count > 0 });
        return null;

        // Made from the page's own, so that the page sent twice adds each once.
        static SlotId OnAnotherDay(SlotId id, DayOfWeek day)
        {
            var bytes = id.Value.ToByteArray();
            bytes[^1] ^= (byte)((int)day + 1);
            return new SlotId(new Guid(bytes));
        }
    }

    /// <summary>Begins a term: the slots stay when they are, and whose they are, with nobody in them.</summary>
    public async Task Empty(SchoolConnection connection)
    {
        foreach (var slot in Slots) await Timetables.Seat(connection, slot.Id, [], byHand: false);
    }

    /// <summary>Changes who a slot is for, and whose it is. Children who were chosen by hand stay there, whatever a plan says.</summary>
    public async Task<string?> Seat(SchoolConnection connection, SlotId slot, IReadOnlyList<ChildId> children, PersonId? teacher)
    {
        if (Slots.FirstOrDefault(known => known.Id == slot) is not { } found) return "That slot is no longer in the timetable.";
        if (FaultOf(found with { Children = children, Teacher = teacher }) is { } fault) return fault;
        if (teacher != found.Teacher) await Timetables.Assign(connection, slot, teacher);
        if (!children.SequenceEqual(found.Children)) await Timetables.Seat(connection, slot, children, byHand: true);
        return null;
    }

    /// <summary>Lets plans change a slot again that was filled by hand; null: every slot.</summary>
    public static Task LetPlansFill(SchoolConnection connection, SlotId? slot) => Timetables.LetPlansFill(connection, slot);

    /// <summary>Takes a slot out of the timetable.</summary>
    public static Task RemoveSlot(SchoolConnection connection, SlotId slot) => Timetables.RemoveSlot(connection, slot);

    /// <summary>Adds a time at which a class may not be fetched; the same again under its id changes nothing.</summary>
    public static async Task<string?> Bar(SchoolConnection connection, BarredTimeId id, BarredTime barred)
    {
        if (barred.Fault is { } fault) return fault;
        if (id.IsGiven) await Timetables.Bar(connection, id, barred);
        return null;
    }

    /// <summary>Takes a barred time out.</summary>
    public static Task Unbar(SchoolConnection connection, BarredTimeId id) => Timetables.Unbar(connection, id);

    /// <summary>Adds a holiday; the same again under its id changes nothing.</summary>
    public static async Task<string?> AddHoliday(SchoolConnection connection, HolidayId id, Holiday holiday)
    {
        if (holiday.Fault is { } fault) return fault;
        if (id.IsGiven) await Timetables.AddHoliday(connection, id, holiday);
        return null;
    }

    /// <summary>Takes a holiday out.</summary>
    public static Task RemoveHoliday(SchoolConnection connection, HolidayId id) => Timetables.RemoveHoliday(connection, id);

    /// <summary>Keeps what a class says and works on.</summary>
    public static async Task<string?> KeepTeaching(
        SchoolConnection connection, string className, string wording, string topic, RuleOfThumb? rule, DateTime now)
    {
        if (className.Length is 0 or > ClassTeaching.LongestName) return "Say which class.";
        if (wording.Length > ClassTeaching.Longest || topic.Length > ClassTeaching.Longest)
            return $"At most {ClassTeaching.Longest} signs for each.";
        await ClassTeachings.Keep(connection, className, wording, topic, rule?.Id, now);
        return null;
    }

    private string? FaultOf(Slot slot) =>
        slot.Teacher is { } teacher && Teachers.All(known => known.Id != teacher)
            && Slots.All(known => known.Id != slot.Id || known.Teacher != teacher) ? "Choose a teacher of your school."
            : slot.Children.Except(Children.Select(known => known.Id)).Any() ? "Choose children of your caseload."
            : slot.Fault(Slots, NameOf);
}
