using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Umbick.Core.Diagnosis;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What becomes of a class at the year's end.</summary>
/// <param name="From">The name that it has; empty for the children without a class.</param>
/// <param name="Seen">What identifies the class as it was shown.</param>
/// <param name="To">The name that it gets.</param>
/// <param name="Stages">By how many stages its children move on, 0 to 3.</param>
public sealed record ClassMove(string From, string Seen, string To, int Stages);

/// <summary>The school at the year's end.</summary>
/// <param name="Classes">The classes with their children; those without a class come last.</param>
/// <param name="Finished">Children on the caseload whose patterns are all mastered, or who show none.</param>
public sealed record YearsEnd(IReadOnlyList<IGrouping<string, ListedChild>> Classes, IReadOnlyList<CaseloadRow> Finished)
{
    /// <summary>The most stages by which a class moves on.</summary>
    public const int MostStages = 3;

    /// <summary>Loads the classes, and who is finished.</summary>
    public static async Task<YearsEnd> Load(SchoolConnection connection, ReadingModel model, DateOnly today) => new(
        [.. (await Children.Aliases(connection)).GroupBy(child => child.ClassName).OrderBy(name => name.Key.Length == 0)
            .ThenBy(name => name.Key, StringComparer.Ordinal)],
        [.. (await Caseload.Load(connection, model)).Where(child => child.SummaryOn(today).IsFinished).Select(child => child.Child)]);

    /// <summary>
    /// Gives classes new names, moves stages on, and takes who is finished off the caseload. A class that has changed since it was shown is
    /// left as it is.
    /// </summary>
    /// <remarks>Sent twice, a year ends once: by then the class is no longer the one that was shown.</remarks>
    /// <returns>How many children were moved on, and how many were set aside.</returns>
    public static async Task<(int Moved, int Aside)> MoveOn(
        SchoolConnection connection, IReadOnlyList<ClassMove> moves, IReadOnlyList<ChildId> aside, PersonId by, DateTime now)
    {
        await Children.LockAll(connection);
        var classes = (await Children.Aliases(connection)).ToLookup(child => child.ClassName);
        var same = moves.Where(move => classes.Contains(move.From) && SeenOf(classes[move.From]) == move.Seen).ToList();
        // All at once: a class may take the name that another has left.
        var moved = await Children.MoveOn(connection, [.. same.Select(move => move.From)], [.. same.Select(move => move.To)],
            [.. same.Select(move => move.Stages)]);
        var set = 0;
        foreach (var child in aside) set += await Children.SetOnCaseload(connection, child, onCaseload: false);
        if (moved + set > 0) await Audit.Note(connection, by, AuditKinds.YearsEnd, now, detail: InWords(moved, set));
        return (moved, set);
    }

    /// <summary>What was done, in words.</summary>
    public static string InWords(int moved, int aside) =>
        string.Create(CultureInfo.InvariantCulture, $"{moved} {(moved == 1 ? "child" : "children")} moved on, {aside} set aside");

    /// <summary>What identifies a class as it was shown: who is in it, and at which stages.</summary>
    public static string SeenOf(IEnumerable<ListedChild> children) =>
        Convert.ToHexStringLower(
            SHA256.HashData(Encoding.UTF8.GetBytes(
                string.Join(' ', children.OrderBy(child => child.Id.Value).Select(child => $"{child.Id}:{(int)child.Stage}")))))[..16];
}
