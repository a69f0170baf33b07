using Umbick.Core.Progress;

namespace Umbick.Core.Reports;

/// <summary>What reports of a child are made of: the one summary of what is known, what it rests on, and what is on the record.</summary>
/// <param name="Summary">The summary.</param>
/// <param name="Evidence">What it rests on.</param>
/// <param name="Stages">How the times of each stage have come out.</param>
/// <param name="AnswersAt">The right answers without help at a stage: their places among all answers.</param>
/// <param name="HourFirst">Whether the hour hand is read first.</param>
/// <param name="AddedOn">The day on which the child came onto the caseload.</param>
/// <param name="EntryReason">Why they came in, as somebody wrote it; null where nobody did.</param>
/// <param name="Attendance">The sessions of the last weeks.</param>
/// <param name="Forms">The check forms of the cycle, the earliest first.</param>
/// <param name="Shown">Demonstrations that were shown for what is worked on, the earliest first.</param>
/// <param name="Decisions">What was decided, the earliest first, with who decided.</param>
/// <param name="AskedAfter">What was asked after, the latest first, and by whom.</param>
public sealed record ReportFacts(
    CaseSummary Summary, CaseEvidence Evidence, IReadOnlyList<StageRecord> Stages, Func<Items.Stage, IReadOnlyList<int>> AnswersAt,
    bool HourFirst, DateOnly AddedOn, string? EntryReason, Attendance Attendance, IReadOnlyList<CheckHeld> Forms,
    IReadOnlyList<(DateOnly Day, string Name)> Shown, IReadOnlyList<(DateOnly Day, string What, string By)> Decisions,
    IReadOnlyList<(DateOnly Day, string What, string By)> AskedAfter);

/// <summary>Sessions held of those that were planned.</summary>
/// <param name="Held">On how many days something was answered.</param>
/// <param name="Planned">On how many the child had a slot, by the timetable as it is.</param>
/// <param name="Absent">On how many it is noted that they could not come.</param>
/// <param name="Since">From which day on.</param>
public sealed record Attendance(int Held, int Planned, int Absent, DateOnly Since);
