using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;

namespace Umbick.Casework.Tests;

/// <summary>
/// Files of a record that somebody made to do harm: each is refused whole, or adds a child of its own and touches nothing else.
/// </summary>
public sealed class HostileRecordTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private const int Files = 1000;

    private static readonly ReadingModel Model = new();

    private readonly HashSet<string> _refusals = [];
    private int _taken;

    /// <summary>
    /// What each of these did before every id was made new: it wrote into the record of a child who was there already, into a class's form,
    /// into a visit.
    /// </summary>
    [Theory]
    [InlineData("answer", "sitting", "A row of “answer” names a “sitting” that is not in the record.")]
    [InlineData("asked_item", "sitting", "A row of “asked_item” names a “sitting” that is not in the record.")]
    [InlineData("set_item", "practice_set", "A row of “set_item” names a “practice_set” that is not in the record.")]
    [InlineData("sitting", "practice_set", "A row of “sitting” names a “practice_set” that is not in the record.")]
    [InlineData("decision", "after_sitting", "A row of “decision” names a “sitting” that is not in the record.")]
    [InlineData("screening_item", "screening", "A row of “screening_item” names a “screening” that is not in the record.")]
    [InlineData("visit_child", "visit", "A row of “visit_child” names a “visit” that is not in the record.")]
    [InlineData("visit_child", "child", "A row of “visit_child” belongs to another child.")]
    [InlineData("visit_note", "child", "A row of “visit_note” belongs to another child.")]
    public async Task A_row_that_names_somebody_else_s_refuses_the_file(string table, string column, string told)
    {
        var (file, victim) = await Prepared();
        file["record"]![table]![0]![column] = (await Foreign(victim, column)).ToString();
        var before = await Everything();
        Assert.Equal(told, await TakeIn(file.ToJsonString(), "Skua"));
        Assert.Equal(before, await Everything());
    }

    [Fact]
    public async Task An_item_added_to_a_class_s_form_and_a_visit_that_others_came_to_become_the_child_s_own()
    {
        var (file, victim) = await Prepared();
        // The file says of a class and a visit of the other school that they were the child's.
        foreach (var (table, column) in new[] { ("screening", "screening"), ("visit", "visit") })
        {
            var (own, others) = (file["record"]![table]![0]!["id"]!.GetValue<string>(), await Foreign(victim, column));
            file = (JsonObject)JsonNode.Parse(file.ToJsonString().Replace(own, others.ToString(), StringComparison.OrdinalIgnoreCase))!;
        }
        file["record"]!["visit"]![0]!["ended_at"] = null;
        var before = await Everything("audit_entry");
        var rows = await Rows("screening_item", victim);
        Assert.Null(await TakeIn(file.ToJsonString(), "Shag"));
        Assert.Equal(rows, await Rows("screening_item", victim));
        // What was under way elsewhere is not under way here.
        Assert.Equal(0, await InB(connection =>
            connection.ExecuteScalarAsync<int>(
                "select count(*) from visit join visit_child on visit_child.visit = visit.id join child on child.id = visit_child.child "
                    + "where ended_at is null and alias = 'Shag'")));
        await Erase("Shag");
        Assert.Equal(before, await Everything("audit_entry"));
    }

    [Theory]
    [InlineData("\"alias\":", "\"alias\":\"Auk\",\"alias\":", "a name stands in it twice")]
    [InlineData("\"alias\":\"", "\"alias\":\"\\ud800", "half a sign")]
    [InlineData("\"added_at\":\"20", "\"added_at\":\"-20", "in “added_at”")]
    [InlineData("\"added_at\":\"20", "\"added_at\":\"infinity 20", "in “added_at”")]
    [InlineData("\"class_name\":\"", "\"class_name\":\"\\u0000", "in “class_name”")]
    [InlineData("\"class_name\":\"", "\"class_name\":\"\\udc00", "in “class_name”")]
    [InlineData("\"record\":{", "\"record\":{\"account\":[{\"id\":1}],", "something that no record has")]
    [InlineData("\"child\":[{", "\"child\":[{\"school\":\"00000000-0000-0000-0000-000000000001\",", "something that no record has")]
    [InlineData("\"settings\":{", "\"settings\":{\"a\":[[[[[[[[[[[[[[[[[]]]]]]]]]]]]]]]]],", "This is no JSON that can be read")]
    public async Task What_no_file_of_ours_has_is_told(string from, string to, string told)
    {
        var (file, _) = await Prepared();
        var text = file.ToJsonString();
        var at = text.IndexOf(from, StringComparison.Ordinal);
        Assert.True(at > 0, $"the file has no {from}");
        Assert.Contains(told, await TakeIn($"{text[..at]}{to}{text[(at + from.Length)..]}", "Auk"), StringComparison.Ordinal);
    }

    /// <summary>A small file can hold very many parts: they are counted before anything is kept of them.</summary>
    [Fact]
    public void Very_many_parts_are_refused_before_they_take_memory()
    {
        var file = Encoding.UTF8.GetBytes($"[{string.Join(',', Enumerable.Repeat("{}", 6_000_000))}]");
        var before = GC.GetAllocatedBytesForCurrentThread();
        Assert.Equal("This file holds more than the record of one child can.", ChildRecordFile.Read(file).Fault);
        Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, 1_000_000);
    }

    [Fact]
    public async Task A_thousand_files_changed_at_random_are_refused_or_touch_nobody_else()
    {
        var (file, victim) = await Prepared();
        var (text, random) = (file.ToJsonString(), new Random(23));
        Guid[] foreign = [victim.Value,
            .. await Task.WhenAll(new[] { "sitting", "practice_set", "screening", "visit" }.Select(column => Foreign(victim, column)))];
        var before = await Everything("audit_entry");
        for (var i = 0; i < Files; i++)
        {
            var changed = text;
            for (var change = random.Next(1, 4); change > 0; change--) changed = Changed(changed, random, foreign);
            changed = changed.Replace("half a sign", "\\ud83d", StringComparison.Ordinal);
            var alias = $"Odd {i}";
            if (await TakeIn(changed, alias) is { } fault)
            {
                _refusals.Add(fault);
            }
            else
            {
                _taken++;
                await Read(alias);
                await Erase(alias);
                Assert.True(before == await Everything("audit_entry"), $"file {i} changed rows of others: {changed}");
            }
            if (i % 100 == 99) Assert.True(before == await Everything("audit_entry"), $"a file up to {i} changed something");
        }
        TestContext.Current.TestOutputHelper?.WriteLine(
            $"{Files} files: {_taken} taken in as a child of their own, the others refused for {_refusals.Count} reasons; nothing of "
                + $"others changed.");
        Assert.InRange(_refusals.Count, 40, Files);
        Assert.InRange(_taken, 20, Files);
    }

    /// <summary>A change that somebody could make by hand or by chance.</summary>
    private static string Changed(string text, Random random, Guid[] foreign)
    {
        string[] values = ["null", "true", "-1", "0", "99999", "1e400", "2147483648", "\"\"", "\"infinity\"", "\"-infinity\"",
            "\"0044-03-15 BC\"", "\"0001-01-01\"", "\"9999-12-31T23:59:59Z\"", "\"2026-02-30\"", "[]", "{}",
            "[[[[[[[[[[[[[[[[[[]]]]]]]]]]]]]]]]]]", "\"half a sign\"", "\"\\u0000\"", "\"\\u202e٤:٢٠\"", $"\"{new string('x', 5_000)}\"",
            $"\"{foreign[random.Next(foreign.Length)]}\"", $"\"{Guid.NewGuid()}\""];
        if (random.Next(20) == 0) return Torn(text, random);
        if (Parsed(text) is not { } file || file["record"] is not JsonObject { Count: > 0 } record) return text;
        var (name, rows) = record.ElementAt(random.Next(record.Count));
        if (random.Next(25) == 0)
        {
            record[random.Next(2) == 0 ? "account" : name] = JsonNode.Parse(Whole(values[random.Next(values.Length)]));
            return file.ToJsonString();
        }
        if (rows is not JsonArray { Count: > 0 } list || list[random.Next(list.Count)] is not JsonObject { Count: > 0 } row) return text;
        var column = row.ElementAt(random.Next(row.Count)).Key;
        switch (random.Next(8))
        {
            case 0:
                list.Add(row.DeepClone());
                break;
            case 1:
                row.Remove(column);
                break;
            case 2:
                list.Remove(row);
                break;
            case 3:
                row["odd"] = 1;
                break;
            default:
                var mark = $"@{Guid.NewGuid():N}@";
                row[column] = mark;
                return file.ToJsonString().Replace($"\"{mark}\"", values[random.Next(values.Length)], StringComparison.Ordinal);
        }
        return file.ToJsonString();
    }

    /// <summary>A file that can be changed on; null where an earlier change has left none.</summary>
    private static JsonNode? Parsed(string text)
    {
        try
        {
            return JsonNode.Parse(text, documentOptions: new JsonDocumentOptions { MaxDepth = 64, AllowDuplicateProperties = false });
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static string Whole(string value) => value == "1e400" || value.Contains("[[[", StringComparison.Ordinal) ? "1" : value;

    private static string Torn(string text, Random random) => random.Next(3) switch
    {
        0 => text[..random.Next(text.Length)],
        1 => text.Insert(random.Next(text.Length), "\""),
        _ => text.Replace("\"form\":2", "\"form\":2,\"form\":2", StringComparison.Ordinal),
    };

    /// <summary>A record of school A as its file is, and a child of school B with a row in every table.</summary>
    private async Task<(JsonObject File, ChildId Victim)> Prepared()
    {
        var (child, _) = await RecordTests.Full(schools.App, schools.A);
        var (victim, _) = await RecordTests.Full(schools.App, schools.B);
        return ((JsonObject)JsonNode.Parse((await schools.InA(connection => ChildRecordFile.Write(connection, child, DateTime.UtcNow)))!)!,
            victim);
    }

    private Task<Guid> Foreign(ChildId victim, string column) => InB(connection => connection.QuerySingleAsync<Guid>(
        column switch
        {
            "child" => "select @victim",
            "practice_set" => "select id from practice_set where child = @victim limit 1",
            "screening" => "select screening from sitting where child = @victim and screening is not null limit 1",
            "visit" => "select visit from visit_child where child = @victim limit 1",
            _ => "select id from sitting where child = @victim limit 1",
        },
        new { victim = victim.Value }));

    private async Task<string?> TakeIn(string text, string alias)
    {
        var (record, _, fault) = ChildRecordFile.Read(Encoding.UTF8.GetBytes(text));
        return record is { } rows
            ? (await InB(connection => ChildRecordFile.Import(connection, Model, rows, alias, Guid.NewGuid(), DateTime.UtcNow))).Fault
            : fault;
    }

    /// <summary>What was taken in can be read as the pages read it, and be taken out again.</summary>
    private Task Read(string alias) => InB(async connection =>
    {
        var child = (await Children.ByAlias(connection, [alias]))[alias];
        var record = (await ChildRecord.Load(connection, Model, child))!;
        record.EvidenceOf(record.SummaryOn(new DateOnly(2026, 11, 30)));
        RecordEvent.From((await RecordRows.Load(connection, child))!, record.Child.Preferences.Wording);
        var file = await ChildRecordFile.Write(connection, child, DateTime.UtcNow);
        Assert.Null(ChildRecordFile.Read(Encoding.UTF8.GetBytes(file!)).Fault);
        return true;
    });

    private Task Erase(string alias) =>
        InB(async connection => Assert.True(await Children.Erase(connection, (await Children.ByAlias(connection, [alias]))[alias], alias)));

    private Task<string> Rows(string table, ChildId victim) => InB(connection => connection.QuerySingleAsync<string>(
        $"select coalesce(string_agg(one::text, ' ' order by one::text), '') from {table} one where screening in (select screening from "
            + $"sitting where child = @victim)", new { victim = victim.Value }));

    /// <summary>A hash of every row of the other school.</summary>
    private Task<string> Everything(params string[] except) => InB(async connection =>
    {
        var hashes = new List<string>();
        foreach (var table in RecordRows.Tables.Append("person").Except(except))
            hashes.Add($"{table} {await connection.QuerySingleAsync<string>($"select coalesce(md5(string_agg(one::text, '|' order by "
                + $"one::text)), '') from \"{table}\" one")}");
        return string.Join('\n', hashes);
    });

    private Task<T> InB<T>(Func<SchoolConnection, Task<T>> work) => schools.App.InSchool(schools.B, work);

    private Task InB(Func<SchoolConnection, Task> work) => schools.App.InSchool(schools.B, work);
}
