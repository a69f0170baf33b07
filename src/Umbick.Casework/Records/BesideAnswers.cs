using Umbick.Core.Items;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What is known of a child beside the answers.</summary>
/// <param name="Demonstrated">What was shown to the child, the latest first.</param>
/// <param name="OpenVisit">The visit that the child is in the middle of; null where there is none.</param>
/// <param name="Help">The help that was taken in the last visits, the latest first.</param>
/// <param name="RoomClock">What was read off the clock on the wall in the last visits, the latest first.</param>
/// <param name="VisitNotes">What was noted in the last visits, day by day.</param>
/// <param name="ClassTeaching">What the child's class says and works on; null where nothing is known.</param>
/// <param name="Absences">The days of the last weeks on which the child could not come, the latest first.</param>
/// <param name="OwnWays">The names that were given to ways of the child's own, by step.</param>
public sealed record BesideAnswers(
    IReadOnlyList<DemonstrationShown> Demonstrated,
    VisitId? OpenVisit,
    IReadOnlyList<HelpTaken> Help,
    IReadOnlyList<(DateOnly Day, string ClockTime, string Raw)> RoomClock,
    IReadOnlyList<(DateOnly Day, IReadOnlyList<string> Notes)> VisitNotes,
    ClassTeaching? ClassTeaching,
    IReadOnlyList<Absence> Absences,
    IReadOnlyDictionary<Step, string> OwnWays)
{
    /// <summary>The longest name of a way of a child's own, in characters.</summary>
    public const int LongestName = NamedWays.Longest;

    /// <summary>What was asked after of the child, the latest first; by whom, where they are still here.</summary>
    public IReadOnlyList<(string About, DateOnly Day, string By)> AskedAfter { get; private init; } = [];

    private const int MostVisits = 3;

    /// <summary>So many days back absences are told of.</summary>
    private const int AbsencesOfDays = 42;

    /// <summary>Loads it.</summary>
    public static async Task<BesideAnswers> Load(SchoolConnection connection, CaseloadRow child, DateOnly today)
    {
        var id = child.Id;
        var visits = await Store.Visits.OfChild(connection, id);
        var visited = visits.Count > 0;
        return new BesideAnswers(
            await Store.Demonstrated.To(connection, id),
            visits.FirstOrDefault(visit => visit.EndedAt is null)?.Id,
            visited ? await HelpTaken.Load(connection, id, MostVisits) : [],
            visited ? [.. (await Store.Visits.RoomClockOf(connection, id)).Take(MostVisits)] : [],
            visited ? await Notes(connection, id) : [],
            child.ClassName.Length == 0 ? null : await ClassTeachings.Find(connection, child.ClassName),
            await Timetables.AbsencesOf(connection, id, today.AddDays(-AbsencesOfDays)),
            await NamedWays.Load(connection, id))
        { AskedAfter = await Store.AskedAfter.OfChild(connection, id) };
    }

    /// <summary>Notes that somebody asked after something today, or takes that back.</summary>
    /// <returns>Whether there is such a child.</returns>
    public static async Task<bool> Ask(SchoolConnection connection, ChildId id, AskAfter about, bool holds, PersonId by, DateTime now)
    {
        if (await Children.Find(connection, id) is null) return false;
        await Store.AskedAfter.Note(connection, id, about.Id, await Schools.Today(connection, now), holds, by, now);
        return true;
    }

    /// <summary>Gives a child's own way at a step a name; an empty one takes the name away.</summary>
    /// <returns>Whether there is such a child.</returns>
    public static async Task<bool> NameWay(SchoolConnection connection, ChildId id, Step step, string name, PersonId by, DateTime now)
    {
        if (await Children.Find(connection, id) is null) return false;
        await NamedWays.Name(connection, id, step, name, by, now);
        return true;
    }

    private static async Task<IReadOnlyList<(DateOnly Day, IReadOnlyList<string> Notes)>> Notes(SchoolConnection connection, ChildId id) =>
    [
        .. (from note in await Store.Visits.NotesOf(connection, id)
            group VisitNote.Find(note.Note)?.Words ?? note.Note by note.Day into day
            select (day.Key, (IReadOnlyList<string>)[.. day])).Take(MostVisits),
    ];
}
