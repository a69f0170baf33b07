using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Reports;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>A report as it is offered, before anybody has edited it.</summary>
/// <param name="Child">The child.</param>
/// <param name="Kind">Whom it is for.</param>
/// <param name="Lines">Its lines.</param>
/// <param name="From">The sittings that each line's answers are from, with how many of them; by the line's id.</param>
/// <param name="Earlier">Reports that were kept before, the latest first.</param>
public sealed record ReportDraft(
    CaseloadRow Child, ReportKind Kind, IReadOnlyList<ReportLine> Lines,
    IReadOnlyDictionary<string, IReadOnlyList<(SittingId Sitting, DateOnly Day, int Answers)>> From, IReadOnlyList<KeptReport> Earlier)
{
    /// <summary>What a line rests on, in words.</summary>
    public string FromInWords(ReportLine line) => From[line.Id] is { Count: > 0 } sittings
        ? $"{Count(sittings.Sum(from => from.Answers))} of {string.Join(", ", sittings.Select(from =>
            from.Day.ToString("d MMM yyyy", CultureInfo.InvariantCulture)).Distinct())}"
        : line.Record;

    private static string Count(int answers) => answers == 1 ? "one answer" : $"{answers} answers";
}

/// <summary>Reports of a child: offered, edited, kept.</summary>
public sealed class ChildReports(ReadingModel model, TimeProvider clock)
{
    /// <summary>Sessions are counted over so many school weeks.</summary>
    private const int SessionWeeks = 8;

    /// <summary>Offers a report; null where the school has no such child.</summary>
    public async Task<ReportDraft?> Offer(SchoolConnection connection, ChildId id, ReportKind kind, DateOnly today)
    {
        if (await ChildRecord.Load(connection, model, id) is not { } record
            || await ProgressRecord.Load(connection, model, id, today) is not { } progress) return null;
        var lines = Report.Make(kind, await Facts(connection, record, progress, today));
        return new ReportDraft(record.Child, kind, lines, lines.ToDictionary(line => line.Id, line => FromOf(record, line)),
            await Reports.OfChild(connection, id));
    }

    /// <summary>Keeps a report as it was offered and as it is sent.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="report">Its id, made where it was offered: sent twice it is one.</param>
    /// <param name="draft">As it was offered.</param>
    /// <param name="sent">The text of each line by its id; an empty one is left out.</param>
    /// <param name="by">Who keeps it.</param>
    /// <param name="today">The day that it is.</param>
    /// <returns>Why it was not kept; null where it was.</returns>
    public async Task<string?> Keep(SchoolConnection connection, ReportId report, ReportDraft draft,
        IReadOnlyDictionary<string, string> sent, PersonId by, DateOnly today)
    {
        if (!report.IsGiven) return "Open the page again.";
        var offered = draft.Lines.Select(line => new KeptReportLine(line.Id, line.Heading, line.Text)
        {
            From = draft.FromInWords(line),
            Clock = line.Clock,
            Colds = [.. line.Colds.Select(cold => new KeptColdStart(cold.Day, cold.Right, cold.Asked, cold.IsRecheck))],
        }).ToList();
        var edited = offered.Select(line => line with { Text = (sent.GetValueOrDefault(line.Id) ?? "").Trim() })
            .Where(line => line.Text.Length > 0).ToList();
        if (edited.Count == 0) return "A report has one line at least.";
        if (edited.Find(line => line.Text.Length > ReportLine.Longest) is { } long_)
            return $"“{long_.Heading}” has {long_.Text.Length:N0} characters; {ReportLine.Longest:N0} at most.";
        var now = clock.GetUtcNow().UtcDateTime;
        var isNew = await Reports.Keep(connection, new KeptReport
        {
            Id = report,
            Child = draft.Child.Id,
            Kind = draft.Kind.Id,
            MadeOn = today,
            OfferedText = KeptReport.Write(offered),
            SentText = KeptReport.Write(edited),
        }, ReadingModel.Version, by, now);
        if (isNew) await Audit.Note(connection, by, AuditKinds.ReportKept, now, draft.Child.Id, detail: draft.Kind.Id);
        return null;
    }

    /// <summary>A report that was kept, with its child; null where the school has none with this id.</summary>
    public static async Task<(KeptReport Report, CaseloadRow Child)?> Find(SchoolConnection connection, ReportId id) =>
        await Reports.Find(connection, id) is { } report && await Children.Find(connection, report.Child) is { } child
            ? (report, child) : null;

    private static async Task<ReportFacts> Facts(SchoolConnection connection, ChildRecord record, ProgressRecord progress, DateOnly today)
    {
        var (child, summary) = (record.Child, record.SummaryOn(today));
        var names = await People.Names(connection);
        var by = await Decisions.DeciderOf(connection, child.Id);
        var cycle = record.Work.Cycles is [.., var latest] ? latest : null;
        var beside = await BesideAnswers.Load(connection, child, today);
        var worked = summary.WorkedOn;
        return new ReportFacts(summary, record.EvidenceOf(summary), progress.Stages, stage => RightAt(record, stage),
            child.Preferences.HourFirst, child.AddedOn, cycle?.EntryReason, await AttendanceOf(connection, record, today),
            cycle is null ? [] : record.Work.ChecksOf(cycle),
            [.. beside.Demonstrated.Where(shown => worked is null || Catalogue.Find(shown.Pattern) is { } pattern
                    && record.Work.Followed.ToldAs(pattern) == record.Work.Followed.ToldAs(worked))
                .OrderBy(shown => shown.Day).Select(shown => (shown.Day,
                    Demonstration.Find(shown.Demonstration)?.Name ?? "a demonstration"))],
            [.. record.Work.Decisions.Where(decision => decision is { TakenBack: false, Kind: not null, Pattern: not null })
                .Select(decision => (decision.Day,
                    $"{decision.Pattern!.TextsIn(child.Preferences.Wording).Reads}, "
                        + DecisionTexts.InWords(decision.Kind!.Value, decision.Taken).Replace(" by you", "", StringComparison.Ordinal),
                    by.TryGetValue(decision.Id, out var who) ? names.GetValueOrDefault(who) ?? "" : ""))],
            [.. beside.AskedAfter.Select(asked => (asked.Day, AskAfter.Find(asked.About)?.Words ?? asked.About, asked.By))]);
    }

    private static async Task<Attendance> AttendanceOf(SchoolConnection connection, ChildRecord record, DateOnly today)
    {
        var since = record.Child.AddedOn;
        while (record.Work.Year.WeeksAfter(since, SessionWeeks) < today) since = since.AddDays(7);
        var timetable = await Timetables.Load(connection, today, today);
        var absences = (await Timetables.AbsencesOf(connection, record.Child.Id, since)).Select(absence => absence.Day)
            .Where(day => day <= today).ToHashSet();
        var planned = Enumerable.Range(0, today.DayNumber - since.DayNumber + 1).Select(since.AddDays)
            .Where(day => timetable.Year.IsOpen(day)
                && timetable.Slots.Any(slot => slot.Weekday == day.DayOfWeek && slot.Children.Contains(record.Child.Id))).ToList();
        var held = record.Sittings.Where(sitting => sitting.Sitting.Day is { } day && day >= since).Select(sitting =>
            sitting.Day).ToHashSet();
        // Of planned days; where none is planned every day counts.
        return new Attendance(planned.Count == 0 ? held.Count : planned.Count(held.Contains), planned.Count, absences.Count, since);
    }

    private static IReadOnlyList<int> RightAt(ChildRecord record, Stage stage) =>
    [
        .. record.Sittings.SelectMany(sitting => sitting.Answered).Index()
            .Where(each => each.Item.IsScored && each.Item.IsRight && each.Item.Asked.Item.OtherSkill is null
                && Stages.FirstWith(each.Item.Asked.Item.Time.Minute) == stage && !ChildRecord.AsGiven(each.Item).Helped)
            .Select(each => each.Index),
    ];

    private static IReadOnlyList<(SittingId, DateOnly, int)> FromOf(ChildRecord record, ReportLine line)
    {
        var places = record.Sittings.SelectMany(sitting => sitting.Answered.Select(_ => sitting)).ToList();
        return [.. line.Answers.Where(place => place < places.Count).Select(place => places[place]).GroupBy(sitting => sitting.Sitting.Id)
            .Select(sitting => (sitting.Key, sitting.First().Day, sitting.Count()))];
    }
}
