using Umbick.Store;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Casework;

/// <summary>A child on the caseload, with what all answers say.</summary>
/// <param name="Child">The child.</param>
/// <param name="Labels">Patterns with their labels: first what should be practised first, then the firmest belief.</param>
/// <param name="Beside">What stands out beside the patterns.</param>
/// <param name="Work">How far the work on each pattern has come.</param>
public sealed record CaseloadChild(
    CaseloadRow Child, IReadOnlyList<(Pattern Pattern, Label Label)> Labels, BesidePatterns Beside, PatternWork Work)
{
    /// <summary>What is known of the child on a day, and what follows from it.</summary>
    public CaseSummary SummaryOn(DateOnly today) => _summary is { } known && known.Today == today ? known
        : _summary = new(Child.FactsWith(Labels, Beside, Work), today);

    /// <summary>Whether the child can be given a set: not while one waits.</summary>
    public bool CanHaveSet => Child.OpenSet is null;

    /// <summary>Whether a set for a pattern is wanted on a day, and none waits.</summary>
    public bool WantsSetFor(Pattern pattern, DateOnly today) => CanHaveSet && SummaryOn(today).ToPractise.Contains(pattern);

    /// <summary>A page asks for that of one day again and again.</summary>
    private CaseSummary? _summary;
}

/// <summary>
/// Everybody on the caseload. The belief kept after a sitting is used if nothing has come since; otherwise it is worked out again, and kept
/// unless a sitting is open.
/// </summary>
public static class Caseload
{
    /// <summary>Loads the caseload, by alias.</summary>
    public static async Task<IReadOnlyList<CaseloadChild>> Load(SchoolConnection connection, ReadingModel model) =>
        await Load(connection, model, [.. await Children.All(connection)]);

    /// <summary>Loads some children, in their order.</summary>
    public static async Task<IReadOnlyList<CaseloadChild>> Load(
        SchoolConnection connection, ReadingModel model, IReadOnlyList<CaseloadRow> children)
    {
        var kept = await Marginals.After(connection, children.Select(child => child.LastSitting).OfType<SittingId>());
        var measures = await Measures.Load(connection, model, children.ToDictionary(child => child.Id, child => child.Preferences));
        var rows = await WorkRows.Load(connection, children.Select(child => child.Id));
        var caseload = new List<CaseloadChild>(children.Count);
        foreach (var child in children)
        {
            // For a child who has answered nothing there is nothing to compute.
            if (child.LatestAnswer == 0 || child.ConcludedFrom == SittingEnding.SourceOf(child))
            {
                IReadOnlyList<(Pattern Pattern, Label Label)> labels = [.. kept[child.LastSitting ?? default]];
                caseload.Add(new CaseloadChild(child, labels, child.Beside, PatternWork.Build(rows, child.Id, measures[child.Id], labels)));
                continue;
            }
            var record = (await ChildRecord.Load(connection, model, child.Id))!;
            await SittingEnding.KeepLatest(connection, model, record);
            caseload.Add(new CaseloadChild(child, record.Labels, record.Now.Beside,
                PatternWork.Build(rows, child.Id, measures[child.Id], record.Labels)));
        }
        return caseload;
    }

    /// <summary>What a summary of a child's case is made of.</summary>
    internal static CaseFacts FactsWith(
        this CaseloadRow child, IReadOnlyList<(Pattern Pattern, Label Label)> labels, BesidePatterns beside, PatternWork work) =>
        new(child.Alias, child.Preferences.Wording, child.Stage, child.Sittings, labels, beside, work.Followed, work.Given, work.FormDue)
        {
            AskingOpen = child.OpenAsking is not null,
            SetOpen = child.OpenSet is not null,
            LastSetAlone = child.LastSetAlone,
            LastAsking = child.LastAsking,
        };
}
