using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Children of the school: who is on the caseload, at which stage, from which class.</summary>
public static class Enrolment
{
    /// <summary>Every child on the caseload with what is waiting, by alias.</summary>
    public static async Task<IReadOnlyList<CaseloadRow>> OnCaseload(SchoolConnection connection) => [.. await Children.All(connection)];

    /// <summary>One child with what is waiting; null where there is no such child.</summary>
    public static Task<CaseloadRow?> Find(SchoolConnection connection, ChildId id) => Children.Find(connection, id);

    /// <summary>So many are found by a few letters at most.</summary>
    public const int MostFound = 8;

    /// <summary>The children with some letters in the alias, on the caseload or not: those whom they begin first.</summary>
    public static Task<IReadOnlyList<ListedChild>> FindByLetters(SchoolConnection connection, string letters) =>
        Children.ByLetters(connection, letters, MostFound);

    /// <summary>A child with the names of the classes that children come from; null of a child where there is no such child.</summary>
    public static async Task<(CaseloadRow? Child, IReadOnlyList<string> Classes)> FindWithClasses(
        SchoolConnection connection, ChildId id) =>
        (await Children.Find(connection, id), await ClassTeachings.Names(connection));

    /// <summary>Puts a child on the caseload, unless one with this alias is there.</summary>
    /// <returns>The id of the child with this alias, and whether it was there before.</returns>
    public static Task<(ChildId Id, bool WasThere)> Join(SchoolConnection connection, Child child, DateTime now) =>
        Children.Join(connection, child, now);

    /// <summary>Gives a child another alias.</summary>
    /// <returns>Whether it was done: not where another child has it.</returns>
    public static Task<bool> Rename(SchoolConnection connection, ChildId id, string alias) => Children.Rename(connection, id, alias);

    /// <summary>Takes a child onto the caseload, or off it. Their answers stay.</summary>
    /// <returns>Whether there is such a child.</returns>
    public static async Task<bool> SetOnCaseload(SchoolConnection connection, ChildId id, bool onCaseload) =>
        await Children.SetOnCaseload(connection, id, onCaseload) > 0;

    /// <summary>Keeps how far a child has been taught, and what is settled for this child alone.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="id">The child.</param>
    /// <param name="stage">How far the child has been taught.</param>
    /// <param name="tasksMet">The ids of the tasks that the child has met; all or none of them is as usual at the stage.</param>
    /// <param name="className">The class that the child is fetched from; null to leave it as it is.</param>
    /// <param name="settings">What is settled for this child, by setting.</param>
    /// <param name="by">Whoever settled it.</param>
    /// <param name="now">When.</param>
    /// <returns>Whether there is such a child.</returns>
    public static async Task<bool> Teach(
        SchoolConnection connection, ChildId id, Stage stage, IEnumerable<string> tasksMet, string? className,
        IReadOnlyDictionary<string, string> settings, PersonId by, DateTime now)
    {
        var known = ClockTasks.Plain.Select(task => task.Id).Intersect(tasksMet).ToList();
        var all = known.Count == 0 || known.Count == ClockTasks.Plain.Count;
        if (className is not null) await Children.SetClass(connection, id, className);
        if (await Children.Teach(connection, id, stage, all ? null : known, settings) == 0) return false;
        await Audit.Note(connection, by, AuditKinds.SettingsChanged, now, id);
        return true;
    }
}
