using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework.Files;

/// <summary>
/// Children in CSV: <c>child[,class][,stage][,caseload][,keep-until]</c>. Who is there keeps what a file does not say; who is not is added.
/// A file is read whole or not at all.
/// </summary>
public static class ChildrenFile
{
    private const int MostLines = 10_000;

    private static readonly string[] Heads = ["child", "class", "stage", "caseload", "keep-until"];

    /// <summary>One line. What is null is not said.</summary>
    public sealed record Line(int Number, string Alias, string? ClassName, Stage? Stage, bool? OnCaseload, DateOnly? KeepUntil);

    /// <summary>Reads a file.</summary>
    /// <returns>The lines, or the errors: where there is one error, there are no lines.</returns>
    public static (IReadOnlyList<Line> Lines, IReadOnlyList<FileError> Errors) Read(Stream file)
    {
        var (lines, errors, seen) = (new List<Line>(), new List<FileError>(), new Dictionary<string, int>());
        using var reader = new StreamReader(file, new UTF8Encoding(false, throwOnInvalidBytes: true));
        using var csv = new CsvParser(reader,
            new CsvConfiguration(CultureInfo.InvariantCulture) { HasHeaderRecord = false, BadDataFound = null });
        try
        {
            if (!csv.Read()) return ([],
                [new FileError(1, 0, "The file is empty. Its first line names the columns: child,class,stage,caseload,keep-until.")]);
            var heads = csv.Record!.Select(head => head.Trim().TrimStart('\uFEFF').ToLowerInvariant()).ToList();
            foreach (var (head, i) in heads.Select((head, i) => (head, i)))
            {
                if (!Heads.Contains(head))
                    errors.Add(new FileError(1, i + 1, $"No column is called “{head}”. There are: {string.Join(", ", Heads)}."));
                else if (heads.IndexOf(head) != i) errors.Add(new FileError(1, i + 1, $"The column “{head}” stands there twice."));
            }
            if (!heads.Contains("child")) errors.Add(new FileError(1, 0, "The column “child” is missing."));
            while (errors.Count < AnswersFile.MostErrors && csv.Read())
            {
                if (lines.Count == MostLines)
                {
                    errors.Add(new FileError(csv.RawRow, 0, $"A file has {MostLines:N0} children at most. Send it in parts."));
                    break;
                }
                if (ReadLine(csv.Record!, heads, csv.RawRow, errors) is not { } line) continue;
                if (seen.TryGetValue(line.Alias, out var before))
                    errors.Add(new FileError(line.Number, heads.IndexOf("child") + 1, $"“{line.Alias}” stands on line {before} already."));
                else seen[line.Alias] = line.Number;
                lines.Add(line);
            }
        }
        catch (DecoderFallbackException)
        {
            errors.Add(new FileError(1, 0, "This is not UTF-8 text. Save it as CSV in UTF-8."));
        }
        return errors.Count > 0 ? ([], errors) : (lines, []);
    }

    /// <summary>Takes lines in.</summary>
    public static async Task<ImportReport> Run(
        SchoolConnection connection, IReadOnlyList<Line> lines, PersonId? by, bool dryRun, DateTime now)
    {
        var known = await Children.StagesByAlias(connection, lines.Select(line => line.Alias));
        var newcomers = lines.Where(line => !known.ContainsKey(line.Alias)).ToList();
        var report = new ImportReport(lines.Count, lines.Count, [.. newcomers.Select(line => line.Alias)], lines.Count, 0, []);
        if (dryRun) return report;
        foreach (var line in lines)
        {
            var (id, stage) = known.TryGetValue(line.Alias, out var there) ? there
                : (ChildId.New(), line.Stage ?? Stage.OClock);
            if (!known.ContainsKey(line.Alias))
                await Children.Add(connection, new Child(id, line.Alias, stage), now, line.OnCaseload ?? true);
            else if (line.OnCaseload is { } on) await Children.SetOnCaseload(connection, id, on);
            if (line.ClassName is { } name) await Children.SetClass(connection, id, name);
            if (line.Stage is { } taught && taught != stage) await Children.SetStage(connection, id, taught);
            if (line.KeepUntil is { } day) await Children.KeepUntil(connection, id, day);
        }
        await Audit.Note(connection, by, AuditKinds.Imported, now,
            detail: string.Create(CultureInfo.InvariantCulture, $"{lines.Count} children"));
        return report;
    }

    /// <summary>Writes every child of a school.</summary>
    public static async Task<int> Write(SchoolConnection connection, TextWriter to)
    {
        await using var csv = new CsvWriter(to, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\n" }, leaveOpen: true);
        foreach (var head in Heads) csv.WriteField(head);
        await csv.NextRecordAsync();
        var children = await Children.Aliases(connection);
        foreach (var child in children)
        {
            foreach (var cell in new[] { child.Alias, child.ClassName, ((int)child.Stage).ToString(CultureInfo.InvariantCulture),
                child.OnCaseload ? "yes" : "no", child.KeepUntil?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "" })
                csv.WriteField(SpreadsheetText.Write(cell));
            await csv.NextRecordAsync();
        }
        await csv.FlushAsync();
        return children.Count;
    }

    private static Line? ReadLine(string[] cells, List<string> heads, int number, List<FileError> errors)
    {
        var before = errors.Count;
        if (cells.Length > heads.Count)
        {
            errors.Add(new FileError(number, heads.Count + 1, $"There are {cells.Length} cells, but the first line names {heads.Count}."));
            return null;
        }
        var alias = Cell("child");
        if (alias.Length == 0 && cells.All(string.IsNullOrWhiteSpace)) return null;
        if (Alias.Fault(alias) is { } fault) Fail("child", fault);
        var className = Cell("class");
        if (className.Length > ClassTeaching.LongestName) Fail("class", $"A class’s name has {ClassTeaching.LongestName} letters at most.");
        Stage? stage = null;
        if (Cell("stage") is { Length: > 0 } taught)
        {
            if (int.TryParse(taught, NumberStyles.None, CultureInfo.InvariantCulture, out var of) && Enum.IsDefined((Stage)of))
                stage = (Stage)of;
            else Fail("stage", $"“{taught}” is no stage: a number from 1 to 12.");
        }
        var caseload = Cell("caseload");
        if (caseload is not ("" or "yes" or "no")) Fail("caseload", $"“{caseload}” is neither yes nor no.");
        DateOnly? until = null;
        if (Cell("keep-until") is { Length: > 0 } day)
        {
            if (DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date)
                && SchoolYears.Hold(date)) until = date;
            else Fail("keep-until", $"“{day}” is no date such as 2029-07-31. {SchoolYears.Told}");
        }
        return errors.Count > before ? null
            : new Line(number, alias, heads.Contains("class") ? className : null, stage, caseload.Length == 0 ? null : caseload == "yes",
            until);

        string Cell(string head) => heads.IndexOf(head) is >= 0 and var at && at < cells.Length ? SpreadsheetText.Read(cells[at]).Trim()
            : "";
        void Fail(string head, string what) => errors.Add(new FileError(number, heads.IndexOf(head) + 1, what));
    }
}
