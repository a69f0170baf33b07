using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What a teacher has prepared and somebody else can run: who, and what to do, and nothing of what was found.</summary>
/// <param name="Visits">Visits that are not over.</param>
/// <param name="Asking">Children who are in the middle of being asked.</param>
/// <param name="Sets">Practice sets that wait.</param>
/// <param name="Classes">Classes whose sheets can be typed in.</param>
public sealed record HelperWork(
    IReadOnlyList<OpenVisit> Visits, IReadOnlyList<CaseloadRow> Asking, IReadOnlyList<AssignedSet> Sets, IReadOnlyList<Screening> Classes)
{
    private const int MostClasses = 3;

    /// <summary>Whether there is nothing to run.</summary>
    public bool IsNothing => Visits.Count + Asking.Count + Sets.Count + Classes.Count == 0;

    /// <summary>Loads it.</summary>
    public static async Task<HelperWork> Load(SchoolConnection connection)
    {
        var caseload = (await Children.All(connection)).ToList();
        return new HelperWork(
            await OpenVisit.All(connection, caseload),
            caseload.FindAll(child => child.OpenAsking is not null && child.OpenVisit is null),
            [.. await Store.Sets.Waiting(connection)],
            [.. (await Screenings.Latest(connection, null)).Where(screening => screening.PaperDay is not null).Take(MostClasses)]);
    }
}
