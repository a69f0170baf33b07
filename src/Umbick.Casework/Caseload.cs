using Umbick.Store;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Casework;

/// <summary>A child on the caseload, with what all answers say.</summary>
/// <param name="Child">The child.</param>
/// <param name="Labels">Patterns with their labels: first what should be practised first, then the firmest belief.</param>
public sealed record CaseloadChild(CaseloadRow Child, IReadOnlyList<(Pattern Pattern, Label Label)> Labels)
{
    /// <summary>Where the case stands.</summary>
    public CaseState State => Child.StateWith(Labels);

    /// <summary>The patterns with a label.</summary>
    public IReadOnlyList<Pattern> Labelled(Label label) => CaseState.Labelled(Labels, label);
}

/// <summary>Everybody on the caseload. What is kept after each sitting is taken where nothing has come since; else it is reckoned anew.</summary>
public static class Caseload
{
    /// <summary>Loads the caseload, by alias.</summary>
    public static async Task<IReadOnlyList<CaseloadChild>> Load(SchoolConnection connection, ReadingModel model)
    {
        var children = (await Children.All(connection)).ToList();
        var kept = await Marginals.After(connection, children.Select(child => child.LastSitting).OfType<SittingId>());
        var caseload = new List<CaseloadChild>(children.Count);
        foreach (var child in children)
        {
            var labels = child.ConcludedFrom == SittingEnding.SourceOf(child) ? kept[child.LastSitting ?? default] : Labels((await ChildRecord.Load(connection, model, child.Id))!);
            caseload.Add(new CaseloadChild(child, [.. labels]));
        }
        return caseload;
    }

    private static IEnumerable<(Pattern Pattern, Label Label)> Labels(ChildRecord record) =>
        record.First.Select(impact => impact.Finding).Concat(record.Now.Findings.Where(finding => finding.Label is not (Label.Likely or Label.Possible)))
            .Select(finding => (finding.Pattern, finding.Label));
}
