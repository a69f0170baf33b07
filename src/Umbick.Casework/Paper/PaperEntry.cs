using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Enters what came back on a sheet: its code opens its own clocks, and each answer is kept as it is typed.</summary>
public sealed class PaperEntry(ReadingModel model, ClassScreening screen, TimeProvider clock)
{
    private const int MostWays = 3;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>The sheet of a code as it was typed.</summary>
    /// <returns>Its code; else why none is opened, in a sentence.</returns>
    public static async Task<(SheetCode? Code, string? Why)> Find(SchoolConnection connection, string? typed)
    {
        if (SheetCode.Read(typed) is not { } code) return (null, "A letter is not right. Look at the code on the sheet again.");
        if (code.Mark != await Sheets.Mark(connection)) return (null, "This sheet is another school’s.");
        if (await Sheets.Find(connection, code.Letters) is not { } sheet)
            return (null, "No sheet here has this code. The record it belonged to may have been erased.");
        var sitting = (await Sittings.Find(connection, sheet.Sitting))!;
        return WhyShut(sitting, (await Children.Find(connection, sitting.Child))!) is { } why ? (null, why) : (code, null);
    }

    /// <summary>Why nothing is entered for a list, in a sentence; null where it is open.</summary>
    private static string? WhyShut(Sitting sitting, CaseloadRow child) => (sitting, child) switch
    {
        ({ Visit: not null }, _) => $"These clocks were asked of {child.Alias} in a visit. They are entered there.",
        ({ EndedAt: not null, FirstAnswerAt: null }, _) =>
            $"This list of {child.Alias}’s was taken back before anything was answered. Nothing is entered for it.",
        ({ Screening: null }, { OnCaseload: false }) =>
            $"{child.Alias} has left the caseload. Bring them back first; then the sheet opens.",
        _ => null,
    };

    /// <summary>The list of a sheet that is open; null where there is none. Asked whenever a sheet is used, not only by its code.</summary>
    private static async Task<Sitting?> OpenList(SchoolConnection connection, string letters) =>
        await Sheets.Find(connection, letters) is { } sheet && await Sittings.Find(connection, sheet.Sitting) is { } sitting
            && WhyShut(sitting, (await Children.Find(connection, sitting.Child))!) is null ? sitting : null;

    /// <summary>A sheet as it is entered; null where the code opens none.</summary>
    public async Task<SheetEntry?> Load(SchoolConnection connection, string letters)
    {
        if (await OpenList(connection, letters) is not { } sitting
            || await ChildRecord.Load(connection, model, sitting.Child) is not { } record) return null;
        var (asked, answers) = await Sittings.RowsIn(connection, [sitting.Id]);
        var entered = ChildRecord.SittingFrom(sitting, asked[sitting.Id], answers[sitting.Id], record.Child.Preferences);
        var held = await HeldFor(connection, record, sitting);
        var screening = sitting.Screening is { } of ? await Screenings.Find(connection, of) : null;
        return new SheetEntry(new SheetCode(await Sheets.Mark(connection), letters), record.Child, sitting,
            screening?.PaperDay ?? sitting.PaperDay ?? sitting.Day,
            [.. entered.Questions.Select(question => new SheetRow(question, Ways(held, question.Asked.Item)))]);
    }

    /// <summary>Tells the day on which a sheet was done; of a class's, all of them.</summary>
    /// <returns>Whether there is such a sheet.</returns>
    public async Task<bool> TellDay(SchoolConnection connection, string letters, DateOnly day)
    {
        if (await OpenList(connection, letters) is not { } sitting) return false;
        if (sitting.Screening is { } of) return await screen.TellDay(connection, of, day);
        await Sittings.TellDay(connection, [sitting.Id], day);
        if (sitting.FirstAnswerAt is not null) await SittingEnding.RenewAll(connection, model, sitting.Child);
        return true;
    }

    /// <summary>Keeps one answer from a sheet. Help that was printed on it counts as help, for it stands with the question.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="letters">The sheet.</param>
    /// <param name="submission">The answer as it was typed.</param>
    /// <param name="by">Who typed it.</param>
    /// <returns>The outcome; null where there is no such sheet.</returns>
    public async Task<PaperAnswerTaken?> Enter(SchoolConnection connection, string letters, Submission submission, PersonId by)
    {
        if (await OpenList(connection, letters) is not { } sitting) return null;
        if (submission.Raw.Length > AnswerParser.LongestAnswer)
            return new(null, $"An answer has {AnswerParser.LongestAnswer} characters at most; this one has {submission.Raw.Length:N0}.");
        if (submission.Raw.Length == 0) return new(null, "Nothing was written there: press 0 for that.");
        if (await DayOf(connection, sitting) is null) return new(null, "Tell first on which day the sheet was done.");
        if (await Sittings.At(connection, sitting.Id, submission.Place) is not { Item: var item })
            return new(AnswerOutcome.NotAsked, AnswerOutcome.NotAsked.WhyNot(submission.Raw));
        var child = (await Children.Find(connection, sitting.Child))!;
        var read = TypedAnswer.From(item, submission.Raw, child.Preferences, confirmed: submission.Raw);
        var written = read.Mode == AnswerMode.Said ? AnswerMode.Written : read.Mode;
        var kept = (await AnswerKeeping.Keep(connection, model, sitting.Id, _ => true,
            submission with { Raw = read.Text, Mode = written }, by, Now, state => GoOn(connection, state))).Outcome;
        return kept.IsKept() ? new(kept, null) { Child = child, Read = TypedAnswer.From(item, submission.Raw, child.Preferences) }
            : new(kept, $"Question {submission.Place} has another answer by now. Open the sheet again to see it.");
    }

    private static async Task<DateOnly?> DayOf(SchoolConnection connection, Sitting sitting) => sitting.Screening is { } of
        ? (await Screenings.Find(connection, of))?.PaperDay ?? sitting.PaperDay : sitting.PaperDay ?? sitting.Day;

    private async Task<SittingState?> GoOn(SchoolConnection connection, SittingState state)
    {
        var (sitting, rows) = (state.Sitting, state.Rows);
        if (sitting.Screening is not null && sitting.PaperDay is null && await DayOf(connection, sitting) is { } day)
            await Sittings.TellDay(connection, [sitting.Id], day);
        var next = rows.Asked.Select(asked => asked.Place).Order().FirstOrDefault(place => !rows.IsAnswered(place));
        if (next > 0) await Sittings.MoveTo(connection, sitting.Id, next);
        else await SittingEnding.End(connection, model, sitting, Now);
        return null;
    }

    /// <summary>The patterns as the child has them that a key can stand for: the set's own, or what is believed of them.</summary>
    private async Task<IReadOnlyList<HeldPattern>> HeldFor(SchoolConnection connection, ChildRecord record, Sitting sitting)
    {
        var belief = record.Replay.Belief;
        if (sitting.PracticeSet is { } set && (await Sets.Find(connection, set))?.Pattern is { } practised)
            return [HeldPattern.From(model, practised, belief)];
        return [.. record.Now.Findings.Where(finding => finding.Label is Label.Likely or Label.Possible)
            .Select(finding => HeldPattern.From(model, finding.Pattern, belief))];
    }

    /// <summary>What such a child would write, each once, the likeliest first; nothing that is right.</summary>
    private static IReadOnlyList<PatternsAnswer> Ways(IReadOnlyList<HeldPattern> held, Item item) =>
        item.OtherSkill is not null || item.Clocks.Count > 0 || item.Task.Form == AnswerForm.Several ? []
        : [.. held.Where(each => each.IsTelling(item)).Select(each => new PatternsAnswer(each.Pattern, each.AnswerTo(item)))
            .DistinctBy(way => way.Answer.Short(Wording.Usual)).Take(MostWays)];
}

/// <summary>What a pattern makes of a question.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Answer">Its answer.</param>
public sealed record PatternsAnswer(Pattern Pattern, Answer Answer);

/// <summary>A question of a sheet.</summary>
/// <param name="Question">The question with the answer that stands.</param>
/// <param name="Ways">What the child's patterns would write there; none where nothing is held, or all come right.</param>
public sealed record SheetRow(ItemResponse Question, IReadOnlyList<PatternsAnswer> Ways);

/// <summary>A sheet as it is entered.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Child">Whose it is.</param>
/// <param name="Sitting">The list.</param>
/// <param name="Day">The day on which it was done; null before it is told.</param>
/// <param name="Rows">Its questions, in order.</param>
public sealed record SheetEntry(SheetCode Code, CaseloadRow Child, Sitting Sitting, DateOnly? Day, IReadOnlyList<SheetRow> Rows)
{
    /// <summary>How many are answered.</summary>
    public int Answered => Rows.Count(row => row.Question.Given is not null);

    /// <summary>Whether everything was entered before.</summary>
    public bool IsEntered => Answered == Rows.Count;
}
