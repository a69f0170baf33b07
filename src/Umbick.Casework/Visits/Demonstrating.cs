using Umbick.Core.Patterns;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Which demonstrations were shown to whom.</summary>
public static class Demonstrating
{
    /// <summary>A child with what was shown to them, the latest first; null of a child where there is no such child.</summary>
    public static async Task<(CaseloadRow? Child, IReadOnlyList<DemonstrationShown> Shown)> Load(
        SchoolConnection connection, ChildId child) =>
        (await Children.Find(connection, child), await ShownTo(connection, child));

    /// <summary>What was shown to a child, the latest first.</summary>
    public static Task<IReadOnlyList<DemonstrationShown>> ShownTo(SchoolConnection connection, ChildId child) =>
        Demonstrated.To(connection, child);

    /// <summary>Keeps that one was shown; to keep it again under the same id changes nothing.</summary>
    /// <returns>Whether there is such a child.</returns>
    public static async Task<bool> Keep(
        SchoolConnection connection, ShowingId id, ChildId child, Pattern pattern, Demonstration demonstration, PersonId by, DateTime now)
    {
        if (await Children.Find(connection, child) is null) return false;
        await Demonstrated.Keep(connection, id, child, pattern.Id, demonstration.Id, by, now);
        return true;
    }

    /// <summary>Takes back that one was shown to a child.</summary>
    /// <returns>Whether it was shown.</returns>
    public static async Task<bool> TakeBack(SchoolConnection connection, ChildId child, ShowingId shown) =>
        await Demonstrated.TakeBack(connection, child, shown) > 0;
}
