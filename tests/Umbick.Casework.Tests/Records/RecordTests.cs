using System.Text.Json.Nodes;
using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;

namespace Umbick.Casework.Tests;

/// <summary>A child's record goes out whole, comes in at another school, and is erased whole.</summary>
public sealed class RecordTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();

    [Fact]
    public async Task A_record_has_every_table_and_column_that_holds_anything_of_a_child_and_the_schema_says_so()
    {
        // A table is of a child where it names one, or a sitting, a set or a visit of one; what is kept for speed alone is unlogged.
        var tables = await schools.InA(connection => connection.QueryAsync<string>(
            """
            select distinct table_name::text from information_schema.columns
            where table_schema = 'public' and (column_name in ('child', 'sitting', 'practice_set', 'visit')
              or table_name in ('child', 'visit', 'screening', 'screening_item'))
              and exists (select from pg_class where oid = quote_ident(table_name)::regclass and relpersistence = 'p')
            """));
        Assert.Equal(tables.Order(StringComparer.Ordinal), RecordRows.Tables.Order(StringComparer.Ordinal));

        var root = Environment.GetEnvironmentVariable("UMBICK_ROOT")!;
        var schema = JsonNode.Parse(
            await File.ReadAllTextAsync(Path.Combine(root, "src/Umbick.Web/wwwroot/child-record.schema.json"),
                TestContext.Current.CancellationToken))!;
        var parts = schema["properties"]!["record"]!["properties"]!.AsObject();
        Assert.Equal(RecordRows.Tables, parts.Select(part => part.Key));
        foreach (var table in RecordRows.Tables)
        {
            var columns = await schools.InA(connection => connection.QueryAsync<string>(
                "select column_name::text from information_schema.columns where table_schema = 'public' and table_name = @table order by "
                    + "ordinal_position", new { table }));
            Assert.Equal(columns.Except(RecordRows.LeftOut),
                parts[table]!["items"]!["properties"]!.AsObject().Select(column => column.Key));
        }
    }

    [Fact]
    public async Task A_record_is_as_its_published_schema_has_it()
    {
        var (child, _) = await Full();
        var (root, file) = (Environment.GetEnvironmentVariable("UMBICK_ROOT")!,
            Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.json"));
        await File.WriteAllTextAsync(file, await schools.InA(connection => ChildRecordFile.Write(connection, child, DateTime.UtcNow)),
            TestContext.Current.CancellationToken);
        using var checking = System.Diagnostics.Process.Start(new System.Diagnostics.ProcessStartInfo(
            "node", [Path.Combine(root, "tests/scripts/check-record.mjs"),
                Path.Combine(root, "src/Umbick.Web/wwwroot/child-record.schema.json"), file])
        { RedirectStandardError = true })!;
        var told = await checking.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        await checking.WaitForExitAsync(TestContext.Current.CancellationToken);
        File.Delete(file);
        Assert.True(checking.ExitCode == 0, told);
    }

    [Fact]
    public async Task A_record_that_moves_is_the_same_at_the_other_school_and_moves_once()
    {
        var (child, _) = await Full();
        var file = (await schools.InA(connection => ChildRecordFile.Write(connection, child, DateTime.UtcNow)))!;
        var (record, alias, fault) = ChildRecordFile.Read(Bytes(file));
        Assert.Null(fault);
        var other = $"Knot {Guid.NewGuid():N}"[..14];
        var (taken, wrong) = await TakeIn(record!.Value, other);
        Assert.Null(wrong);
        // Every id is made new: what was here before is named by nothing of it.
        Assert.NotEqual(child, taken);

        var (here, there) = (await Loaded(schools.A, child), await Loaded(schools.B, taken!.Value));
        Assert.Equal(here.Answers, there.Answers);
        Assert.Equal(here.Now.Findings.Select(finding => (finding.Pattern.Id, finding.Belief)),
            there.Now.Findings.Select(finding => (finding.Pattern.Id, finding.Belief)));
        Assert.Equal(here.Sets.Select(set => set.Pattern?.Id), there.Sets.Select(set => set.Pattern?.Id));
        Assert.Equal(here.Work.Decisions.Select(decision => (decision.Pattern, decision.Kind)),
            there.Work.Decisions.Select(decision => (decision.Pattern, decision.Kind)));
        Assert.Equal((alias, other), (here.Child.Alias, there.Child.Alias));

        // What does not go along is the week's places and who opened it; all else is row for row the same, but for ids and what is computed
        // again.
        var (moved, kept) = ((JsonObject)JsonNode.Parse(file)!["record"]!,
            await schools.App.InSchool(schools.B, connection => RecordRows.Load(connection, taken.Value)));
        foreach (var table in RecordRows.Tables
            .Except(["child", "slot_child", "keep_apart", "stand_in", "sheet", "device_code", "session", "audit_entry"]))
            Assert.Equal(Plain(moved[table]!), Plain(kept![table]!));

        // Once, under whatever alias; also what comes back from there, and what is taken in where it was begun.
        var back = ChildRecordFile.Read(
            Bytes(await schools.App.InSchool(schools.B,
                connection => ChildRecordFile.Write(connection, taken.Value, DateTime.UtcNow)))).Record!.Value;
        foreach (var (school, again) in new[] { (schools.B, record!.Value), (schools.B, back), (schools.A, record.Value),
            (schools.A, back) })
            Assert.Equal((null, "This record is here already."), await TakeIn(again, $"Another {Guid.NewGuid():N}"[..16], school));
    }

    /// <summary>What was taken out by an earlier version has no table that came later, and is read for ever.</summary>
    [Theory]
    [InlineData(1, null)]
    [InlineData(2, "“time_try” is missing, or is no list.")]
    public async Task A_record_of_an_earlier_form_is_taken_in_without_what_came_later(int form, string? told)
    {
        var (child, _) = await Full();
        var whole = JsonNode.Parse((await schools.InA(connection => ChildRecordFile.Write(connection, child, DateTime.UtcNow)))!)!;
        whole["form"] = form;
        whole["record"]!.AsObject().Remove("time_try");
        var (record, _, fault) = ChildRecordFile.Read(Bytes(whole.ToJsonString()));
        Assert.Equal(told, fault);
        if (record is { } rows) Assert.Null((await TakeIn(rows, $"Early {Guid.NewGuid():N}"[..16])).Fault);
    }

    [Theory]
    [InlineData("{", "This is no JSON that can be read: line 1, column 2.")]
    [InlineData("[]", "This is no child’s record from Umbick.")]
    [InlineData("{\"file\":\"umbick-child-record\",\"form\":3}",
        "This record was written by a later version of Umbick, and cannot be read by this one.")]
    [InlineData("{\"file\":\"umbick-child-record\",\"form\":1}", "The record is missing.")]
    [InlineData("{\"file\":\"umbick-child-record\",\"form\":1,\"record\":{\"child\":5}}", "“child” is missing, or is no list.")]
    public void What_is_no_record_is_told(string text, string told) => Assert.Equal(told, ChildRecordFile.Read(Bytes(text)).Fault);

    [Theory]
    [InlineData("child", "alias", "\"\"", "The child’s alias is missing, or is none.")]
    [InlineData("decision", "pattern", "\"no-pattern\"", "“decision” names a pattern that Umbick does not know: no-pattern.")]
    [InlineData("decision", "child", "\"9a1e0000-0000-7000-8000-000000000001\"", "A row of “decision” belongs to another child.")]
    [InlineData("sitting", "kind", "\"dream\"", "A row of “sitting” is not as it has to be.")]
    [InlineData("sitting", "started_at", "\"soon\"", "A row of “sitting” is not as it has to be, in “started_at”.")]
    [InlineData("sitting", "ended_at", "\"infinity\"", "A row of “sitting” is not as it has to be, in “ended_at”.")]
    [InlineData("child", "keep_until", "\"0001-01-01\"", "A row of “child” is not as it has to be, in “keep_until”.")]
    [InlineData("answer", "raw", "null", "A row of “answer” is not as it has to be, in “raw”.")]
    [InlineData("child", "stage", "99", "A row of “child” is not as it has to be.")]
    public async Task A_record_that_was_changed_is_told_and_nothing_of_it_is_taken(string table, string column, string value, string told)
    {
        var (child, _) = await Full();
        var whole = JsonNode.Parse((await schools.InA(connection => ChildRecordFile.Write(connection, child, DateTime.UtcNow)))!)!;
        whole["record"]![table]![0]![column] = JsonNode.Parse(value);
        var (record, alias, fault) = ChildRecordFile.Read(Bytes(whole.ToJsonString()));
        if (record is { } rows) (_, fault) = await TakeIn(rows, $"{alias[..8]} {Guid.NewGuid():N}"[..16]);
        Assert.Equal(told, fault);
        Assert.Equal(0, await schools.App.InSchool(schools.B,
            connection => connection.ExecuteScalarAsync<int>("select count(*) from child where origin = @child", new { child })));
    }

    [Fact]
    public async Task An_erased_record_leaves_nothing_anywhere()
    {
        await using var database = await OwnDatabase.Make();
        await using var source = Npgsql.NpgsqlDataSource.Create(database.Owner);
        var owner = new Database(source);
        var school = Guid.NewGuid();
        await owner.InSchool(school, connection => Schools.Add(connection, new School(school, "Skerry")));
        var (child, others) = await Full(owner, school);
        var alias = (await owner.InSchool(school, connection => Children.Listed(connection, child)))!.Alias;
        Assert.Contains(child.ToString()!, string.Join('\n', (await database.Rows()).Values), StringComparison.Ordinal);

        Assert.False(await owner.InSchool(school, connection => Children.Erase(connection, child, alias.ToUpperInvariant())));
        Assert.True(await owner.InSchool(school, connection => Children.Erase(connection, child, alias)));
        var rows = await database.Rows();
        foreach (var (table, text) in rows)
        {
            Assert.False(text.Contains(alias, StringComparison.Ordinal), $"{table} still has the alias");
            Assert.False(text.Contains(child.ToString()!, StringComparison.Ordinal), $"{table} still has the id");
            Assert.Equal(table == "erasure",
                text.Contains(Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(Bytes(child.ToString()))),
                    StringComparison.Ordinal));
        }
        foreach (var table in RecordRows.Tables.Except(["screening", "screening_item", "visit", "visit_child", "audit_entry", "child",
            "sitting", "asked_item", "answer", "marginal"]))
            Assert.True(rows[table].Length == 0
                || table is "practice_set" or "set_item" or "room_clock_reading" or "visit_note" or "prompt", $"{table}: {rows[table]}");
        // Who came to the same visit has lost nothing, and that somebody opened a record is still told, without whose.
        Assert.All(await owner.InSchool(school, connection => Children.ByIds(connection, others)),
            other => Assert.True(other.Sittings > 0));
        Assert.Equal(["opened-record"], await database.Ask<string>("select what from audit_entry where child is null"));
    }

    /// <summary>
    /// A day that the database no longer takes, as one had come in by a file, broke every page of its child, erasing too.
    /// </summary>
    [Fact]
    public async Task A_record_that_cannot_be_read_can_be_erased()
    {
        await using var database = await OwnDatabase.Make();
        await using var source = Npgsql.NpgsqlDataSource.Create(database.Owner);
        var (owner, school) = (new Database(source), Guid.NewGuid());
        await owner.InSchool(school, connection => Schools.Add(connection, new School(school, "Skerry")));
        var (child, _) = await Full(owner, school);
        await database.Ask<int>("alter table child drop constraint child_keep_until_within_years");
        await database.Ask<int>("update child set keep_until = '0044-03-15 BC'");
        await Assert.ThrowsAnyAsync<Exception>(() => owner.InSchool(school, connection => Children.Listed(connection, child)));
        await owner.InSchool(school, async connection =>
        {
            var alias = await Children.AliasOf(connection, child);
            Assert.True(await Children.Erase(connection, child, alias!));
        });
        Assert.Empty(await database.Ask<Guid>($"select id from child where id = '{child}'"));
    }

    /// <summary>A child with a row in every table of a record, and another who came to the same visit.</summary>
    private Task<(ChildId Child, ChildId[] Others)> Full() => Full(schools.App, schools.A);

    internal static async Task<(ChildId Child, ChildId[] Others)> Full(Database database, SchoolId school)
    {
        var (child, other, by) = (new ChildId(Guid.NewGuid()), new ChildId(Guid.NewGuid()), Guid.NewGuid());
        var (asking, practising, deciding) =
            (new Asking(Model, TimeProvider.System), new Practising(Model, TimeProvider.System), new Deciding(Model, TimeProvider.System));
        var visiting = new Visiting(Model, asking, practising, TimeProvider.System);
        await database.InSchool(school, async connection =>
        {
            foreach (var (id, alias) in new[] { (child, "Fennel"), (other, "Plover") })
                await Children.Add(connection, new Child(id, $"{alias} {id.Value:N}"[..20], Stage.FiveMinutesTo), DateTime.UtcNow);
            var sitting = (await asking.Start(connection, child))!.Value;
            await asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), 1, "4:12", AnswerMode.Said, null), by);
            await asking.Stop(connection, sitting);
            await practising.Assign(connection, (await ChildRecord.Load(connection, Model, child))!, Catalogue.Find("next-hour"),
                new SetChoices(), by);
            await NamedWays.Name(connection, child, Step.Minutes, "counts in threes", by, DateTime.UtcNow);
            await Demonstrated.Keep(connection, Guid.NewGuid(), child, "next-hour", "has-it-arrived", by, DateTime.UtcNow);
            await AskedAfter.Note(connection, child, "hearing", new DateOnly(2026, 3, 2), holds: true, by, DateTime.UtcNow);
            await Codes.Make(connection, sitting, DateTime.UtcNow);
            await Sheets.For(connection, [sitting], DateTime.UtcNow);
            await HomeNotes.Note(connection, child, new DateOnly(2026, 3, 2), 2, "with-help", by, DateTime.UtcNow);
            await TimeTries.Keep(connection, Guid.NewGuid(), child, "a-minute", new(40, 60), new(52.5, 60), by, DateTime.UtcNow);
            await GroupRows.KeepApart(connection, child, other, apart: true, by, DateTime.UtcNow);
            await GroupRows.ChooseMinutes(connection, child, 36);
            await Reports.Keep(connection, new KeptReport { Id = Guid.NewGuid(), Child = child, Kind = "lead", MadeOn = new(2026, 3, 2) },
                "test", by, DateTime.UtcNow);
            await Sessions.BeginOfChild(connection, Guid.NewGuid(), sitting, DateTime.UtcNow, DateTime.UtcNow.AddHours(2));
            await deciding.Say(connection, Guid.NewGuid(), child, Catalogue.Find("next-hour")!, holds: true, "seen at the board",
                (await ChildRecord.Load(connection, Model, child))!.Source, by);
            await deciding.BeginCycle(connection, Guid.NewGuid(), child, 8, 10, "class screening", by);
            var slot = Guid.NewGuid();
            await Timetables.AddSlot(connection, new Slot(slot, DayOfWeek.Monday, new TimeOnly(9, 40), 12, [child.Value]));
            await Timetables.NoteAbsence(connection, child, new DateOnly(2026, 3, 2), absent: true, by, DateTime.UtcNow);
            await Timetables.NoteStandIn(connection, new StandIn(slot, new DateOnly(2026, 3, 9), child.Value), comes: true, by,
                DateTime.UtcNow);
            await new ClassScreening(Model, TimeProvider.System).Start(connection, "Class", Stage.OClock,
                [(await Children.Listed(connection, child))!.Alias]);
            await Visit(connection, visiting, [child, other], by);
            await Audit.NoteOpened(connection, by, child, DateTime.UtcNow);
        });
        return (child, [other]);
    }

    private static async Task Visit(SchoolConnection connection, Visiting visiting, ChildId[] children, PersonId by)
    {
        var visit = Guid.NewGuid();
        // What is waiting keeps a child from no visit; what is under way would.
        await visiting.Begin(connection, visit, Catalogue.Find("next-hour")!, children, null, by);
        await visiting.Note(connection, visit, children[0], VisitNote.All[0], holds: true, by);
        foreach (var child in children)
        {
            await Say(child, VisitPart.Room, 1);
            for (var place = 1; place <= ColdStart.Telling + 1; place++) await Say(child, VisitPart.Cold, place);
        }
        await visiting.GoOn(connection, visit, VisitPart.Show, 1, null, by);
        foreach (var child in children) await Say(child, VisitPart.Practise, 1);
        await visiting.NoteRung(connection, visit, children[0], 1, Rung.Waited, by);
        await visiting.Stop(connection, visit);

        Task<AnswerOutcome> Say(ChildId child, VisitPart part, int place) =>
            visiting.Answer(connection, visit, child, part, new Submission(Guid.NewGuid(), place, "4:00", AnswerMode.Said, null), by);
    }

    private static byte[] Bytes(string? text) => System.Text.Encoding.UTF8.GetBytes(text!);

    private Task<(ChildId? Child, string? Fault)> TakeIn(System.Text.Json.JsonElement record, string alias, SchoolId? school = null) =>
        schools.App.InSchool(school ?? schools.B,
            connection => ChildRecordFile.Import(connection, Model, record, alias, Guid.NewGuid(), DateTime.UtcNow));

    private async Task<ChildRecord> Loaded(SchoolId school, ChildId child) =>
        (await schools.App.InSchool(school, connection => ChildRecord.Load(connection, Model, child)))!;

    /// <summary>Rows without the numbers and ids that a database gives of its own, and without what is computed from them.</summary>
    private static string Plain(JsonNode rows)
    {
        foreach (var row in rows.AsArray().OfType<JsonObject>())
        {
            foreach (var column in new[] { "seq", "concluded_from", "outcomes", "outcomes_from" }) row.Remove(column);
            foreach (var id in row.Where(value => value.Value is JsonValue text && text.TryGetValue<Guid>(out _)).Select(value => value.Key)
                .ToList()) row[id] = "an id";
        }
        return string.Join('\n', rows.AsArray().Select(row => row!.ToJsonString()).Order(StringComparer.Ordinal));
    }
}
