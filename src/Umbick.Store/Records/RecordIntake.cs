using System.Buffers;
using System.Globalization;
using System.Text;
using System.Text.Json;
using Npgsql;
using Umbick.Core.Timetabling;

namespace Umbick.Store;

/// <summary>
/// Takes a child's rows in from a file. Every id is made new: a row can name nothing but another row of the same file, so whatever the file
/// holds, no row of another child, of a class or of a visit is touched. A visit or a class's form that others shared becomes the child's
/// own copy.
/// </summary>
public sealed class RecordIntake
{
    /// <summary>The longest text in a row, in letters; and the longest value with parts of its own, in bytes.</summary>
    private const int LongestText = 2_000, LongestValue = 20_000;

    // What was computed from the numbers that the other database gave its answers; it is computed again.
    private static readonly string[] Reckoned = ["concluded_from", "outcomes", "outcomes_from"];

    private readonly Dictionary<(string Table, string Id), Guid> _ids = [];
    private readonly SchoolConnection _connection;
    private readonly JsonElement _record;
    private readonly string _alias;
    private readonly DateTime _now;

    private RecordIntake(SchoolConnection connection, JsonElement record, string alias, DateTime now) =>
        (_connection, _record, _alias, _now) = (connection, record, alias, now);

    /// <summary>Adds a child's rows to the school that is set, under an alias that nobody there has.</summary>
    /// <param name="connection">The school. Where something is wrong, the transaction is to be rolled back to where it was.</param>
    /// <param name="record">The record: a list of rows for each of its tables, one child.</param>
    /// <param name="alias">The alias that the child has here.</param>
    /// <param name="now">The present.</param>
    /// <returns>The child, or what is wrong, in a sentence.</returns>
    public static async Task<(ChildId? Child, string? Fault)> Add(
        SchoolConnection connection, JsonElement record, string alias, DateTime now)
    {
        try
        {
            return (await new RecordIntake(connection, record, alias, now).Add(), null);
        }
        catch (WrongRowException wrong)
        {
            return (null, wrong.Message);
        }
        catch (PostgresException wrong) when (wrong.SqlState == PostgresErrorCodes.UniqueViolation
            && wrong.ConstraintName == "child_by_origin")
        {
            return (null, HereAlready);
        }
        catch (PostgresException wrong)
        {
            return (null, Wrong(wrong.TableName ?? "the record", wrong.ColumnName));
        }
    }

    private const string HereAlready = "This record is here already.";

    private async Task<ChildId> Add()
    {
        var child = _record.GetProperty("child")[0];
        var (own, origin) = (IdIn("child", child, "id")!.Value, IdIn("child", child, "origin"));
        if (await _connection.ExecuteScalarAsync<bool>("select exists (select from child where id = any(@ids) or origin = any(@ids))",
            new { ids = new[] { own, origin ?? own } }))
            throw new WrongRowException(HereAlready);
        var columns = await Columns();
        // Every id is known before a row is looked at: a correction may stand before what it puts right.
        foreach (var part in RecordRows.Parts.Where(part => part.Key is not null && part.Moves))
            foreach (var row in RowsOf(part))
                if (!_ids.TryAdd((part.Name,
                    IdIn(part.Name, row, part.Key!)?.ToString() ?? throw new WrongRowException(Wrong(part.Name, part.Key))),
                        Guid.CreateVersion7()))
                    throw new WrongRowException($"Two rows of “{part.Name}” have the same id.");
        foreach (var part in RecordRows.Parts) await AddRows(part, columns, origin ?? own);
        return new ChildId(_ids[("child", own.ToString())]);
    }

    private async Task AddRows(RecordPart part, ILookup<string, Column> columns, ChildId origin)
    {
        var rows = new ArrayBufferWriter<byte>();
        var known = columns[part.Name].ToDictionary(column => column.Name);
        using (var writer = new Utf8JsonWriter(rows))
        {
            writer.WriteStartArray();
            foreach (var row in RowsOf(part)) WriteRow(writer, part, row, known, origin);
            writer.WriteEndArray();
        }
        if (!part.Moves) return;
        var named = string.Join(", ", known.Values.Where(column => !column.IsNumbered).Select(column => $"\"{column.Name}\""));
        // A function's rows come in the order of its array, so that answers keep theirs.
        await _connection.ExecuteAsync(
            $"insert into {part.Name} (school, {named}) select @school, {named} from jsonb_populate_recordset(null::{part.Name}, "
                + $"@rows::jsonb)",
            new { school = _connection.School, rows = Encoding.UTF8.GetString(rows.WrittenSpan) });
    }

    /// <summary>The rows of a table; none where the record is older than the table.</summary>
    private JsonElement.ArrayEnumerator RowsOf(RecordPart part) =>
        _record.TryGetProperty(part.Name, out var rows) ? rows.EnumerateArray() : default;

    private void WriteRow(Utf8JsonWriter writer, RecordPart part, JsonElement row, Dictionary<string, Column> known, ChildId origin)
    {
        writer.WriteStartObject();
        foreach (var value in row.EnumerateObject())
        {
            if (NameOf(value) is not { } name || !known.TryGetValue(name, out var column))
                throw new WrongRowException($"A row of “{part.Name}” has something that no record has.");
            if (value.Value.ValueKind != JsonValueKind.Null && !IsOf(column.Type, value.Value))
                throw new WrongRowException(Wrong(part.Name, column.Name));
            if (value.Value.ValueKind == JsonValueKind.Null || Reckoned.Contains(column.Name) || column.Name is "alias" or "origin")
                continue;
            writer.WritePropertyName(column.Name);
            if (column.Type == "uuid" && part.Moves)
                writer.WriteStringValue(NewId(part, column.Name, IdIn(part.Name, row, column.Name)!.Value));
            else value.Value.WriteTo(writer);
        }
        if (part.Name == "child")
        {
            writer.WriteString("alias", _alias);
            writer.WriteString("origin", origin.Value);
        }
        // What is under way at another school is not under way here.
        if (IsUnset(row, "ended_at") && (part.Name == "visit" || (part.Name == "sitting" && !IsUnset(row, "visit"))))
            writer.WriteString("ended_at", _now);
        writer.WriteEndObject();
    }

    private Guid NewId(RecordPart part, string column, Guid id)
    {
        if (part.Known.Contains(column)) return id;
        if (column == part.Key) return _ids[(part.Name, id.ToString())];
        if (part.Names.TryGetValue(column, out var table))
            return _ids.TryGetValue((table, id.ToString()), out var named) ? named
                : throw new WrongRowException($"A row of “{part.Name}” names a “{table}” that is not in the record.");
        // Nobody who works here did what was done elsewhere.
        var kind = part.Loose.TryGetValue(column, out var loose) ? loose
            : part.People.Contains(column) ? "person"
            : throw new InvalidOperationException($"{part.Name}.{column} is no key, and names nothing.");
        if (_ids.TryGetValue((kind, id.ToString()), out var made)) return made;
        return _ids[(kind, id.ToString())] = Guid.CreateVersion7();
    }

    private async Task<ILookup<string, Column>> Columns() => (await _connection.QueryAsync<Column>(
        """
        select table_name::text as table_name, column_name::text as name, data_type::text as type, is_identity = 'YES' as is_numbered
          from information_schema.columns
        where table_schema = 'public' and table_name = any(@tables) and column_name <> all(@leftOut) order by ordinal_position
        """,
        new { tables = RecordRows.Tables.ToArray(), leftOut = RecordRows.LeftOut.ToArray() })).ToLookup(column => column.TableName);

    private static bool IsOf(string type, JsonElement value) => type switch
    {
        "uuid" => TextIn(value) is not null && value.TryGetGuid(out _),
        "smallint" => value.ValueKind == JsonValueKind.Number && value.TryGetInt16(out _),
        "integer" => value.ValueKind == JsonValueKind.Number && value.TryGetInt32(out _),
        "bigint" => value.ValueKind == JsonValueKind.Number && value.TryGetInt64(out _),
        "real" or "double precision" =>
            value.ValueKind == JsonValueKind.Number && value.TryGetDouble(out var number) && double.IsFinite(number)
                && Math.Abs(number) < 1e9,
        "boolean" => value.ValueKind is JsonValueKind.True or JsonValueKind.False,
        "date" => TextIn(value) is { } text
            && DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            && SchoolYears.Hold(day),
        "timestamp with time zone" => TextIn(value) is not null && value.TryGetDateTimeOffset(out var moment)
            && SchoolYears.Hold(moment.UtcDateTime),
        "text" => TextIn(value) is { Length: <= LongestText },
        _ => IsPlain(value) && Encoding.UTF8.GetByteCount(value.GetRawText()) <= LongestValue,
    };

    /// <summary>Whether each text in a value is one that can be kept.</summary>
    private static bool IsPlain(JsonElement value) => value.ValueKind switch
    {
        JsonValueKind.String => TextIn(value) is not null,
        JsonValueKind.Array => value.EnumerateArray().All(IsPlain),
        JsonValueKind.Object => value.EnumerateObject().All(property => NameOf(property) is not null && IsPlain(property.Value)),
        _ => true,
    };

    /// <summary>A text; null where it is none, or cannot be kept: half a sign, or the sign of number nought.</summary>
    private static string? TextIn(JsonElement value) => value.ValueKind == JsonValueKind.String ? Kept(() => value.GetString()) : null;

    private static string? NameOf(JsonProperty property) => Kept(() => property.Name);

    private static string? Kept(Func<string?> read)
    {
        try
        {
            return read() is { } text && !text.Contains('\0', StringComparison.Ordinal) ? text : null;
        }
        catch (InvalidOperationException)
        {
            return null;
        }
    }

    private static Guid? IdIn(string table, JsonElement row, string column)
    {
        if (IsUnset(row, column)) return null;
        var value = row.GetProperty(column);
        return TextIn(value) is not null && value.TryGetGuid(out var id) ? id : throw new WrongRowException(Wrong(table, column));
    }

    private static bool IsUnset(JsonElement row, string column) => !row.TryGetProperty(column, out var value)
        || value.ValueKind == JsonValueKind.Null;

    private static string Wrong(string table, string? column) =>
        $"A row of “{table}” is not as it has to be{(column is null ? "" : $", in “{column}”")}.";

    private sealed record Column(string TableName, string Name, string Type, bool IsNumbered);

    /// <summary>A row that cannot be taken in, with what is told of it.</summary>
    private sealed class WrongRowException(string message) : Exception(message);
}
