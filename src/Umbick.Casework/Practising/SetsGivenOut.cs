using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Practice at a school: what waits, what was done, and who could practise what.</summary>
/// <param name="Waiting">Sets that wait, the latest first.</param>
/// <param name="Done">Sets that were done last, the latest first.</param>
/// <param name="Visits">Visits that are not over.</param>
/// <param name="Wanted">Who could practise what, by shared need: what most need first.</param>
public sealed record SetsGivenOut(
    IReadOnlyList<AssignedSet> Waiting,
    IReadOnlyList<AssignedSet> Done,
    IReadOnlyList<OpenVisit> Visits,
    IReadOnlyList<(Pattern Pattern, IReadOnlyList<CaseloadRow> Children)> Wanted)
{
    private const int MostDone = 60;

    /// <summary>How times are said to each child on the caseload.</summary>
    public required IReadOnlyDictionary<ChildId, Wording> Wordings { get; init; }

    /// <summary>Loads it.</summary>
    public static async Task<SetsGivenOut> Load(SchoolConnection connection, ReadingModel model, DateOnly today)
    {
        var (waiting, done) = (await Sets.Waiting(connection), await Sets.Done(connection, MostDone));
        var caseload = await Caseload.Load(connection, model);
        var visits = await OpenVisit.All(connection, caseload.Select(child => child.Child));
        IReadOnlyList<(Pattern, IReadOnlyList<CaseloadRow>)> wanted =
        [
            .. from child in caseload
               let toPractise = child.SummaryOn(today).ToPractise
               where child.CanHaveSet && toPractise.Count > 0
               group child.Child by toPractise[0] into need
               orderby need.Count() descending, need.Key.Step
               select (need.Key, (IReadOnlyList<CaseloadRow>)[.. need]),
        ];
        return new SetsGivenOut([.. waiting], [.. done], visits, wanted)
        { Wordings = caseload.ToDictionary(child => child.Child.Id, child => child.Child.Preferences.Wording) };
    }
}
