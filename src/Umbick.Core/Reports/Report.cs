using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;

namespace Umbick.Core.Reports;

/// <summary>
/// The lines of a report, as they are offered. What is said of a child's reading is the one summary's; a line that rests on answers names
/// them.
/// </summary>
public static class Report
{
    /// <summary>So many answers of a stage, most of them right, are enough to say that most come right.</summary>
    private const int Some = 4;

    /// <summary>What the figures cannot say.</summary>
    public const string Limits =
        "These figures come from short sittings with pictures of clocks. They do not say why clocks are hard for a child, and they are no "
        + "diagnosis of anything. Where progress stays slow, the school’s own way of asking further is followed.";

    /// <summary>Makes a report.</summary>
    public static IReadOnlyList<ReportLine> Make(ReportKind kind, ReportFacts facts) =>
        kind == ReportKind.ClassTeacher ? [SureOf(facts), TakesNow(facts), SayInClass(facts), NextCheck(facts)]
        : kind == ReportKind.Family ? [SureOf(facts) with { Id = "reads-now", Heading = "Reads now" }, MixesUp(facts), WeDo(facts),
            AtHome(facts)]
        : [CameIn(facts), Sessions(facts), FormsHeld(facts), Approaches(facts), ColdStartsHeld(facts), Decided(facts), Asked(facts),
            new ReportLine("limits", "What this cannot say", Limits) { Record = "what holds of every report" }];

    private static ReportLine SureOf(ReportFacts facts)
    {
        var (alias, wording) = (facts.Summary.Facts.Alias, facts.Summary.Facts.Wording);
        var secure = facts.Stages.Where(stage => stage.IsSecure).ToList();
        var most = facts.Stages.Where(stage => !stage.IsSecure && stage.Asked >= Some && stage.Right >= 0.75 * stage.Asked).ToList();
        string Names(List<StageRecord> stages) => InARow([.. stages.Select(stage => Lowered(stage.Stage.Name(wording)))]);
        var told = (secure.Count, most.Count) switch
        {
            (0, 0) => "",
            (0, _) => $"For {alias} most of these come right: {Names(most)}.",
            (_, 0) => $"{alias} reads these surely: {Names(secure)}.",
            _ => $"{alias} reads these surely: {Names(secure)}. Most of these come right: {Names(most)}.",
        };
        return new ReportLine("sure-of", "Sure of", told.Length > 0 ? told
            : facts.Summary.Facts.Sittings == 0 ? "Nothing has been asked yet." : "No kind of time comes right surely yet.")
        { Answers = [.. secure.Concat(most).SelectMany(stage => facts.AnswersAt(stage.Stage)).Order()] };
    }

    private static ReportLine TakesNow(ReportFacts facts) => WithClock(facts, new ReportLine("takes-now", "Now", facts.Summary.InALine));

    private static ReportLine MixesUp(ReportFacts facts) => WithClock(facts, new ReportLine("mixes-up", "Still mixes up",
        facts.Summary is { About: { } pattern, Called: Label.Likely or Label.Possible }
            ? pattern.TextsIn(facts.Summary.Facts.Wording).Family.Replace("{child}", facts.Summary.Facts.Alias, StringComparison.Ordinal)
            : "Nothing that comes again and again."));

    /// <summary>Puts the latest answer that shows it beside what is said.</summary>
    private static ReportLine WithClock(ReportFacts facts, ReportLine line)
    {
        var wording = facts.Summary.Facts.Wording;
        var answers = facts.Evidence.Telling.Select(telling => telling.Index).ToList();
        if (facts.Summary.Called is not (Label.Likely or Label.Possible)
            || facts.Evidence.Telling.LastOrDefault(telling => telling is { Outcome: TellingOutcome.ItsWay, Given.Helped: false })
                is not { } shown) return line with { Answers = answers };
        var time = shown.Given.Item.Time;
        return line with
        {
            Text = $"{line.Text} Asked for {wording.Digital(time)}, the answer was {shown.Given.Answer.Short(wording)}.",
            Clock = time.ToString(),
            Answers = answers,
        };
    }

    private static ReportLine SayInClass(ReportFacts facts) => new("say-in-class", "Say this in class",
        facts.Summary.WorkedOn is { } pattern
            ? facts.HourFirst ? pattern.TextsIn(facts.Summary.Facts.Wording).HourFirst
                : pattern.TextsIn(facts.Summary.Facts.Wording).MinuteFirst
            : facts.HourFirst ? "Which number has the short hand passed? Then count the minutes round from the 12."
                : "Count the minutes round from the 12. Then: which number has the short hand passed?")
    { Record = facts.Summary.WorkedOn is null ? "what holds of every clock" : "the words for what is worked on" };

    private static ReportLine NextCheck(ReportFacts facts) => new("next-check", "Next check",
        facts.Summary.Due is [var due, ..]
            ? $"{(due.Form is { } form ? $"Check form {form}" : "Five clocks, cold")}, "
                + (due.Day > facts.Summary.Today ? $"from {Day(due.Day)}." : "at the next visit.")
            : facts.Summary.CouldWork ? "Each visit begins with clocks that are asked cold." : "None is planned.")
    { Record = "the plan of rechecks and forms" };

    private static ReportLine WeDo(ReportFacts facts) => new("we-do", "What we do",
        facts.Summary.CouldWork || facts.Summary.Course is { HasEnded: false }
            ? "We look at a big clock together for a few minutes, and practise with clocks that are made for just this. Some come "
                + "without any help, to see what stays."
            : "We look at a few clocks now and then, to see whether it stays.")
    { Record = "what is done with every child" };

    private static ReportLine AtHome(ReportFacts facts) => new("at-home", "At home",
        facts.Summary.WorkedOn is { } pattern && Steps.OfReading.Contains(pattern.Step)
            ? $"{HomeLanguage.English.For(pattern.Step, facts.Summary.Facts.Wording).Idea} There is a page with three clocks to go "
                + "with this, three minutes a day."
            : "Ask for the time at the same moments of the day: when school is over, at supper, at bedtime. A minute is enough.")
    { Record = "the page for home" };

    private static ReportLine CameIn(ReportFacts facts) => new("came-in", "Why the child came in",
        (facts.EntryReason is { Length: > 0 } why ? $"{char.ToUpperInvariant(why[0])}{why[1..].TrimEnd('.')}. " : "")
            + $"On the caseload since {Day(facts.AddedOn)}. {facts.Summary.InALine}")
    {
        Record = facts.EntryReason is null ? "the caseload" : "the caseload, and the cycle’s beginning",
        Answers = [.. facts.Evidence.Telling.Select(telling => telling.Index)],
    };

    private static ReportLine Sessions(ReportFacts facts) => new("sessions", "Sessions",
        facts.Attendance switch
        {
            { Planned: 0 } attendance => $"{Times(attendance.Held)} since {Day(attendance.Since)}; the timetable has no slot of their own.",
            var attendance => $"Seen on {attendance.Held} of {attendance.Planned} planned days since {Day(attendance.Since)}, "
                + $"by the timetable as it is now{(attendance.Absent > 0 ? $"; could not come on {attendance.Absent}" : "")}.",
        })
    { Record = "days with answers, the timetable, absences" };

    private static ReportLine FormsHeld(ReportFacts facts) => new("forms", "Form A against the latest",
        facts.Forms.Count == 0 ? "No check form has been held."
            : InARow([.. facts.Forms.Select(form => $"form {form.Form} on {Day(form.Day)}: {form.Right} of {form.Asked} right")],
                first: true)
            + "." + (CheckCycle.Growth(facts.Forms) is { } growth
                ? string.Create(CultureInfo.InvariantCulture,
                    $" Of form A about {Math.Abs(growth):0.#} {(growth >= 0 ? "more" : "fewer")} are expected right now than then.")
                : ""))
    { Record = "check forms" };

    private static ReportLine Approaches(ReportFacts facts)
    {
        var (summary, wording) = (facts.Summary, facts.Summary.Facts.Wording);
        if (summary is not { WorkedOn: { } pattern, Course: { } course })
            return new ReportLine("approaches", "What was tried", "Nothing has been practised yet.") { Record = "sets and demonstrations" };
        var practised = course.Practised is { } done
            ? $" From {Day(done.First)} to {Day(done.Last)}." : "";
        var shown = facts.Shown.Count == 0 ? "" : $" Shown: {InARow([.. facts.Shown
            .Select(each => $"{wording.Fill(each.Name).TrimEnd('.')} ({Day(each.Day)})")])}.";
        return new ReportLine("approaches", "What was tried", $"{DecisionTexts.WorkOn(pattern, course, wording)}{practised}{shown}")
        { Record = "sets and demonstrations" };
    }

    private static ReportLine ColdStartsHeld(ReportFacts facts) => facts.Summary is { Works: { } works, Course: { } course }
        ? new ReportLine("cold-starts", "Cold starts and rechecks", $"{works.Sentence} {works.Grounds}")
        {
            Record = "cold starts, asked without help before any practice",
            Colds = [.. course.Colds.Where(cold => cold.IsWhole).Select(cold => new DrawnColdStart(cold.Day, cold.Right, cold.Telling.Count,
                course.MasteredOn is { } mastered && cold.Day > mastered))],
        }
        : new ReportLine("cold-starts", "Cold starts and rechecks", "There has been no cold start yet.") { Record = "cold starts" };

    private static ReportLine Decided(ReportFacts facts) => new("decisions", "What was decided",
        facts.Decisions.Count == 0 ? "Nothing has been decided yet."
            : string.Join(" ", facts.Decisions.Select(each =>
                $"{Day(each.Day)}: {each.What}{(each.By.Length > 0 ? $" ({each.By})" : "")}.")))
    { Record = "decisions, as they were taken" };

    private static ReportLine Asked(ReportFacts facts) => new("asked-after", "Who asked after what",
        facts.AskedAfter.Count == 0 ? "It is not on record that anybody asked after eyesight, hearing, language or counting in fives."
            : InARow(
                [.. facts.AskedAfter.Select(each => $"{each.What} on {Day(each.Day)}{(each.By.Length > 0 ? $" by {each.By}" : "")}")],
                first: true) + ". What came of it is not kept here.")
    { Record = "what was asked after" };

    private static string Times(int held) => held == 1 ? "Seen on one day" : $"Seen on {held} days";

    private static string Lowered(string text) => $"{char.ToLowerInvariant(text[0])}{text[1..]}";

    private static string InARow(IReadOnlyList<string> parts, bool first = false)
    {
        var told = parts.Count < 2 ? string.Concat(parts) : $"{string.Join(", ", parts.Take(parts.Count - 1))} and {parts[^1]}";
        return first && told.Length > 0 ? $"{char.ToUpperInvariant(told[0])}{told[1..]}" : told;
    }

    private static string Day(DateOnly day) => day.ToString("d MMMM yyyy", CultureInfo.InvariantCulture);
}
