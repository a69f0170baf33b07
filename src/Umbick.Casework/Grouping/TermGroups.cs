using Umbick.Core.Diagnosis;
using Umbick.Core.Grouping;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What groups are planned from.</summary>
/// <param name="Caseload">The children.</param>
/// <param name="Children">The same, as a plan sees them.</param>
/// <param name="Timetable">The timetable, with who has which slot now.</param>
/// <param name="Minutes">The minutes a week that were chosen for children.</param>
/// <param name="LastKept">When groups were kept last; null where they never were.</param>
public sealed record GroupsNow(
    IReadOnlyList<CaseloadChild> Caseload, IReadOnlyList<PlanChild> Children, Timetable Timetable,
    IReadOnlyDictionary<ChildId, int> Minutes, DateOnly? LastKept)
{
    /// <summary>After so many school weeks groups are looked through.</summary>
    private const int LookedThroughAfterWeeks = 3;

    /// <summary>Who copied within so many days may not sit beside one who answers surely.</summary>
    private const int CopyingDays = 42;

    /// <summary>How many of four come right where answers come surely.</summary>
    private const int SureFrom = 3;

    /// <summary>It as what is to be planned.</summary>
    public GroupPlanning Planning => new(Children, Timetable.Slots, Timetable.Barred, Timetable.KeptApart);

    /// <summary>Whether groups that were kept are to be looked through on a day.</summary>
    public static async Task<bool> AreToBeLookedThrough(SchoolConnection connection, SchoolYear year, DateOnly today) =>
        IsOld(await GroupRows.LastKept(connection), year, today);

    /// <summary>Whether the groups that were kept are to be looked through on a day.</summary>
    public bool IsToBeLookedThrough(DateOnly today) => IsOld(LastKept, Timetable.Year, today);

    private static bool IsOld(DateOnly? kept, SchoolYear year, DateOnly today) =>
        kept is { } day && year.WeeksAfter(day, LookedThroughAfterWeeks) <= today;

    /// <summary>The alias of a child.</summary>
    public string NameOf(ChildId child) => Caseload.FirstOrDefault(known => known.Child.Id == child)?.Child.Alias ?? "a child who has left";

    /// <summary>Loads it.</summary>
    public static async Task<GroupsNow> Load(SchoolConnection connection, ReadingModel model, DateOnly today)
    {
        var caseload = await Casework.Caseload.Load(connection, model);
        var minutes = await GroupRows.Minutes(connection);
        var help = await GroupRows.Help(connection);
        var copied = await GroupRows.HaveCopied(connection, today.AddDays(-CopyingDays));
        return new GroupsNow(caseload,
            [.. caseload.Select(child => InPlan(child, today, minutes, help.GetValueOrDefault(child.Child.Id),
                copied.Contains(child.Child.Id)))],
            await Timetables.Load(connection, today, today), minutes, await GroupRows.LastKept(connection));
    }

    private static PlanChild InPlan(
        CaseloadChild child, DateOnly today, IReadOnlyDictionary<ChildId, int> minutes, Support help, bool hasCopied)
    {
        var summary = child.SummaryOn(today);
        var needs = CaseNeed.From(summary);
        var course = needs.Pattern is { } pattern ? summary.Facts.Courses.CourseOf(pattern) : null;
        var preferences = child.Child.Preferences;
        return new PlanChild(child.Child.Id, child.Child.ClassName, needs, child.Child.Stage,
            minutes.TryGetValue(child.Child.Id, out var chosen) ? chosen : needs.Minutes)
        {
            Words = $"{preferences.Wording.Past} {preferences.Wording.To} {preferences[SettingList.CountStart]}",
            Help = preferences.Support ?? help,
            IsStuck = course?.ChangesApproach ?? false,
            HasCopied = hasCopied,
            IsSure = course is { HasEnded: true }
                || (course?.Colds.LastOrDefault(cold => cold.IsWhole) is { } last && last.Right >= SureFrom),
        };
    }

}

/// <summary>Groups for a term: proposed, and kept by a press.</summary>
public sealed class TermGroups(IPlanSolver solver, TimeProvider clock)
{
    /// <summary>Proposes groups.</summary>
    public Task<GroupPlan> Propose(GroupsNow now, CancellationToken cancel) => now.Planning.Make(solver, cancel);

    /// <summary>Keeps a plan as it was shown, unless what it rests on has changed meanwhile.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="now">What is planned from.</param>
    /// <param name="mark">The mark of the plan that was shown.</param>
    /// <param name="by">Who keeps it.</param>
    /// <returns>Why nothing was kept; null where it was.</returns>
    public async Task<string?> Keep(SchoolConnection connection, GroupsNow now, string mark, PersonId by)
    {
        var plan = await Propose(now, CancellationToken.None);
        if (plan.Mark != mark) return "Something has changed since this plan was shown. Look at the new one. Nothing was kept.";
        foreach (var slot in now.Timetable.Slots.Where(slot => plan.Seats.ContainsKey(slot.Id)))
        {
            if (!plan.Seats[slot.Id].SequenceEqual(slot.Children))
                await Timetables.Seat(connection, slot.Id, plan.Seats[slot.Id], byHand: false);
        }
        await GroupRows.NoteKept(connection, by, clock.GetUtcNow().UtcDateTime);
        return null;
    }

    /// <summary>Notes that two children are to be kept apart, or takes that back.</summary>
    /// <returns>Why it could not be noted; null where it was.</returns>
    public async Task<string?> KeepApart(SchoolConnection connection, ChildId one, ChildId other, bool apart, PersonId by)
    {
        if (one == other) return "Choose two children.";
        if (await Children.Find(connection, one) is null || await Children.Find(connection, other) is null)
            return "Choose two children of your caseload.";
        await GroupRows.KeepApart(connection, one, other, apart, by, clock.GetUtcNow().UtcDateTime);
        return null;
    }

    /// <summary>Keeps how long a child is to be seen in a week; null: as what they need asks for.</summary>
    /// <returns>Why it was not kept; null where it was.</returns>
    public static async Task<string?> ChooseMinutes(SchoolConnection connection, ChildId child, int? minutes)
    {
        if (minutes is < 0 or > PlanChild.MostMinutes) return $"A child is seen for {PlanChild.MostMinutes} minutes a week at most.";
        if (await Children.Find(connection, child) is null) return "Choose a child of your caseload.";
        await GroupRows.ChooseMinutes(connection, child, minutes);
        return null;
    }
}
