using System.Text.Json.Nodes;
using Npgsql;

namespace Umbick.Store;

/// <summary>
/// Everything that is kept of one child, row by row as it stands: to be taken out whole, and taken in at another school. A table that holds anything of a
/// child has an entry here.
/// </summary>
public static class RecordRows
{
    private const string OfSittings = "(select id from sitting where child = @child)";
    private const string OfSets = "(select id from practice_set where child = @child)";
    private const string OfVisits = "(select visit from visit_child where child = @child)";
    private const string OfScreenings = "(select screening from sitting where child = @child and screening is not null)";

    /// <summary>A table of the record.</summary>
    /// <param name="Name">Its name, in the file as in the database.</param>
    /// <param name="Where">Which of its rows are the child's.</param>
    /// <param name="Order">Their order.</param>
    /// <param name="Moves">Whether its rows go along to another school.</param>
    /// <param name="Shared">Whether other children's records may hold the same rows.</param>
    private sealed record Part(string Name, string Where, string Order, bool Moves = true, bool Shared = false);

    // In the order in which they can be added: what a row names stands before it.
    private static readonly Part[] Parts =
    [
        new("child", "id = @child", "id"),
        new("screening", $"id in {OfScreenings}", "started_at", Shared: true),
        new("screening_item", $"screening in {OfScreenings}", "screening, place", Shared: true),
        new("visit", $"id in {OfVisits}", "started_at", Shared: true),
        new("visit_child", "child = @child", "visit"),
        new("room_clock_reading", "child = @child", "said_at"),
        new("visit_note", "child = @child", "noted_at, note"),
        new("practice_set", "child = @child", "assigned_at"),
        new("set_item", $"practice_set in {OfSets}", "practice_set, place"),
        new("sitting", "child = @child", "started_at, id"),
        new("asked_item", $"sitting in {OfSittings}", "sitting, place"),
        new("answer", $"sitting in {OfSittings}", "seq"),
        new("prompt", $"sitting in {OfSittings}", "sitting, place"),
        new("marginal", $"sitting in {OfSittings}", "sitting, pattern"),
        new("named_way", "child = @child", "step"),
        new("demonstration_shown", "child = @child", "shown_at"),
        new("decision", "child = @child", "seq"),
        new("cycle", "child = @child", "began_on"),
        new("absence", "child = @child", "day"),
        new("slot_child", "child = @child", "slot", Moves: false),
        new("stand_in", "child = @child", "day", Moves: false),
        new("device_code", $"sitting in {OfSittings}", "expires_at", Moves: false),
        new("session", $"sitting in {OfSittings}", "started_at", Moves: false),
        new("audit_entry", "child = @child", "id", Moves: false),
    ];

    /// <summary>The names of the tables of a record.</summary>
    public static IReadOnlyList<string> Tables { get; } = [.. Parts.Select(part => part.Name)];

    /// <summary>The columns that a record leaves out: the school, which is told once, and what opens something.</summary>
    public static IReadOnlyList<string> LeftOut { get; } = ["school", "hash"];

    /// <summary>A child's rows, table by table; null where the school has no such child.</summary>
    public static async Task<JsonObject?> Of(SchoolConnection connection, ChildId child)
    {
        var record = new JsonObject();
        foreach (var part in Parts)
        {
            var rows = await connection.QuerySingleAsync<string>(
                $"select coalesce(jsonb_agg((to_jsonb(one) - 'school') - 'hash' order by {part.Order}), '[]')::text from {part.Name} one where {part.Where}", new { child = child.Value });
            record[part.Name] = JsonNode.Parse(rows);
        }
        return record["child"]!.AsArray().Count == 0 ? null : record;
    }

    /// <summary>The names of those whose ids stand in a record, as far as they are known.</summary>
    public static async Task<JsonObject> PeopleOf(SchoolConnection connection, JsonObject record)
    {
        var text = record.ToJsonString();
        return new JsonObject((await People.Names(connection)).Where(one => text.Contains(one.Key.ToString(), StringComparison.Ordinal)).Select(one => KeyValuePair.Create(one.Key.ToString(), (JsonNode?)one.Value)));
    }

    /// <summary>Adds a child's rows to the school that is set, under an alias that nobody there has.</summary>
    /// <returns>Why they cannot be added, in a sentence; null where they were. The transaction is to be rolled back to where it was then.</returns>
    public static async Task<string?> Add(SchoolConnection connection, JsonObject record, string alias)
    {
        try
        {
            await AddRows(connection, record, alias);
            return null;
        }
        catch (PostgresException wrong)
        {
            return wrong.SqlState == PostgresErrorCodes.UniqueViolation
                ? "This record is here already."
                : $"A row of “{wrong.TableName ?? "the record"}” is not as it has to be{(wrong.ColumnName is { } column ? $", in “{column}”" : "")}.";
        }
    }

    private static async Task AddRows(SchoolConnection connection, JsonObject record, string alias)
    {
        var taken = (JsonObject)record.DeepClone();
        taken["child"]![0]!["alias"] = alias;
        foreach (var part in Parts.Where(part => part.Moves))
        {
            var columns = (await connection.QueryAsync<string>(
                "select column_name::text from information_schema.columns where table_schema = 'public' and table_name = @Name and is_identity = 'NO' and column_name <> 'school' order by ordinal_position", new { part.Name })).ToList();
            var named = string.Join(", ", columns.Select(column => $"\"{column}\""));
            // A function's rows come in the order of its array, so that answers keep theirs.
            await connection.ExecuteAsync(
                $"insert into {part.Name} (school, {named}) select @school, {named} from jsonb_populate_recordset(null::{part.Name}, @rows::jsonb) as one {(part.Shared ? "on conflict do nothing" : "")}",
                new { school = connection.School, rows = (taken[part.Name] ?? new JsonArray()).ToJsonString() });
        }
    }
}
