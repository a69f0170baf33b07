using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Umbick.Core.Progress;

namespace Umbick.Casework.Files;

/// <summary>One line of the figures of a child's progress.</summary>
/// <param name="Day">The day.</param>
/// <param name="What"><c>cold</c>, <c>form</c>, <c>set</c>, <c>shown</c>, <c>decision</c>, <c>belief</c> or <c>seconds</c>.</param>
/// <param name="About">A pattern's id, a form's letter, a demonstration's id; empty where it is about none.</param>
/// <param name="Value">How many came right, a belief, seconds, a support, a decision.</param>
/// <param name="Of">Of how many; empty where it is of none.</param>
public sealed record ProgressLine(DateOnly Day, string What, string About, string Value, string Of = "");

/// <summary>The figures of a child's progress as a table: the same on the page and in the file.</summary>
public static class ProgressFile
{
    /// <summary>The lines, by day.</summary>
    public static IReadOnlyList<ProgressLine> Lines(ProgressRecord record)
    {
        var lines = record.Work.Courses
            .SelectMany(course => course.Value.Colds.Select(cold =>
            new ProgressLine(cold.Day, "cold", course.Key.Id, Figure(cold.Right), Figure(cold.Telling.Count))))
            .Concat(record.Work.Checks.Select(check =>
            new ProgressLine(check.Day, "form", check.Form, Figure(check.Right), Figure(check.Asked))))
            .Concat(record.Sets.Select(set =>
            new ProgressLine(set.Day!.Value, "set", set.PatternId ?? "", set.Support.ToString().ToLowerInvariant())))
            .Concat(record.Shown.Select(shown => new ProgressLine(shown.Day, "shown", shown.Pattern, shown.Demonstration)))
            .Concat(record.Work.Decisions.Where(decision => decision is { TakenBack: false, Kind: not null })
            .Select(decision => new ProgressLine(decision.Day, "decision", decision.PatternId,
            DecisionTexts.InWords(decision.Kind!.Value, decision.Taken))))
            .Concat(record.Beliefs.SelectMany(after =>
            after.Beliefs.OrderByDescending(belief => belief.Value)
                .Select(belief => new ProgressLine(after.Day, "belief", belief.Key.Id,
                belief.Value.ToString("0.###", CultureInfo.InvariantCulture)))))
            .Concat(record.Fluency.Select(day =>
            new ProgressLine(day.Day, "seconds", "", day.Seconds.ToString("0.#", CultureInfo.InvariantCulture), Figure(day.Answers))));
        return [.. lines.OrderBy(line => line.Day)];
    }

    /// <summary>Writes the lines as CSV: <c>day,what,about,value,of</c>.</summary>
    public static string Write(ProgressRecord record)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\n" });
        foreach (var heading in new[] { "day", "what", "about", "value", "of" }) csv.WriteField(heading);
        csv.NextRecord();
        foreach (var line in Lines(record))
        {
            foreach (var cell in new[] { line.Day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), line.What, line.About, line.Value,
                line.Of }) csv.WriteField(SpreadsheetText.Write(cell));
            csv.NextRecord();
        }
        csv.Flush();
        return text.ToString();
    }

    private static string Figure(int figure) => figure.ToString(CultureInfo.InvariantCulture);
}
