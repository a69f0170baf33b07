using Umbick.Core.Teaching;
using Umbick.Core.Practice;
using Umbick.Core.Patterns;
using Dapper;
using Npgsql;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;

namespace Umbick.Store.Tests;

/// <summary>What the site's role can see and do, whatever a query forgets.</summary>
public sealed class IsolationTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly string[] SchoolTables = ["school", "person", "child", "practice_set", "set_item", "sitting", "asked_item",
        "answer", "marginal", "screening", "screening_item", "device_code", "named_way", "demonstration_shown", "visit", "visit_child",
        "room_clock_reading", "visit_note", "prompt", "class_teaching", "holiday", "slot", "slot_child", "barred_time", "absence",
        "stand_in", "decision", "cycle", "session", "invitation", "audit_entry", "home_address", "erasure",
        "replay_point", "sitting_so_far", "asked_after", "sheet", "home_note",
        "home_language", "keep_apart", "groups_kept", "calendar_address", "report", "pin",
        "commit_mark", "sent_file", "training", "time_try", "day_moment"];

    [Fact]
    public async Task Every_table_has_row_security_enabled_and_forced_and_the_site_owns_none()
    {
        var tables = await schools.App.BeforeSchool(connection =>
            connection.QueryAsync<(string Name, bool Enabled, bool Forced, string Owner)>(
            """
            select relname::text, relrowsecurity, relforcerowsecurity, pg_get_userbyid(relowner)::text from pg_class
            where relnamespace = 'public'::regnamespace and relkind = 'r' and relname <> 'schemaversions'
            """));
        Assert.Equal(SchoolTables.Concat(["account", "backup_made", "data_protection_key", "door_try", "ready_probe"]).Order(),
            tables.Select(table => table.Name).Order());
        Assert.All(tables, table => Assert.True(table is { Enabled: true, Forced: true, Owner: "umbick_owner" }, table.Name));
    }

    [Fact]
    public async Task Without_a_school_no_row_of_any_table_is_seen()
    {
        await Fill(schools.A);
        foreach (var table in SchoolTables.Append("account"))
            Assert.Equal(0, await schools.App.BeforeSchool(connection =>
                connection.ExecuteScalarAsync<int>($"select count(*) from {table}")));
        await Refused("select * from data_protection_key");
        await Refused("select * from schemaversions");
        await Refused("select new_mark()");
        Assert.Equal(0, await schools.App.BeforeSchool(connection =>
            connection.ExecuteScalarAsync<int>(
                "select count(*) from information_schema.role_table_grants where table_name = 'code_try' and grantee = 'umbick_app'")));
    }

    [Fact]
    public async Task With_one_school_set_a_forgotten_where_shows_none_of_another()
    {
        await Fill(schools.A);
        await Fill(schools.B);
        foreach (var table in SchoolTables)
        {
            var column = table == "school" ? "id" : "school";
            var seen = await schools.InA(connection => connection.QueryAsync<Guid>($"select distinct {column} from {table}"));
            Assert.Equal([schools.A], seen);
        }
    }

    /// <summary>An account is seen where it works, and can be changed nowhere else.</summary>
    [Fact]
    public async Task An_account_is_seen_and_changed_only_at_the_schools_where_it_works()
    {
        var names = await schools.InA(connection => connection.QueryAsync<string>("select user_name from account"));
        Assert.Equal([$"teacher@{schools.A:N}.example"], names);
        Assert.Equal(1, await schools.InA(connection => connection.ExecuteAsync("update account set changes = changes + 1")));
        await Refused("update account set normalized_user_name = 'X'");
        await Refused("delete from account");
        await Refused("delete from person");
        await Refused("insert into backup_made (made_at, file_name, bytes) values (now(), 'x', 1)");
        await Refused("update audit_entry set what = 'nothing'");
        await Refused("delete from audit_entry");
    }

    [Fact]
    public async Task A_connection_from_the_pool_forgets_its_school()
    {
        await Fill(schools.A);
        // Also where the driver resets nothing as a connection goes back: the transaction itself sets the school for its own length.
        var settings = new NpgsqlConnectionStringBuilder(Environment.GetEnvironmentVariable("UMBICK_APP"))
        {
            MaxPoolSize = 1,
            NoResetOnClose = true
        };
        await using var source = NpgsqlDataSource.Create(settings);
        var database = new Database(source);
        Assert.NotEqual(0, await database.InSchool(schools.A,
            connection => connection.ExecuteScalarAsync<int>("select count(*) from child")));
        Assert.Equal(0, await database.BeforeSchool(connection => connection.ExecuteScalarAsync<int>("select count(*) from child")));
        Assert.Equal(0, await database.InSchool(Guid.NewGuid(),
            connection => connection.ExecuteScalarAsync<int>("select count(*) from child")));
        // Whoever has the connection next finds nothing of whoever had it: no setting, no lock, no table, no channel.
        Assert.Equal(0, await database.BeforeSchool(connection => connection.ExecuteScalarAsync<int>(
            """
            select (select count(*) from pg_settings where source = 'session')
              + (select count(*) from pg_locks where pid = pg_backend_pid() and locktype = 'advisory')
              + (select count(*) from pg_class where relpersistence = 't' and pg_table_is_visible(oid))
              + (select count(*) from pg_listening_channels())
            """)));
    }

    [Fact]
    public async Task A_row_of_another_school_cannot_be_written()
    {
        var error = await Assert.ThrowsAsync<PostgresException>(() => schools.InA(connection => connection.ExecuteAsync(
            "insert into child (school, id, alias, stage, added_at) values (@B, gen_random_uuid(), 'Stray', 9, now())",
            new { schools.B })));
        Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, error.SqlState);
    }

    [Theory]
    [InlineData("update answer set raw = 'x'")]
    [InlineData("delete from answer")]
    [InlineData("delete from sitting")]
    [InlineData("delete from child")]
    [InlineData("update child set added_at = now()")]
    [InlineData("truncate answer")]
    [InlineData("create table stray (id int)")]
    [InlineData("alter table answer disable row level security")]
    public async Task The_site_cannot(string sql) => await Refused(sql);

    [Fact]
    public async Task Before_a_school_is_known_only_a_person_s_ids_can_be_found()
    {
        var found = await schools.App.BeforeSchool(connection =>
            connection.QueryAsync("select * from find_person(@name)", new { name = $"teacher@{schools.A:N}.example".ToUpperInvariant() }));
        var columns = (IDictionary<string, object>)Assert.Single(found);
        Assert.Equal(["school", "id"], columns.Keys);
        Assert.Equal(schools.A, columns["school"]);
    }

    [Fact]
    public async Task The_narrow_functions_have_a_fixed_search_path()
    {
        var functions = await schools.App.BeforeSchool(connection => connection.QueryAsync<(string Name, string[]? Settings)>(
            "select proname::text, proconfig from pg_proc where prosecdef and pronamespace = 'public'::regnamespace"));
        Assert.Equal(
            ["add_key", "count_schools", "count_try", "erase_child", "find_calendar", "find_invitation", "find_person", "forget_training",
                "forget_tries", "forget_try",
                "new_mark", "newest_migration",
                "open_code", "prune_doors", "read_keys", "school_ids", "second_step_stopped", "try_sign_in"],
                    functions.Select(function => function.Name).Order());
        Assert.All(functions, function => Assert.Contains("search_path=public, pg_temp", function.Settings!));
    }

    /// <summary>All that the site's role can do without a school: a new function is here, or refused to it.</summary>
    [Fact]
    public async Task The_site_can_run_these_functions_and_no_other()
    {
        var functions = await schools.App.BeforeSchool(connection => connection.QueryAsync<string>(
            """
            select p.oid::regprocedure::text || ': ' || pg_get_function_result(p.oid) from pg_proc p
            where pronamespace = 'public'::regnamespace and prosecdef and has_function_privilege('umbick_app', p.oid, 'execute')
            """));
        Assert.Equal(
            [
                "add_key(text,text): void",
                "count_schools(uuid): integer",
                "erase_child(uuid,text): boolean",
                "find_calendar(bytea): TABLE(school uuid, person uuid)",
                "find_invitation(bytea): TABLE(school uuid, id uuid)",
                "find_person(text): TABLE(school uuid, id uuid)",
                "forget_tries(text): void",
                "forget_try(bigint): void",
                "newest_migration(): text",
                "open_code(text,bytea,uuid,bytea): TABLE(outcome text, opened_school uuid, opened_sitting uuid)",
                "prune_doors(): integer",
                "read_keys(): SETOF text",
                "school_ids(): SETOF uuid",
                "second_step_stopped(text): timestamp with time zone",
                "try_sign_in(text,text,bytea): TABLE(outcome text, try bigint, wrong_today bigint, at_home boolean)",
            ],
            functions.Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData("postgres")]
    [InlineData("template1")]
    public async Task The_site_s_role_connects_to_no_other_database(string other)
    {
        await using var source =
            NpgsqlDataSource.Create(
                new NpgsqlConnectionStringBuilder(Environment.GetEnvironmentVariable("UMBICK_APP")) { Database = other, Pooling = false });
        var error = await Assert.ThrowsAsync<PostgresException>(async () =>
            await source.OpenConnectionAsync(TestContext.Current.CancellationToken));
        Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, error.SqlState);
    }

    [Fact]
    public async Task An_item_that_has_an_answer_cannot_be_withdrawn()
    {
        await Fill(schools.A);
        var error = await Assert.ThrowsAsync<PostgresException>(() =>
            schools.InA(connection => connection.ExecuteAsync("update asked_item set withdrawn = true where not withdrawn")));
        Assert.Equal(PostgresErrorCodes.RestrictViolation, error.SqlState);
    }

    [Fact]
    public async Task An_erased_school_leaves_no_row_and_no_wrong_code_under_its_mark()
    {
        var school = Guid.NewGuid();
        await schools.Owner.InSchool(school, connection => Schools.Add(connection, new School(school, "Noss")));
        await Fill(school);
        var mark = await schools.App.InSchool(school, connection => connection.QuerySingleAsync<string>("select mark from school"));
        await schools.App.BeforeSchool(connection =>
            Codes.Open(connection, new CodeText(mark, "0000000").ToString(), Guid.NewGuid(), new byte[32]));
        Task<int> Rows(string from) =>
            schools.Owner.InSchool(school,
                connection => connection.ExecuteScalarAsync<int>($"select count(*) from {from}", new { mark, school }));
        Assert.Equal(1, await Rows("door_try where key = sha256(convert_to(@mark, 'UTF8'))"));

        await schools.Owner.InSchool(school, Schools.Erase);
        foreach (var table in SchoolTables)
            Assert.Equal(0, await Rows(table == "school" ? "school where id = @school" : $"{table} where school = @school"));
        Assert.Equal(0, await Rows("door_try where key = sha256(convert_to(@mark, 'UTF8'))"));
    }

    [Fact]
    public async Task Migrating_again_changes_nothing()
    {
        var before = await Schema();
        Migrator.Migrate(Environment.GetEnvironmentVariable("UMBICK_OWNER")!);
        Assert.Equal(before, await Schema());
    }

    /// <summary>What the database is made of, with the version of each row that says so: a row that is written again is seen.</summary>
    private Task<string> Schema() =>
        schools.Owner.InSchool(schools.A, async connection => string.Join('\n', await connection.QueryAsync<string>(
        """
        select concat('migration ', schemaversionsid, scriptname, applied) from schemaversions
        union all select concat('column ', attrelid::regclass, attname, atttypid::regtype, attnotnull, xmin) from pg_attribute
          where attrelid in (select oid from pg_class where relnamespace = 'public'::regnamespace) and attnum > 0
        union all select concat('function ', oid::regprocedure, xmin) from pg_proc where pronamespace = 'public'::regnamespace
        union all select concat('policy ', polrelid::regclass, polname, xmin) from pg_policy
        union all select concat('constraint ', conrelid::regclass, conname, xmin) from pg_constraint
        order by 1
        """)));

    private async Task Refused(string sql)
    {
        var error = await Assert.ThrowsAsync<PostgresException>(() => schools.InA(connection => connection.ExecuteAsync(sql)));
        Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, error.SqlState);
    }

    /// <summary>Puts at least one row into every table.</summary>
    private static async Task FillDay(SchoolConnection connection, Deciding deciding, ChildId child, string seen)
    {
        var (slot, day, by) = (Guid.NewGuid(), new DateOnly(2026, 3, 2), Guid.NewGuid());
        await Timetables.AddSlot(connection, new Slot(slot, DayOfWeek.Monday, new TimeOnly(9, 40), 12, [child.Value]));
        await Timetables.Bar(connection, Guid.NewGuid(),
            new BarredTime("Tide class", DayOfWeek.Monday, new TimeOnly(9, 0), new TimeOnly(10, 0), "singing"));
        await Timetables.AddHoliday(connection, Guid.NewGuid(), new Holiday("Lamp week", day, day.AddDays(4)));
        await Timetables.NoteAbsence(connection, child, day, absent: true, by, DateTime.UtcNow);
        await Timetables.NoteStandIn(connection, new StandIn(slot, day, child.Value), comes: true, by, DateTime.UtcNow);
        await ClassTeachings.Keep(connection, "Tide class", "ten to", "quarter past", "nearest-number", DateTime.UtcNow);
        await deciding.Say(connection, Guid.NewGuid(), child, Catalogue.Find("next-hour")!, holds: true, "seen at the board", seen, by);
        await deciding.BeginCycle(connection, Guid.NewGuid(), child, 8, 10, "class screening", by);
    }

    private async Task Fill(SchoolId school)
    {
        var model = new ReadingModel();
        var (asking, practising) = (new Asking(model, TimeProvider.System), new Practising(model, TimeProvider.System));
        var (child, other) = (await schools.Child(school, Stage.OClock), await schools.Child(school, Stage.OClock));
        await schools.App.InSchool(school, async connection =>
        {
            var sitting = (await asking.Start(connection, child))!.Value;
            await asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), 1, "4:12", AnswerMode.Said, null), null);
            await asking.Stop(connection, sitting);
            var record = await ChildRecord.Load(connection, model, child);
            await practising.Assign(connection, record!, model.Patterns[0], new SetChoices(), Guid.NewGuid());
            await AddMarginal(connection, sitting);
            await NamedWays.Name(connection, child, Step.Minutes, "counts in threes", Guid.NewGuid(), DateTime.UtcNow);
            await Demonstrated.Keep(connection, Guid.NewGuid(), child, "next-hour", "has-it-arrived", Guid.NewGuid(), DateTime.UtcNow);
            await AskedAfter.Note(connection, child, "eyesight", new DateOnly(2026, 3, 2), holds: true, Guid.NewGuid(), DateTime.UtcNow);
            await Codes.Make(connection, sitting, DateTime.UtcNow);
            await Sheets.For(connection, [sitting], DateTime.UtcNow);
            await HomeNotes.Note(connection, child, new DateOnly(2026, 3, 2), 1, "easy", Guid.NewGuid(), DateTime.UtcNow);
            await HomeLanguages.Keep(connection, "cy", "{}", Guid.NewGuid(), DateTime.UtcNow);
            await GroupRows.KeepApart(connection, child, other, apart: true, Guid.NewGuid(), DateTime.UtcNow);
            await GroupRows.NoteKept(connection, Guid.NewGuid(), DateTime.UtcNow);
            await Reports.Keep(connection, new KeptReport { Id = Guid.NewGuid(), Child = child, Kind = "lead", MadeOn = new(2026, 3, 2) },
                "test", Guid.NewGuid(), DateTime.UtcNow);
            var teacher = (await People.Names(connection)).Keys.FirstOrDefault();
            if (!teacher.IsGiven) teacher = (await People.Add(connection, $"{Guid.NewGuid():N}@school.example", "Gale", "")).Id;
            await CalendarAddresses.Make(connection, teacher, DateTime.UtcNow);
            await Pins.Set(connection, teacher, new string('h', 60), DateTime.UtcNow);
            await Trainings.Keep(connection, teacher, new TrainingRow
            {
                Id = Guid.NewGuid(),
                Kind = "visit",
                Seed = 3,
                At =
                DateTime.UtcNow
            });
            await TimeTries.Keep(connection, Guid.NewGuid(), child, "a-minute", new(40, 60), new(52, 60), teacher, DateTime.UtcNow);
            await SchoolDays.Keep(connection, SchoolMoment.Usual);
            await connection.ExecuteAsync("insert into commit_mark (school, id) values (current_school(), gen_random_uuid())");
            await Invitations.Make(connection, null, "Tern", PersonRole.Assistant, false, null, DateTime.UtcNow);
            await Audit.NoteOpened(connection, Guid.NewGuid(), child, DateTime.UtcNow);
            await DoorTries.BeAtHome(connection, new byte[32]);
            var gone = new Child(new ChildId(Guid.NewGuid()), $"Gone {Guid.NewGuid():N}", Stage.OClock);
            await Children.Add(connection, gone, DateTime.UtcNow);
            await Children.Erase(connection, gone.Id, gone.Alias);
            // With a child who is erased every file goes that was sent.
            await SentFiles.Add(connection, FileJobId.New(), teacher, "answers.csv", [1], DateTime.UtcNow);
            await Sessions.BeginOfChild(connection, Guid.NewGuid(), sitting, DateTime.UtcNow, DateTime.UtcNow.AddHours(2));
            await FillDay(connection, new Deciding(model, TimeProvider.System), child, record!.Source);
            await FillVisit(connection, new Visiting(model, asking, practising, TimeProvider.System), child);
            await new ClassScreening(model, TimeProvider.System).Start(connection, "Class", Stage.OClock, [$"Pupil {Guid.NewGuid():N}"]);
            await ReplayPoints.Keep(connection, child, [(sitting, new ReplayPoint(new string('0', 64), [1]))], [sitting]);
            await SittingsSoFar.Keep(connection, sitting, new SaidSoFar(child, "", "test", [], BesidePatterns.None), DateTime.UtcNow);
        });
    }

    private static async Task FillVisit(SchoolConnection connection, Visiting visiting, ChildId child)
    {
        var (visit, teacher) = (Guid.NewGuid(), Guid.NewGuid());
        await visiting.Begin(connection, visit, Catalogue.Find("next-hour")!, [child], null, teacher);
        await Say(VisitPart.Room, 1);
        await visiting.Note(connection, visit, child, VisitNote.All[0], holds: true, teacher);
        for (var place = 1; place <= ColdStart.Telling + 1; place++) await Say(VisitPart.Cold, place);
        await visiting.GoOn(connection, visit, VisitPart.Show, 1, null, teacher);
        await Say(VisitPart.Practise, 1);
        await visiting.NoteRung(connection, visit, child, 1, Rung.Waited, teacher);

        Task<AnswerOutcome> Say(VisitPart part, int place) =>
            visiting.Answer(connection, visit, child, part, new Submission(Guid.NewGuid(), place, "4:00", AnswerMode.Said, null), teacher);
    }

    private static Task AddMarginal(SchoolConnection connection, SittingId sitting) => connection.ExecuteAsync(
        "insert into marginal values (@school, @sitting, 'hands-swapped', 0.5, 'Possible', 'test') on conflict do nothing",
        new { school = connection.School, sitting });
}
