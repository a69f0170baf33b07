using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Core.Progress;

/// <summary>
/// What a summary rests on: the answers, counted once. Where all answers of a child were looked at, this stands beside the summary; its
/// figures are the only ones that are told.
/// </summary>
public sealed class CaseEvidence
{
    /// <summary>So many answers are shown as faces, at most.</summary>
    public const int MostShown = 8;

    private const int MostUnexplained = 4;

    private readonly CaseSummary _summary;
    private readonly Replay _replay;
    private readonly Lazy<FirstAndNow?> _firstAndNow;

    /// <summary>Gathers what a summary rests on.</summary>
    /// <param name="model">The model.</param>
    /// <param name="summary">The summary.</param>
    /// <param name="replay">All answers of the child.</param>
    /// <param name="impacts">What each pattern that is likely or possible costs.</param>
    public CaseEvidence(ReadingModel model, CaseSummary summary, Replay replay, IReadOnlyList<PracticeWorth> impacts)
    {
        GoesWrong = impacts.FirstOrDefault(impact => impact.Finding.Pattern == summary.PractisedNext)?.ShareBelievedWrong;
        (_summary, _replay) = (summary, replay);
        var about = summary.About ?? (summary.Facts.Beside == BesidePatterns.SameAnswer ? Catalogue.Find(Catalogue.SameAnswer) : null);
        Finding = replay.Now.Findings.FirstOrDefault(finding => finding.Pattern == about);
        Told = [.. summary.Facts.Labels.Where(label => label.Label is Label.Likely or Label.Possible)
            .SelectMany(label => replay.Now.Findings.Where(finding => finding.Pattern == label.Pattern))];
        Telling = Finding is null || summary.About is null ? [] : Finding.Evidence.Shown;
        Shown = Telling.Count > 0
            ? [.. Telling.TakeLast(MostShown).Select(telling => telling.Index)]
            : [.. replay.Answers.Index().Where(answer => answer.Item.Given.IsWrong).Select(answer => answer.Index).TakeLast(MostShown)];
        // Of earlier sittings it was said then; now it would only be the same again.
        Unexplained = [.. replay.Now.Unexplained
            .Where(index => index >= replay.LatestFrom && replay.Answers[index].Given.Answer.IsScored).TakeLast(MostUnexplained)];
        _firstAndNow = new(() => summary.WorkedOn is { } pattern ? Progress.FirstAndNow.From(replay, model, pattern) : null);
    }

    /// <summary>
    /// The share, 0 to 1, of the stage's times that the child is believed to get wrong by what is practised next; null where nothing is.
    /// </summary>
    public double? GoesWrong { get; }

    /// <summary>Why what is next comes next, as sentences.</summary>
    public string Reason => _summary.Next.Step == NextStep.Practise && GoesWrong is { } share
        ? $"{_summary.Next.Reason} By what is believed, {Shares.InWords(share)} of the times at this stage go wrong by it"
            + $"{(Finding is { IsInSettingAlone: true } ? " when they are set" : "")}."
        : _summary.Next.Reason;

    /// <summary>The finding that the sentence is about; null where it is about none.</summary>
    public Finding? Finding { get; }

    /// <summary>The findings that are likely or possible, the one to practise first at the front.</summary>
    public IReadOnlyList<Finding> Told { get; }

    /// <summary>The telling answers of the finding, as they are shown.</summary>
    public IReadOnlyList<TellingAnswer> Telling { get; }

    /// <summary>The places, from 0, of the answers that are shown beside the sentence.</summary>
    public IReadOnlyList<int> Shown { get; }

    /// <summary>The places, from 0, of the latest wrong answers that nothing explains.</summary>
    public IReadOnlyList<int> Unexplained { get; }

    /// <summary>Steps that are taken in a way nobody has listed.</summary>
    public IReadOnlyList<OtherWay> OtherWays => _replay.Now.OtherAt;

    /// <summary>How what is worked on did first and does now; null where it has not shown.</summary>
    public FirstAndNow? FirstAndNow => _firstAndNow.Value;

    /// <summary>Whether the latest answer of <see cref="FirstAndNow"/> is recent enough to say how it is now.</summary>
    public bool IsNow => FirstAndNow?.IsNowOn(_summary.Today, _summary.Facts.Courses.Year) ?? false;

    /// <summary>What the sentence rests on, as a sentence; empty where nothing was asked.</summary>
    public string InWords => Finding is { } finding ? InWordsOf(finding)
        : _summary.Facts.Beside == BesidePatterns.Guessing && _summary.About is null
            ? $"{CameRight}, and the others follow nothing that is on the clock. That happens where clocks are new, or too many at once. "
            + $"It says nothing yet of how {_summary.Facts.Alias} reads."
        : _replay.Answers.Count == 0 ? ""
        : $"{CameRight}{(_summary.Facts.Beside == BesidePatterns.None ? "; nothing goes wrong in one way now" : "")}.";

    /// <summary>What one finding rests on, as a sentence.</summary>
    public string InWordsOf(Finding finding)
    {
        var setting = finding.Shows == ShownWhere.Reading ? " Clocks are set rightly."
            : finding.IsInSettingAlone ? " Clocks are read rightly; it shows in setting one." : "";
        var alike = finding.Evidence.NotYetTold.Count == 0 ? ""
            : $" Not yet told from: "
            + $"{string.Join(", ", finding.Evidence.NotYetTold.Select(pattern => pattern.TextsIn(_summary.Facts.Wording).Reads))}.";
        var manner = Manner.InWords(finding.Evidence, _replay.LatestFrom) is { } words ? $" In the last sitting it came {words}." : "";
        return $"{finding.Evidence.Count.InWords}{manner}{setting}{alike}";
    }

    private string CameRight =>
        $"{_replay.Answers.Count(answer => answer.Given.IsRight)} of {Scored} {(Scored == 1 ? "answer" : "answers")} came right"
            + (Scored == _replay.Answers.Count ? "" : $" ({_replay.Answers.Count - Scored} cannot be read)");

    private int Scored => _replay.Answers.Count(answer => answer.Given.Answer.IsScored);
}
