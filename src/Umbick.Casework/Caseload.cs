using Umbick.Store;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Casework;

/// <summary>A child on the caseload, with what all answers say.</summary>
/// <param name="Child">The child.</param>
/// <param name="Labels">Patterns with their labels: first what should be practised first, then the firmest belief.</param>
/// <param name="Unnamed">What stands out beside the patterns.</param>
/// <param name="Work">How far the work on each pattern has come.</param>
public sealed record CaseloadChild(CaseloadRow Child, IReadOnlyList<(Pattern Pattern, Label Label)> Labels, Unnamed Unnamed, PatternWork Work)
{
    /// <summary>Where the case stands on a day.</summary>
    public CaseState StateOn(DateOnly today) => Child.StateWith(Labels, Unnamed, Work, today);

    /// <summary>The patterns that are likely and whose practice has not ended, the one to practise first at the front.</summary>
    public IReadOnlyList<Pattern> ToPractise => [.. Labelled(Label.Likely).Where(pattern => !Work.Finished.Contains(pattern))];

    /// <summary>The patterns with a label.</summary>
    public IReadOnlyList<Pattern> Labelled(Label label) => CaseState.Labelled(Labels, label);
}

/// <summary>Everybody on the caseload. The belief kept after a sitting is used if nothing has come since; otherwise it is worked out again, and kept unless a sitting is open.</summary>
public static class Caseload
{
    /// <summary>Loads the caseload, by alias.</summary>
    public static async Task<IReadOnlyList<CaseloadChild>> Load(SchoolConnection connection, ReadingModel model)
    {
        var children = (await Children.All(connection)).ToList();
        var kept = await Marginals.After(connection, children.Select(child => child.LastSitting).OfType<SittingId>());
        var work = await PatternWork.Load(connection, model, children);
        var caseload = new List<CaseloadChild>(children.Count);
        foreach (var child in children)
        {
            // Of one who has answered nothing there is nothing to reckon.
            if (child.LatestAnswer == 0 || child.ConcludedFrom == SittingEnding.SourceOf(child))
            {
                caseload.Add(new CaseloadChild(child, [.. kept[child.LastSitting ?? default]], child.Unnamed, work[child.Id]));
                continue;
            }
            var record = (await ChildRecord.Load(connection, model, child.Id))!;
            await SittingEnding.KeepLatest(connection, model, record);
            caseload.Add(new CaseloadChild(child, [.. Labels(record)], record.Now.Unnamed, work[child.Id]));
        }
        return caseload;
    }

    private static IEnumerable<(Pattern Pattern, Label Label)> Labels(ChildRecord record) =>
        record.First.Select(impact => impact.Finding).Concat(record.Now.Findings.Where(finding => finding.Label is not (Label.Likely or Label.Possible)))
            .Select(finding => (finding.Pattern, finding.Label));
}
