using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Progress;

/// <summary>Where a child's case stands.</summary>
/// <param name="Sittings">How many sittings there have been.</param>
/// <param name="Likely">The patterns called likely, the one to practise first at the front.</param>
/// <param name="Possible">The patterns that are possible.</param>
/// <param name="AskingOpen">Whether a sitting was left in the middle.</param>
/// <param name="SetOpen">Whether a set is assigned and not finished.</param>
/// <param name="PractisedSinceAsked">Whether a set was finished since the last asking, other than in a visit: a visit asks cold before it
/// practises, so that whether it has helped is seen at the next.</param>
/// <param name="Beside">What stands out beside the patterns.</param>
/// <param name="Due">What is to be looked at today; null where nothing is.</param>
/// <param name="Later">What is to be looked at on a later day; null where nothing is.</param>
/// <param name="StartsCold">Whether what is practised first has cold starts, so that its next visit shows whether practice has
/// helped.</param>
public sealed record CaseState(
    int Sittings, IReadOnlyList<Pattern> Likely, IReadOnlyList<Pattern> Possible, bool AskingOpen, bool SetOpen, bool PractisedSinceAsked,
    BesidePatterns Beside = BesidePatterns.None,
    DueCheck? Due = null, DueCheck? Later = null, bool StartsCold = false)
{
    /// <summary>Whether nothing is left to mend for now, so that what a child can do may be practised until it comes at ease.</summary>
    /// <param name="stage">The last stage they have met.</param>
    public bool IsReadyToReadAtEase(Stage stage) => stage >= Stage.OClock && Sittings > 0 && !SetOpen && Likely.Count == 0
        && Beside == BesidePatterns.None;

    /// <summary>The patterns of reading with these labels, in the order given.</summary>
    public static IReadOnlyList<Pattern> Labelled(IEnumerable<(Pattern Pattern, Label Label)> patterns, Label label) =>
        [.. patterns.Where(pattern => pattern.Label == label && Steps.OfReading.Contains(pattern.Pattern.Step))
            .Select(pattern => pattern.Pattern)];
}
