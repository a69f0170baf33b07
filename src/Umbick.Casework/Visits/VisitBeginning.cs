using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Who could come to a visit, who is proposed, and what will be shown.</summary>
/// <param name="Pattern">The pattern that is worked on.</param>
/// <param name="Candidates">Those who show it, and those who were asked for: these first.</param>
/// <param name="Chosen">Those who are proposed, or were chosen.</param>
/// <param name="LeftOpen">Candidates who are in the middle of something else, with the visit that it is; null where it is an
/// asking.</param>
/// <param name="Demonstrations">The demonstrations to choose from, with the day on which each was shown last; null where it was
/// not.</param>
/// <param name="Show">The id of the demonstration that is proposed.</param>
/// <param name="ChangesApproach">Whether the work with one of them is to be done another way.</param>
public sealed record VisitBeginning(
    Pattern Pattern, IReadOnlyList<CaseloadRow> Candidates, IReadOnlyList<ChildId> Chosen,
    IReadOnlyList<(CaseloadRow Child, VisitId? Visit)> LeftOpen,
    IReadOnlyList<(Demonstration Demonstration, DateOnly? ShownOn)> Demonstrations, string Show, bool ChangesApproach)
{
    /// <summary>What a visit has, and how long it takes, by how many come: for one to four.</summary>
    public IReadOnlyList<VisitPlan> Plans { get; private init; } = [];

    /// <summary>Whether the minutes go by what visits at this school took; else by what was written down first.</summary>
    public bool IsMeasured { get; private init; }

    /// <summary>Whether a candidate is in the middle of something else.</summary>
    public bool IsBusy(ChildId child) => LeftOpen.Any(open => open.Child.Id == child);

    /// <summary>
    /// Loads who could come. What helped is shown once more, shortly; what did not is not said over again in the same words.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="pattern">The pattern.</param>
    /// <param name="asked">Those whom the page was opened for; none proposes those who show the pattern.</param>
    /// <param name="chosen">Those who were chosen; null where nothing was chosen yet.</param>
    /// <param name="today">The day that it is.</param>
    public static async Task<VisitBeginning> Load(SchoolConnection connection, ReadingModel model, Pattern pattern,
        IReadOnlyCollection<ChildId> asked, IReadOnlyList<ChildId>? chosen, DateOnly today)
    {
        var caseload = await Caseload.Load(connection, model);
        var candidates = caseload.Where(known => known.SummaryOn(today).ToPractise.Contains(pattern) || asked.Contains(known.Child.Id))
            .OrderBy(known => asked.Contains(known.Child.Id) ? 0 : 1).Select(known => known.Child).ToList();
        var visits = await Visits.OpenOf(connection);
        var leftOpen = candidates.Where(child => child.OpenAsking is not null || visits.ContainsKey(child.Id))
            .Select(child => (child, visits.TryGetValue(child.Id, out var visit) ? visit : default(VisitId?))).ToList();
        var free = candidates.Where(child => leftOpen.All(open => open.child.Id != child.Id)).Select(child => child.Id).ToList();
        chosen ??= [.. (asked.Count > 0 ? free.Where(asked.Contains) : free).Take(Visiting.Most)];
        var shown = new List<DemonstrationShown>();
        foreach (var child in chosen.Take(Visiting.Most))
            shown.AddRange((await Demonstrated.To(connection, child)).Where(before => before.Pattern == pattern.Id));
        var latest = shown.OrderByDescending(before => before.Day).ToList();
        IReadOnlyList<string> ids = [.. latest.Select(before => before.Demonstration)];
        var paces = new List<(double? Cold, double? Practise)>();
        for (var children = 1; children <= Visiting.Most; children++) paces.Add(await Visits.Pace(connection, children));
        var changes = caseload.Any(known => chosen.Contains(known.Child.Id) && known.Work.CourseOf(pattern).ChangesApproach);
        return new VisitBeginning(
            pattern, candidates, chosen, leftOpen,
            [.. Demonstration.Offered(pattern, ids)
                .Select(offered => (offered, latest.Find(before => before.Demonstration == offered.Id)?.Day))],
            Demonstration.Proposed(pattern, ids, changes).Id, changes)
        {
            Plans = await Planned(connection, chosen, latest.Count > 0, today, paces),
            IsMeasured = paces.Any(pace => pace.Cold is not null || pace.Practise is not null)
        };
    }

    private static async Task<IReadOnlyList<VisitPlan>> Planned(SchoolConnection connection, IReadOnlyList<ChildId> chosen, bool isReminder,
        DateOnly today, IReadOnlyList<(double? Cold, double? Practise)> paces)
    {
        var read = await Visits.WallClockSince(connection, chosen, Visiting.WeekOf(today));
        return [.. paces.Index().Select(each =>
        {
            var (children, written) = (each.Index + 1, VisitPace.Written(each.Index + 1));
            return VisitPlan.For(children, VisitPlan.HasWallClock(children, read), isReminder,
                new VisitPace(each.Item.Cold ?? written.Cold, each.Item.Practise ?? written.Practise));
        })];
    }
}
