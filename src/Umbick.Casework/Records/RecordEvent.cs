using System.Globalization;
using System.Text.Json.Nodes;
using Umbick.Core.Clocks;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Reports;
using Umbick.Core.Teaching;

namespace Umbick.Casework;

/// <summary>Something that was done for a child beside asking, as their record tells it.</summary>
/// <param name="At">When.</param>
/// <param name="What">What, in words.</param>
/// <param name="By">The id of who did it; null where that is not kept.</param>
public sealed record RecordEvent(DateTime At, string What, PersonId? By)
{
    /// <summary>What a record's rows tell, the earliest first.</summary>
    public static IReadOnlyList<RecordEvent> From(JsonObject record, Wording wording) =>
    [
        .. Each(record, "practice_set", "assigned_at", "assigned_by", row => $"A practice set: {About(row, wording)}")
            .Concat(Each(record, "demonstration_shown", "shown_at", "shown_by",
            row => $"Shown: {(Demonstration.Find(Text(row, "demonstration")) is { } shown ? wording.Fill(shown.Name) : Text(row, "demonstration"))}"))
            .Concat(Each(record, "visit_note", "noted_at", "noted_by",
            row => $"Noted in a visit: {VisitNote.Find(Text(row, "note"))?.Words ?? Text(row, "note")}"))
            .Concat(Each(record, "named_way", "named_at", "named_by", row => $"A way of the child’s own, named “{Text(row, "name")}”"))
            .Concat(Each(record, "decision", "decided_at", "decided_by",
            row => $"Decided: {Decided(row)}, "
                + $"{About(row, wording)}{Reason(row, "reason")}{(Text(row, "taken_back_at").Length > 0 ? "; taken back later" : "")}"))
            .Concat(Each(record, "cycle", "begun_at", "begun_by",
            row => $"A cycle of work began, until {Day(Text(row, "ends_on"))}{Reason(row, "entry_reason")}"))
            .Concat(Each(record, "cycle", "ended_on", "ended_by", row => $"The cycle ended{Reason(row, "exit_reason")}"))
            .Concat(Each(record, "asked_after", "noted_at", "asked_by",
            row => $"Asked after {AskAfter.Find(Text(row, "about"))?.Words ?? Text(row, "about")}"))
            .Concat(Each(record, "home_note", "noted_at", "noted_by",
            row => $"At home, day {Text(row, "day")}: {Text(row, "how").Replace('-', ' ')}, as the family told"))
            .Concat(Each(record, "time_try", "tried_at", "noted_by",
            row => $"A sense of time, “{TimeCard.Find(Text(row, "card"))?.Name ?? Text(row, "card")}”: {Guess(row, "given", "real_value")}"
                + (Text(row, "given_again").Length > 0 ? $", then {Guess(row, "given_again", "real_again")}" : "")))
            .Concat(Each(record, "report", "made_at", "made_by",
            row => $"A report was kept: {(ReportKind.Find(Text(row, "kind"))?.Name ?? Text(row, "kind")).ToLowerInvariant()}"))
            .Concat(Each(record, "keep_apart", "noted_at", "noted_by", _ => "Kept apart from another child in groups"))
            .Concat(Each(record, "absence", "day", "noted_by",
            row => Text(row, "absent") == "true" ? "Was not there" : "Could not leave class"))
            .OrderBy(each => each.At),
    ];

    private static IEnumerable<RecordEvent> Each(JsonObject record, string table, string at, string who, Func<JsonObject, string> what) =>
        from row in record[table]!.AsArray().OfType<JsonObject>()
        where Text(row, at).Length > 0
        select new RecordEvent(
            DateTime.Parse(Text(row, at), CultureInfo.InvariantCulture, DateTimeStyles.AdjustToUniversal | DateTimeStyles.AssumeUniversal),
            what(row), PersonId.TryParse(Text(row, who), null, out var person) ? person : null);

    private static string Guess(JsonObject row, string given, string real) => $"{Text(row, given)} of {Text(row, real)}";

    private static string About(JsonObject row, Wording wording) => Text(row, "pattern") switch
    {
        "" => "reading at ease",
        var id => Catalogue.Find(id)?.TextsIn(wording).Name ?? id,
    };

    private static string Decided(JsonObject row) =>
        DecisionKinds.Find(Text(row, "kind")) switch
        {
            null => Text(row, "kind"),
            DecisionKind.Confirm => "a teacher saw this pattern too",
            DecisionKind.RuleOut => "a teacher ruled this pattern out",
            { } kind => DecisionTexts.InWords(kind, Text(row, "taken") == "true"),
        };

    private static string Reason(JsonObject row, string column) => Text(row, column) is { Length: > 0 } reason ? $" (“{reason}”)" : "";

    private static string Day(string day) =>
        DateOnly.Parse(day, CultureInfo.InvariantCulture).ToString("d MMMM yyyy", CultureInfo.InvariantCulture);

    private static string Text(JsonObject row, string column) => row[column]?.ToString() ?? "";
}
