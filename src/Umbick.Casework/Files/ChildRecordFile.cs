using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Store;

namespace Umbick.Casework.Files;

/// <summary>
/// A child's whole record as a file: JSON, every row as it stands, by the published schema <c>child-record.schema.json</c>. It is what a parent can be given,
/// and what another school takes in.
/// </summary>
public static class ChildRecordFile
{
    /// <summary>What the file calls itself, and in which form it is.</summary>
    public const string Kind = "umbick-child-record";

    /// <summary>The form of the file. One of a later form is refused.</summary>
    public const int Form = 1;

    /// <summary>The largest file that is read, in bytes.</summary>
    public const int Largest = 20_000_000;

    private static readonly JsonSerializerOptions Readable = new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    private static readonly JsonDocumentOptions Strict = new() { MaxDepth = 16 };

    /// <summary>A child's record; null where the school has no such child.</summary>
    public static async Task<string?> Write(SchoolConnection connection, ChildId child, DateTime now)
    {
        if (await RecordRows.Of(connection, child) is not { } record) return null;
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
    public static (JsonObject? Record, string Alias, string? Fault) Read(string text)
    {
        JsonNode? file;
        try
        {
            file = JsonNode.Parse(text, documentOptions: Strict);
        }
        catch (JsonException broken)
        {
            return (null, "", $"This is no JSON: line {broken.LineNumber + 1}, column {broken.BytePositionInLine + 1}.");
        }
        if (file is not JsonObject whole || whole["file"] is not JsonValue kind || !kind.TryGetValue<string>(out var called) || called != Kind) return (null, "", "This is no child’s record from Umbick.");
        if (whole["form"] is not JsonValue number || !number.TryGetValue<int>(out var form) || form is < 1 or > Form) return (null, "", "This record was written by a later version of Umbick, and cannot be read by this one.");
        if (whole["record"] is not JsonObject record) return (null, "", "The record is missing.");
        foreach (var table in RecordRows.Tables)
        {
            if (record[table] is not JsonArray rows) return (null, "", $"“{table}” is missing, or is no list.");
            if (rows.Any(row => row is not JsonObject)) return (null, "", $"“{table}” holds something that is no row.");
        }
        if (record["child"]!.AsArray() is not [JsonObject child]) return (null, "", "A record is of one child.");
        if (Named(child, "alias") is not { } alias || Casework.Alias.Fault(alias) is not null) return (null, "", "The child’s alias is missing, or is none.");
        var id = Named(child, "id");
        foreach (var table in RecordRows.Tables)
        {
            foreach (var row in record[table]!.AsArray().OfType<JsonObject>())
            {
                if (row.ContainsKey("child") && Named(row, "child") != id) return (null, "", $"A row of “{table}” belongs to another child.");
                if (table is "practice_set" or "decision" or "marginal" or "visit" or "demonstration_shown" && Named(row, "pattern") is { } pattern && Catalogue.Find(pattern) is null && !pattern.StartsWith("other-", StringComparison.Ordinal))
                    return (null, "", $"“{table}” names a pattern that Umbick does not know: {(pattern.Length > 40 ? pattern[..40] : pattern)}.");
            }
        }
        return (record, alias, null);
    }

    /// <summary>Takes a record in at a school, whole or not at all.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="model">The model, which has to be able to read it.</param>
    /// <param name="record">The record.</param>
    /// <param name="alias">The alias that the child has here.</param>
    /// <param name="by">Who does it.</param>
    /// <param name="now">The present.</param>
    /// <returns>The child, or what is wrong; then nothing was taken.</returns>
    public static async Task<(ChildId? Child, string? Fault)> TakeIn(SchoolConnection connection, ReadingModel model, JsonObject record, string alias, Guid by, DateTime now)
    {
        if (Casework.Alias.Fault(alias) is { } fault) return (null, fault);
        if ((await Children.ByAlias(connection, [alias])).Count > 0) return (null, $"“{alias}” is the alias of a child here. Give this child another.");
        await connection.ExecuteAsync("savepoint before_record");
        if (await RecordRows.Add(connection, record, alias) is not { } wrong)
        {
            var id = new ChildId(Guid.Parse(Named((JsonObject)record["child"]![0]!, "id")!));
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

    /// <summary>What cannot be read must not be kept: the pages of the child would break.</summary>
    private static async Task<bool> CanBeRead(SchoolConnection connection, ReadingModel model, ChildId id)
    {
        try
        {
            return await ChildRecord.Load(connection, model, id) is not null;
        }
        catch (Exception wrong) when (wrong is FormatException or InvalidOperationException or ArgumentException or KeyNotFoundException)
        {
            return false;
        }
    }

    private static string? Named(JsonObject row, string name) => row[name] is JsonValue value && value.TryGetValue<string>(out var text) ? text : null;
}
