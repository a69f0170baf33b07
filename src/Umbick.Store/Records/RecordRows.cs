using System.Text.Json.Nodes;

namespace Umbick.Store;

/// <summary>
/// Everything that is kept of one child, row by row as it stands: to be taken out whole, and taken in at another school. A table that holds
/// anything of a child has an entry here.
/// </summary>
public static class RecordRows
{
    private const string OfSittings = "(select id from sitting where child = @child)";
    private const string OfSets = "(select id from practice_set where child = @child)";
    private const string OfVisits = "(select visit from visit_child where child = @child)";
    private const string OfScreenings = "(select screening from sitting where child = @child and screening is not null)";

    // In the order in which they can be added: what a row names stands before it.
    internal static readonly IReadOnlyList<RecordPart> Parts =
    [
        new("child", "id = @child", "id") { Key = "id", Known = ["origin"] },
        new("screening", $"id in {OfScreenings}", "started_at") { Key = "id" },
        new("screening_item", $"screening in {OfScreenings}", "screening, place") { Names = { ["screening"] = "screening" } },
        new("visit", $"id in {OfVisits}", "started_at") { Key = "id", People = ["started_by"] },
        new("visit_child", "child = @child", "visit") { Names = { ["visit"] = "visit", ["child"] = "child" } },
        new("room_clock_reading", "child = @child", "said_at") { Key = "id", Names = { ["visit"] = "visit", ["child"] = "child" },
            People = ["noted_by"] },
        new("visit_note", "child = @child", "noted_at, note") { Names = { ["visit"] = "visit", ["child"] = "child" },
            People = ["noted_by"] },
        new("practice_set", "child = @child", "assigned_at") { Key = "id", Names = { ["child"] = "child" }, People = ["assigned_by"] },
        new("set_item", $"practice_set in {OfSets}", "practice_set, place") { Names = { ["practice_set"] = "practice_set" } },
        // Children who took turns at one clock share an id that no table has.
        new("sitting", "child = @child", "started_at, id") { Key = "id",
            Names = { ["child"] = "child", ["practice_set"] = "practice_set", ["screening"] = "screening" },
            Loose = { ["visit"] = "visit" } },
        new("asked_item", $"sitting in {OfSittings}", "sitting, place") { Names = { ["sitting"] = "sitting" } },
        new("answer", $"sitting in {OfSittings}", "seq") { Key = "id", Names = { ["sitting"] = "sitting", ["corrects"] = "answer" },
            People = ["given_by"] },
        new("prompt", $"sitting in {OfSittings}", "sitting, place") { Names = { ["sitting"] = "sitting" }, People = ["noted_by"] },
        new("marginal", $"sitting in {OfSittings}", "sitting, pattern") { Names = { ["sitting"] = "sitting" } },
        new("named_way", "child = @child", "step") { Names = { ["child"] = "child" }, People = ["named_by"] },
        new("demonstration_shown", "child = @child", "shown_at") { Key = "id", Names = { ["child"] = "child" }, People = ["shown_by"] },
        new("decision", "child = @child", "seq") { Key = "id", Names = { ["child"] = "child", ["after_sitting"] = "sitting" },
            People = ["decided_by", "taken_back_by"] },
        new("cycle", "child = @child", "began_on") { Key = "id", Names = { ["child"] = "child" }, People = ["begun_by", "ended_by"] },
        new("asked_after", "child = @child", "asked_on, about") { Names = { ["child"] = "child" }, People = ["asked_by"] },
        new("home_note", "child = @child", "told_on, day") { Names = { ["child"] = "child" }, People = ["noted_by"] },
        new("time_try", "child = @child", "tried_at, id") { Key = "id", Names = { ["child"] = "child" }, People = ["noted_by"],
            Since = 2 },
        new("report", "child = @child", "made_at") { Key = "id", Names = { ["child"] = "child" }, People = ["made_by"] },
        new("absence", "child = @child", "day") { Names = { ["child"] = "child" }, People = ["noted_by"] },
        new("slot_child", "child = @child", "slot") { Moves = false },
        new("keep_apart", "child = @child", "noted_at") { Moves = false },
        new("stand_in", "child = @child", "day") { Moves = false },
        new("sheet", $"sitting in {OfSittings}", "made_at") { Moves = false },
        new("device_code", $"sitting in {OfSittings}", "expires_at") { Moves = false },
        new("session", $"sitting in {OfSittings}", "started_at") { Moves = false },
        new("audit_entry", "child = @child", "id") { Moves = false },
    ];

    /// <summary>The names of the tables of a record.</summary>
    public static IReadOnlyList<string> Tables { get; } = [.. Parts.Select(part => part.Name)];

    /// <summary>Whether a record of this form may be without a table: the table came later.</summary>
    public static bool MayLack(string table, int form) => Parts.Any(part => part.Name == table && part.Since > form);

    /// <summary>
    /// The columns that a record leaves out: the school, which is told once, what opens something, who another child is, and to whom a
    /// device went back.
    /// </summary>
    public static IReadOnlyList<string> LeftOut { get; } = ["school", "hash", "other", "back_to", "back_stamp", "back_ends",
        "back_tries"];

    private static readonly string Without = string.Join(", ", LeftOut.Select(column => $"'{column}'"));

    /// <summary>All parts in one statement: a record has some thirty.</summary>
    private static readonly string Whole = $"select json_build_object({string.Join(", ", Parts.Select(part =>
        $"'{part.Name}', (select coalesce(jsonb_agg(to_jsonb(one) - array[{Without}] order by {part.Order}), '[]') "
        + $"from {part.Name} one "
        + $"where {part.Where})"))})::text";

    /// <summary>A child's rows, table by table; null where the school has no such child.</summary>
    public static async Task<JsonObject?> Load(SchoolConnection connection, ChildId child)
    {
        var record = JsonNode.Parse(await connection.QuerySingleAsync<string>(Whole, new { child = child.Value }))!.AsObject();
        return record["child"]!.AsArray().Count == 0 ? null : record;
    }

    /// <summary>The names of those whose ids stand in a record, as far as they are known.</summary>
    public static async Task<JsonObject> PeopleOf(SchoolConnection connection, JsonObject record)
    {
        var text = record.ToJsonString();
        return new JsonObject((await People.Names(connection)).Where(name => text.Contains(name.Key.ToString(), StringComparison.Ordinal))
            .Select(name => KeyValuePair.Create(name.Key.ToString(), (JsonNode?)name.Value)));
    }
}
