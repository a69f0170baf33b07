using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.Children;

/// <summary>What a child's answers say, as sentences and as the answers that show it.</summary>
public sealed class WhatAnswersSay
{
    private const int MostShown = 8;

    private readonly ChildRecord _record;
    private readonly Wording _wording;

    /// <summary>Reads it off a child's record.</summary>
    public WhatAnswersSay(ChildRecord record, Wording wording)
    {
        (_record, _wording) = (record, wording);
        // What is finished is told of only where nothing else is.
        var first = record.First.Select(impact => impact.Finding).OrderBy(finding => record.Work.Finished.Contains(finding.Pattern)).FirstOrDefault();
        var cleared = record.Now.Findings.FirstOrDefault(finding => finding.Label == Label.Cleared);
        var unnamed = record.Now.Unnamed;
        if (first?.Label != Label.Likely && unnamed is Unnamed.Guessing or Unnamed.SameAnswer) TellUnnamed(unnamed);
        else if (first is not null) TellPattern(first);
        else if (cleared is not null) (Sentence, Finding, Evidence) = ($"Left behind: {cleared.Pattern.TextsIn(wording).Reads}.", cleared, EvidenceOf(cleared));
        else TellNothing(unnamed);
        // Two patterns together can come right by accident; that is no picture of either.
        Telling = [.. (Finding?.Evidence.Answers ?? []).Where(answer => !IsAccident(answer))];
        Shown = Telling.Count > 0
            ? [.. Telling.TakeLast(MostShown).Select(record.QuestionOf)]
            : [.. record.Sittings.SelectMany(sitting => sitting.Answered).Where(question => !question.IsRight).TakeLast(MostShown)];
    }

    /// <summary>The sentence.</summary>
    public string Sentence { get; private set; } = "";

    /// <summary>What else is likely; null where nothing is.</summary>
    public string? Also { get; private set; }

    /// <summary>What it rests on.</summary>
    public string Evidence { get; private set; } = "";

    /// <summary>The pattern that the sentence is about; null where it is about none.</summary>
    public Finding? Finding { get; private set; }

    /// <summary>The answers that show it.</summary>
    public IReadOnlyList<ItemResponse> Shown { get; }

    /// <summary>Its telling answers but for those that came right by accident.</summary>
    public IReadOnlyList<TellingAnswer> Telling { get; }

    /// <summary>A step of reading, in words.</summary>
    public static string Named(Step step, Wording wording) => step switch
    {
        Step.Hour => "the hour",
        Step.Minutes => "the minutes",
        Step.PastOrTo => $"‘{wording.Past}’ and ‘{wording.To}’",
        Step.Fractions => "quarter and half",
        Step.Writing => "the writing of times",
        _ => "the place of the hour hand",
    };

    private string Alias => _record.Child.Alias;

    private void TellUnnamed(Unnamed unnamed)
    {
        Sentence = Standing.Told(unnamed, Alias);
        Evidence = unnamed == Unnamed.Guessing
            ? $"{CameRight}, and the others follow nothing that is on the clock. That happens where clocks are new, or too many at once. It says nothing yet of how {Alias} reads."
            : EvidenceOf(_record.Now.Findings.First(finding => finding.Pattern.Step == Step.Answering));
    }

    private void TellPattern(Finding first)
    {
        var said = first.Pattern.TextsIn(_wording).FindingOf(Alias);
        Sentence = first.Label == Label.Likely ? said : $"Perhaps: {said}";
        var others = _record.First.Where(impact => impact.Finding != first && impact.Finding.Label == Label.Likely && !_record.Work.Finished.Contains(impact.Finding.Pattern)).Select(impact => impact.Finding.Pattern.TextsIn(_wording).FindingOf(Alias));
        Also = others.Any() ? $"And: {string.Join(" ", others)}" : null;
        (Finding, Evidence) = (first, EvidenceOf(first));
    }

    private void TellNothing(Unnamed unnamed)
    {
        Sentence = _record.Sittings.Count == 0 ? "Nothing has been asked yet."
            : _record.Now.OtherAt.Count > 0 ? $"{Alias} takes {Named(_record.Now.OtherAt[0].Step, _wording)} some other way: look at these answers."
            : Standing.Told(unnamed, Alias);
        if (_record.Sittings.Count > 0) Evidence = $"{CameRight}{(unnamed == Unnamed.None ? "; nothing goes wrong in one way now" : "")}.";
    }

    private string CameRight
    {
        get
        {
            var answered = _record.Sittings.SelectMany(sitting => sitting.Answered).ToList();
            return $"{answered.Count(question => question.IsRight)} of {Counted.Of(answered.Count, "answer")} came right";
        }
    }

    private bool IsAccident(TellingAnswer answer) => answer.Outcome == TellingOutcome.ItsWay && _record.QuestionOf(answer).IsRight;

    /// <summary>What came right by accident is no evidence, for or against.</summary>
    private string EvidenceOf(Finding finding)
    {
        var evidence = finding.Evidence;
        var alike = evidence.NotYetTold.Count == 0 ? "" : $" Not yet told from: {string.Join(", ", evidence.NotYetTold.Select(pattern => pattern.TextsIn(_wording).Reads))}.";
        var answers = evidence.Answers.Where(answer => !IsAccident(answer)).ToList();
        var right = answers.Count(answer => answer.Outcome == TellingOutcome.Right);
        var way = finding.Label == Label.Cleared ? $"{right} came right" : $"{answers.Count(answer => answer.Outcome == TellingOutcome.ItsWay)} came out that way, {right} right";
        var setting = finding.Shows == Shows.Reading ? " Clocks are set rightly." : "";
        return $"Of {Counted.Of(answers.Count, "telling answer")} {way}.{setting}{alike}";
    }
}
