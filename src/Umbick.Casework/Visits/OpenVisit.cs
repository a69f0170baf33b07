
namespace Umbick.Casework;

/// <summary>A visit that is not over.</summary>
/// <param name="Visit">The visit.</param>
/// <param name="Aliases">Who is in it.</param>
public sealed record OpenVisit(Visit Visit, string Aliases)
{
    /// <summary>Every visit of the school that is not over.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="caseload">Everybody on the caseload: who has left it is not named.</param>
    public static async Task<IReadOnlyList<OpenVisit>> All(SchoolConnection connection, IEnumerable<CaseloadRow> caseload)
    {
        var aliases = caseload.ToDictionary(child => child.Id, child => child.Alias);
        var visits = new List<OpenVisit>();
        foreach (var visit in await Store.Visits.Open(connection))
        {
            var children = await Store.Visits.Children(connection, visit.Id);
            visits.Add(new OpenVisit(visit,
                string.Join(", ", children.Select(child => aliases.GetValueOrDefault(child.Child, "a child who has left")))));
        }
        return visits;
    }
}
