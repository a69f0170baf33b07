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
    /// <summary>
    /// The time by the clock at which what is said here was concluded, in the middle of a sitting; null where it is of all answers.
    /// </summary>
    public string? SoFar { get; init; }

    /// <summary>
    /// Whether what is said here is of before the latest answers or of an earlier version, and is being brought up to date.
    /// </summary>
    public bool IsBehind { get; init; }

    /// <summary>Of when it is what is said here, in words; nothing where it is of all answers.</summary>
    public string AsOf => SoFar is { } clock ? $"so far, at {clock}" : IsBehind ? "being brought up to date" : "";

    /// <summary>What is known of the child on a day, and what follows from it.</summary>
    public CaseSummary SummaryOn(DateOnly today) => _summary is { } known && known.Today == today ? known
        : _summary = new(Child.FactsWith(Labels, Beside, Work) with
        {
            IsNotWorkedOut = IsBehind && Child.ConcludedFrom is null && Child.UnderWay is null,
        }, today);

    /// <summary>Whether the child can be given a set: not while one waits.</summary>
    public bool CanHaveSet => Child.OpenSet is null;

    /// <summary>Whether a set for a pattern is wanted on a day, and none waits.</summary>
    public bool WantsSetFor(Pattern pattern, DateOnly today) => CanHaveSet && SummaryOn(today).ToPractise.Contains(pattern);

    /// <summary>A page asks for that of one day again and again.</summary>
    private CaseSummary? _summary;
}

/// <summary>
/// Everybody on the caseload, by what is kept after their sittings. Where something has come since, in the middle of a sitting what was
/// said so far is told; otherwise it is worked out again and kept, for as many children as a page may wait for. Of the others what is kept
/// is told as it is, and they are asked to be brought up to date.
/// </summary>
public static class Caseload
{
    /// <summary>So many sittings a page may wait for: a class of thirty, with a sheet each.</summary>
    private const int MostSittingsAtOnce = 30;

    /// <summary>That what is said of some children is of before, as a sentence; nothing where it is of nobody.</summary>
    public static string BehindInWords(IEnumerable<CaseloadChild> children) => children.Count(child => child.IsBehind) switch
    {
        0 => "",
        1 => "What is said of one child is of before, and is being brought up to date.",
        var behind => $"What is said of {behind} children is of before, and is being brought up to date.",
    };

    private enum Known
    {
        /// <summary>What is kept is of all answers.</summary>
        Kept,

        /// <summary>A sitting goes on.</summary>
        SoFar,

        /// <summary>What is kept is of before, and tells until it is brought up to date.</summary>
        Behind,

        /// <summary>It is worked out at once.</summary>
        Anew,
    }

    /// <summary>Loads the caseload, by alias.</summary>
    public static async Task<IReadOnlyList<CaseloadChild>> Load(SchoolConnection connection, ReadingModel model) =>
        await Load(connection, model, [.. await Children.All(connection)]);

    /// <summary>Loads one child, by all answers: nothing is told as it was before.</summary>
    public static async Task<CaseloadChild> LoadOne(SchoolConnection connection, ReadingModel model, CaseloadRow child) =>
        (await Load(connection, model, [child], _ => Known.Anew))[0];

    /// <summary>Loads some children, in their order.</summary>
    public static Task<IReadOnlyList<CaseloadChild>> Load(
        SchoolConnection connection, ReadingModel model, IReadOnlyList<CaseloadRow> children)
    {
        var left = MostSittingsAtOnce;
        connection.IsLookedAt = true;
        return Load(connection, model, children, child =>
            child.UnderWay is not null ? Known.SoFar : (left -= child.Sittings) >= 0 ? Known.Anew : Known.Behind);
    }

    private static async Task<IReadOnlyList<CaseloadChild>> Load(
        SchoolConnection connection, ReadingModel model, IReadOnlyList<CaseloadRow> children, Func<CaseloadRow, Known> stale)
    {
        var known = children.ToDictionary(child => child.Id, child => SittingEnding.IsUpToDate(child) ? Known.Kept : stale(child));
        var kept = await Marginals.After(connection, children.Select(child => child.LastSitting).OfType<SittingId>());
        var measures = await Measures.Load(connection, model, children.ToDictionary(child => child.Id, child => child.Preferences),
            asKept: child => known[child] is Known.SoFar or Known.Behind);
        var rows = await WorkRows.Load(connection, children.Select(child => child.Id));
        var soFar = await SittingsSoFar.Of(connection,
            [.. children.Where(child => known[child.Id] == Known.SoFar).Select(child => child.UnderWay!.Value)]);
        var caseload = new List<CaseloadChild>(children.Count);
        foreach (var child in children)
        {
            var record = known[child.Id] == Known.Anew ? await ChildRecord.Load(connection, model, child.Id) : null;
            if (record is not null) await SittingEnding.KeepLatest(connection, model, record);
            var said = soFar.GetValueOrDefault(child.Id);
            var labels = record?.Labels ?? said?.Labels ?? [.. kept[child.LastSitting ?? default]];
            var isBehind = known[child.Id] == Known.Behind || (known[child.Id] == Known.SoFar && said is null);
            if (isBehind || (said is not null && said.From != SittingEnding.SourceOf(child))) connection.ToRenew.Add(child.Id);
            caseload.Add(new CaseloadChild(child, labels, record?.Now.Beside ?? said?.Beside ?? child.Beside,
                PatternWork.Build(rows, child.Id, measures[child.Id], labels))
            { SoFar = said?.Clock, IsBehind = isBehind });
        }
        return caseload;
    }

    /// <summary>What a summary of a child's case is made of.</summary>
    internal static CaseFacts FactsWith(
        this CaseloadRow child, IReadOnlyList<(Pattern Pattern, Label Label)> labels, BesidePatterns beside, PatternWork work) =>
        new(child.Alias, child.Preferences.Wording, child.Stage, child.Sittings, labels, beside, work.Followed, work.Given, work.FormDue)
        {
            AskingOpen = child.OpenAsking is not null,
            IsUnderWay = child.UnderWay is not null,
            SetOpen = child.OpenSet is not null,
            LastSetAlone = child.LastSetAlone,
            LastAsking = child.LastAsking,
        };
}
