using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using CsvHelper;
using CsvHelper.Configuration;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;

namespace Umbick.Casework.Files;

/// <summary>One line of a file of answers.</summary>
/// <param name="Line">The line it begins on, from 1.</param>
/// <param name="Child">The child's alias.</param>
/// <param name="Day">The day of the sitting.</param>
/// <param name="Given">What was asked and answered.</param>
/// <param name="Raw">The answer exactly as it stood.</param>
public sealed record AnswerLine(int Line, string Child, DateOnly Day, ItemAnswer Given, string Raw)
{
    /// <summary>The moment, where the file has one and not a day alone.</summary>
    public DateTime? At { get; init; }

    /// <summary>How long the answer took, in seconds; null where that was not noted.</summary>
    public double? Seconds { get; init; }

    /// <summary>The help that stood on the face.</summary>
    public Support Support { get; init; } = Support.Bare;

    /// <summary>Whether a word helped.</summary>
    public bool Prompted { get; init; }

    /// <summary>What was said first, exactly as it stood; null where nothing was.</summary>
    public string? FirstRaw { get; init; }

    /// <summary>What was noted of how it was done; null where nothing was.</summary>
    public string? Note { get; init; }

    /// <summary>Which of the day's sittings it belongs to; empty where they are not told apart.</summary>
    public string Sitting { get; init; } = "";

    /// <summary>What kind of sitting it was.</summary>
    public SittingOfFile Kind { get; init; } = SittingOfFile.Asking;

    /// <summary>Whether the child typed it.</summary>
    public bool ByChild { get; init; }
}

/// <summary>What is wrong with a file, and where.</summary>
/// <param name="Line">The line, from 1.</param>
/// <param name="Column">The column, from 1; 0 where it is the whole line.</param>
/// <param name="What">What is wrong, as a sentence.</param>
public sealed record FileError(int Line, int Column, string What)
{
    public override string ToString() => Column == 0 ? $"line {Line}: {What}" : $"line {Line}, column {Column}: {What}";
}

/// <summary>
/// Answers in CSV:
/// <c>child,date,task,given,answer[,choices][,mode][,seconds][,support][,prompted][,first][,note][,sitting][,kind][,by]</c>. A file is read
/// whole or not at all; every error is told with its line and column.
/// </summary>
public static partial class AnswersFile
{
    /// <summary>After so many errors the rest of a file is not looked at.</summary>
    public const int MostErrors = 100;

    /// <summary>The most lines of a file.</summary>
    public const int MostLines = 250_000;

    private const int LongestCell = 1000;
    private const int LongestNote = 40;
    private static readonly string[] Needed = ["child", "date", "task", "given", "answer"];
    private static readonly string[] Optional = ["choices", "mode", "seconds", "support", "prompted", "first", "note", "sitting", "kind",
        "by"];

    /// <summary>Reads a file.</summary>
    /// <returns>The lines, or the errors: where there is one error, there are no lines.</returns>
    public static (IReadOnlyList<AnswerLine> Lines, IReadOnlyList<FileError> Errors) Read(Stream file)
    {
        using var reader = new StreamReader(file, new UTF8Encoding(false, throwOnInvalidBytes: true),
            detectEncodingFromByteOrderMarks: false);
        var errors = new List<FileError>();
        var lines = new List<AnswerLine>();
        try
        {
            ReadInto(reader, lines, errors);
        }
        catch (DecoderFallbackException)
        {
            errors.Add(new FileError(1, 0, "This is not UTF-8 text. Save it as CSV in UTF-8."));
        }
        return errors.Count > 0 ? ([], errors) : (lines, []);
    }

    private static void ReadInto(TextReader reader, List<AnswerLine> lines, List<FileError> errors)
    {
        string? stray = null;
        var configuration = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            HasHeaderRecord = false,
            IgnoreBlankLines = true,
            BadDataFound = bad => stray ??= bad.Field
        };
        using var csv = new CsvParser(reader, configuration);
        Dictionary<string, int>? columns = null;
        while (errors.Count < MostErrors && csv.Read())
        {
            var record = csv.Record!;
            var line = csv.RawRow - BreaksWithin(csv.RawRecord);
            if (stray is not null)
            {
                errors.Add(new FileError(line, ColumnOf(stray, csv.RawRecord),
                    "There is a quotation mark where none is allowed. Quote the whole cell and double the marks in it."));
                stray = null;
                continue;
            }
            if (columns is null)
            {
                columns = Header(record, line, errors);
                if (columns is null) return;
                continue;
            }
            if (lines.Count == MostLines)
            {
                errors.Add(new FileError(line, 0, $"A file has {MostLines:N0} answers at most. Send it in parts."));
                return;
            }
            if (record.Length > columns.Count)
                errors.Add(new FileError(line, columns.Count + 1,
                    $"There are {record.Length} cells, but the first line names {columns.Count}."));
            else if (Array.FindIndex(record, cell => cell.Length > LongestCell) is >= 0 and var at)
                errors.Add(new FileError(line, at + 1, $"This cell has {record[at].Length:N0} characters; {LongestCell:N0} is the most."));
            else if (new Row(record, columns, line, errors).Read() is { } read) lines.Add(read);
        }
        if (columns is null) errors.Add(
            new FileError(1, 0, "The file is empty. Its first line names the columns: child,date,task,given,answer."));
    }

    /// <summary>Line breaks inside a record, in quoted cells. With an open quotation mark its last break is inside too.</summary>
    private static int BreaksWithin(string raw)
    {
        var open = raw.Count(sign => sign == '"') % 2 != 0;
        return LineBreaks().Count(open ? raw : raw.TrimEnd('\r', '\n'));
    }

    private static int ColumnOf(string field, string raw) =>
        raw[..Math.Max(0, raw.IndexOf(field, StringComparison.Ordinal))].Count(sign => sign == ',') + 1;

    [GeneratedRegex(@"\r\n|\n|\r")]
    private static partial Regex LineBreaks();

    private static Dictionary<string, int>? Header(string[] record, int line, List<FileError> errors)
    {
        var columns = new Dictionary<string, int>();
        for (var i = 0; i < record.Length; i++)
        {
            var name = record[i].Trim().TrimStart('\uFEFF').ToLowerInvariant();
            if (!Needed.Contains(name) && !Optional.Contains(name))
                errors.Add(new FileError(line, i + 1,
                    $"No column is called “{Cut(name)}”. There are: {string.Join(", ", Needed.Concat(Optional))}."));
            else if (!columns.TryAdd(name, i)) errors.Add(new FileError(line, i + 1, $"The column “{name}” stands there twice."));
        }
        foreach (var name in Needed.Where(name => !columns.ContainsKey(name)))
            errors.Add(new FileError(line, 0, $"The column “{name}” is missing."));
        return errors.Count == 0 ? columns : null;
    }

    private static string Cut(string text) => text.Length <= 40 ? text : $"{text[..40]}…";

    /// <summary>One row while it is being read.</summary>
    private sealed class Row(string[] cells, Dictionary<string, int> columns, int line, List<FileError> errors)
    {
        private bool _failed;

        public AnswerLine? Read()
        {
            var child = Needed("child");
            if (child.Length > 0 && Alias.Fault(child) is { } fault) Fail("child", fault);
            var day = Day(Needed("date"));
            var task = ClockTasks.Find(Needed("task"));
            if (task is null) Fail("task", $"No task is called “{Cut(Cell("task"))}”.");
            var item = task is null ? null : ItemFor(task, Needed("given"));
            var mode = Mode(task);
            if (Cell("seconds") is { Length: > 0 } seconds
                && !(double.TryParse(seconds, NumberStyles.Float, CultureInfo.InvariantCulture, out var time) && time is >= 0 and < 1e6))
                Fail("seconds", $"“{Cut(seconds)}” is no number of seconds.");
            if (Cell("support") is { Length: > 0 } support && support is not ("full" or "most" or "some" or "bare"))
                Fail("support", $"“{Cut(support)}” is not full, most, some or bare.");
            if (Cell("prompted") is { Length: > 0 } prompted && prompted is not ("yes" or "no" or "true" or "false" or "1" or "0"))
                Fail("prompted", $"“{Cut(prompted)}” is neither yes nor no.");
            if (Cell("by") is { Length: > 0 } by && by is not ("teacher" or "child"))
                Fail("by", $"“{Cut(by)}” is neither teacher nor child.");
            if (Cell("note").Length > LongestNote) Fail("note", $"A note has {LongestNote} characters at most.");
            if (Cell("first").Length > AnswerParser.LongestAnswer)
                Fail("first", $"An answer has {AnswerParser.LongestAnswer} characters at most; this one has {Cell("first").Length}.");
            if (Cell("answer").Length > AnswerParser.LongestAnswer)
                Fail("answer", $"An answer has {AnswerParser.LongestAnswer} characters at most; this one has {Cell("answer").Length}.");
            var kind = SittingOfFile.Read(Cell("kind"));
            if (kind is null) Fail("kind", $"“{Cut(Cell("kind"))}” is not asking, cold:PATTERN, practice, form:A (or B, C) or class.");
            if (_failed || item is null || day is null) return null;
            var helped = Cell("prompted") is "yes" or "true" or "1" || Cell("support") is "full" or "most" or "some";
            // Only a teacher's short signs mean that an answer was right; where nothing is said, a teacher typed.
            var typist = Cell("by") == "child" ? Typist.Child : Typist.Teacher;
            var first = Cell("first") is { Length: > 0 } before ? item.Read(before, typist) : null;
            return new AnswerLine(line, child, day.Value, new ItemAnswer(item, item.Read(Cell("answer"), typist), mode, helped, first),
                Cell("answer"))
            {
                At = Moment(Cell("date")),
                Seconds = Cell("seconds") is { Length: > 0 } taken ? double.Parse(taken, CultureInfo.InvariantCulture) : null,
                Support = Cell("support") is { Length: > 0 } help ? Enum.Parse<Support>(help, ignoreCase: true) : Support.Bare,
                Prompted = Cell("prompted") is "yes" or "true" or "1",
                FirstRaw = Cell("first") is { Length: > 0 } said ? said : null,
                Note = Cell("note") is { Length: > 0 } note ? note : null,
                Sitting = Cell("sitting"),
                Kind = kind!,
                ByChild = typist == Typist.Child,
            };
        }

        private Item? ItemFor(ClockTask task, string given)
        {
            if (task.Stimulus == Stimulus.Text && task.Order.Count == 0)
            {
                if (OtherSkillItems.Find(task, given) is { } question) return Item.From(question);
                Fail("given", $"“{Cut(given)}” is no question of {task.Id}.");
                return null;
            }
            var parts = given.Split(' ', 2);
            var turn = task == ClockTasks.FullTurn && parts.Length == 2 && int.TryParse(parts[1].TrimStart('+'), out var move) ? move
                : task == ClockTasks.FullTurn ? 60 : 0;
            var text = task == ClockTasks.FullTurn ? parts[0] : given;
            if (AnswerParser.Parse(text).Meaning is not { } time)
            {
                Fail("given", $"No clock can show “{Cut(given)}”. A time is written as 8:35, or in words where the task gives words.");
                return null;
            }
            var choices = Cell("choices").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(choice => AnswerParser.Parse(choice)).ToList();
            if (task == ClockTasks.Judge || task == ClockTasks.RepairClock)
                return new Item(task, time, choices.Count > 0 ? choices[0] : null);
            if (task == ClockTasks.Match)
                return new Item(task, time) { Clocks = [.. choices.Select(choice => choice.Meaning).OfType<ClockTime>()] };
            return new Item(task, time) { Choices = choices, Move = turn };
        }

        private AnswerMode Mode(ClockTask? task)
        {
            var mode = Cell("mode");
            if (mode.Length == 0) return task?.Chosen == true ? AnswerMode.Chosen : task?.Taken ?? AnswerMode.Said;
            if (Enum.TryParse<AnswerMode>(mode, ignoreCase: true, out var read) && !char.IsAsciiDigit(mode[0])) return read;
            Fail("mode", $"“{Cut(mode)}” is not said, written, built, placed, chosen or geared.");
            return AnswerMode.Said;
        }

        private DateOnly? Day(string text)
        {
            var day = DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var read) ? read
                : Instant(text) is { } instant ? DateOnly.FromDateTime(instant.DateTime) : default(DateOnly?);
            if (day is null) Fail("date", $"“{Cut(text)}” is no date such as 2026-03-02 or 2026-03-02T10:15:00Z.");
            else if (!SchoolYears.Hold(day.Value) || Moment(text) is { } moment && !SchoolYears.Hold(moment))
                Fail("date", $"“{Cut(text)}” is too far away. {SchoolYears.Told}");
            else return day;
            return null;
        }

        private static DateTimeOffset? Instant(string text) =>
            text.Length > 10 && text[10] == 'T'
                && DateTimeOffset.TryParse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var instant) ? instant
                : null;

        private static DateTime? Moment(string text) => Instant(text)?.UtcDateTime;

        private string Needed(string column)
        {
            var cell = Cell(column);
            if (cell.Length == 0) Fail(column, $"The {column} is missing.");
            return cell;
        }

        private string Cell(string column)
        {
            if (!columns.TryGetValue(column, out var at) || at >= cells.Length) return "";
            return SpreadsheetText.Read(cells[at]).Trim();
        }

        private void Fail(string column, string what)
        {
            // A cell is told of once: a missing date is not told as a bad date as well.
            var at = columns[column] + 1;
            if (!errors.Exists(error => error.Line == line && error.Column == at)) errors.Add(new FileError(line, at, what));
            _failed = true;
        }
    }
}
