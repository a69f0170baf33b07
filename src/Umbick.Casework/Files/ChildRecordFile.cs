using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Store;

namespace Umbick.Casework.Files;

/// <summary>
/// A child's whole record as a file: JSON, every row as it stands, by the published schema <c>child-record.schema.json</c>. It is what a
/// parent can be given, and what another school takes in.
/// </summary>
public static class ChildRecordFile
{
    /// <summary>What the file calls itself, and in which form it is.</summary>
    public const string Kind = "umbick-child-record";

    /// <summary>The form of the file. One of a later form is refused.</summary>
    public const int Form = 2;

    /// <summary>The largest file that is read, in bytes.</summary>
    public const int Largest = 20_000_000;

    private static readonly JsonSerializerOptions Readable =
        new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>The most parts a file can have, each value, name and bracket counted: a child of ten years has a third of it.</summary>
    private const int MostParts = 1_000_000;

    private const int Deepest = 16;

    /// <summary>A child's record; null where the school has no such child.</summary>
    public static async Task<string?> Write(SchoolConnection connection, ChildId child, DateTime now)
    {
        if (await RecordRows.Load(connection, child) is not { } record) return null;
        var file = new JsonObject
        {
            ["file"] = Kind,
            ["form"] = Form,
            ["taken_out_at"] = now.ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", System.Globalization.CultureInfo.InvariantCulture),
            ["school"] = (await Schools.Current(connection)).Name,
            ["time_zone"] = await Schools.Zone(connection),
            ["engine"] = ReadingModel.Version,
            ["people"] = await RecordRows.PeopleOf(connection, record),
            ["record"] = record,
        };
        return file.ToJsonString(Readable);
    }

    /// <summary>Reads a file: the record and the child's alias in it, or what is wrong.</summary>
    /// <param name="file">The file, of <see cref="Largest"/> bytes at most.</param>
    public static (JsonElement? Record, string Alias, string? Fault) Read(ReadOnlyMemory<byte> file)
    {
        if (file.Span.StartsWith(Encoding.UTF8.Preamble)) file = file[Encoding.UTF8.Preamble.Length..];
        try
        {
            // Counted before anything is kept of it: a small file can hold very many parts.
            if (!HasFewParts(file.Span)) return (null, "", "This file holds more than the record of one child can.");
            var whole = JsonDocument.Parse(file,
                new JsonDocumentOptions { MaxDepth = Deepest, AllowDuplicateProperties = false }).RootElement;
            var (alias, fault) = Look(whole);
            return fault is null ? (whole.GetProperty("record"), alias, null) : (null, "", fault);
        }
        catch (JsonException broken)
        {
            return (null, "", broken.LineNumber is { } line
                ? $"This is no JSON that can be read: line {line + 1}, column {broken.BytePositionInLine + 1}."
                : "This is no JSON that can be read: a name stands in it twice.");
        }
        catch (InvalidOperationException)
        {
            return (null, "", "This file holds half a sign, which is no text.");
        }
    }

    /// <summary>Takes a record in at a school, whole or not at all.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="model">The model, which has to be able to read it.</param>
    /// <param name="record">The record.</param>
    /// <param name="alias">The alias that the child has here.</param>
    /// <param name="by">Who does it.</param>
    /// <param name="now">The present.</param>
    /// <returns>The child, or what is wrong; then nothing was taken.</returns>
    public static async Task<(ChildId? Child, string? Fault)> Import(
        SchoolConnection connection, ReadingModel model, JsonElement record, string alias, PersonId by, DateTime now)
    {
        if (Casework.Alias.Fault(alias) is { } fault) return (null, fault);
        if ((await Children.ByAlias(connection, [alias])).Count > 0)
            return (null, $"“{alias}” is the alias of a child here. Give this child another.");
        await connection.ExecuteAsync("savepoint before_record");
        var (child, wrong) = await RecordIntake.Add(connection, record, alias, now);
        if (child is { } id)
        {
            if (await CanBeRead(connection, model, id))
            {
                await Audit.Note(connection, by, AuditKinds.TookIn, now, id);
                return (id, null);
            }
            wrong = "The record cannot be read as a child’s.";
        }
        await connection.ExecuteAsync("rollback to savepoint before_record");
        return (null, wrong);
    }

    /// <summary>The child's alias, or what is wrong with a file before any of its rows is looked at by the database.</summary>
    private static (string Alias, string? Fault) Look(JsonElement whole)
    {
        if (whole.ValueKind != JsonValueKind.Object || Named(whole, "file") != Kind) return ("", "This is no child’s record from Umbick.");
        if (!whole.TryGetProperty("form", out var form) || form.ValueKind != JsonValueKind.Number || !form.TryGetInt32(out var number)
            || number is < 1 or > Form)
            return ("", "This record was written by a later version of Umbick, and cannot be read by this one.");
        if (!whole.TryGetProperty("record", out var record) || record.ValueKind != JsonValueKind.Object)
            return ("", "The record is missing.");
        foreach (var table in RecordRows.Tables)
        {
            if (!record.TryGetProperty(table, out var rows) && RecordRows.MayLack(table, number)) continue;
            if (rows.ValueKind != JsonValueKind.Array)
                return ("", $"“{table}” is missing, or is no list.");
            if (rows.EnumerateArray().Any(row => row.ValueKind != JsonValueKind.Object))
                return ("", $"“{table}” holds something that is no row.");
        }
        if (record.EnumerateObject().Any(part => !RecordRows.Tables.Contains(part.Name)))
            return ("", "The record holds something that no record has.");
        if (record.GetProperty("child").GetArrayLength() != 1) return ("", "A record is of one child.");
        var child = record.GetProperty("child")[0];
        if (Named(child, "alias") is not { } alias || Casework.Alias.Fault(alias) is not null)
            return ("", "The child’s alias is missing, or is none.");
        if (Named(child, "id") is not { } text || !ChildId.TryParse(text, null, out var id))
            return ("", "The child’s id is missing, or is none.");
        foreach (var table in RecordRows.Tables)
        {
            foreach (var row in record.TryGetProperty(table, out var rows) ? rows.EnumerateArray() : [])
            {
                if (row.TryGetProperty("child", out _) && !(ChildId.TryParse(Named(row, "child"), null, out var whose) && whose == id))
                    return ("", $"A row of “{table}” belongs to another child.");
                if (table is "practice_set" or "decision" or "marginal" or "visit" or "demonstration_shown"
                    && Named(row, "pattern") is { } pattern && Catalogue.Find(pattern) is null
                    && !pattern.StartsWith("other-", StringComparison.Ordinal))
                    return ("", $"“{table}” names a pattern that Umbick does not know: {(pattern.Length > 40 ? pattern[..40] : pattern)}.");
            }
        }
        return (alias, null);
    }

    private static bool HasFewParts(ReadOnlySpan<byte> file)
    {
        var reader = new Utf8JsonReader(file, new JsonReaderOptions { MaxDepth = Deepest });
        for (var parts = 0; reader.Read(); parts++) if (parts == MostParts) return false;
        return true;
    }

    /// <summary>What cannot be read must not be kept: the pages of the child would break.</summary>
    private static async Task<bool> CanBeRead(SchoolConnection connection, ReadingModel model, ChildId id)
    {
        try
        {
            if (await ChildRecord.Load(connection, model, id) is not { } record || await RecordRows.Load(connection, id) is not { } rows)
                return false;
            var today = await Schools.Today(connection, DateTime.UtcNow);
            record.EvidenceOf(record.SummaryOn(today));
            return RecordEvent.From(rows, record.Child.Preferences.Wording) is not null
                && await ProgressRecord.Load(connection, model, id, today) is not null;
        }
        catch (Exception wrong)
            when (wrong is FormatException or InvalidOperationException or ArgumentException or KeyNotFoundException or JsonException
                or IndexOutOfRangeException or OverflowException)
        {
            return false;
        }
    }

    private static string? Named(JsonElement row, string name) =>
        row.TryGetProperty(name, out var value) && value.ValueKind == JsonValueKind.String ? value.GetString() : null;
}
