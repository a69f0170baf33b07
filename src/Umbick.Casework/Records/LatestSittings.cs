using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// The last sitting of each of some children, with its answers scored as everywhere: by the stage that the sitting was held at.
/// </summary>
public static class LatestSittings
{
    /// <summary>Loads them; a child without a sitting is left out.</summary>
    public static async Task<IReadOnlyDictionary<ChildId, SittingRecord>> Load(
        SchoolConnection connection, IEnumerable<CaseloadRow> children)
    {
        var byId = children.ToDictionary(child => child.Id);
        var sittings = await Sittings.ByIds(connection, byId.Values.Select(child => child.LastSitting).OfType<SittingId>());
        var (asked, answers) = await Sittings.RowsIn(connection, sittings.Select(sitting => sitting.Id));
        return sittings.ToDictionary(sitting => sitting.Child,
            sitting => ChildRecord.SittingFrom(sitting, asked[sitting.Id], answers[sitting.Id], byId[sitting.Child].Preferences));
    }
}
