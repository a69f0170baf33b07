using DbUp;
using Npgsql;
using Umbick.Core.Diagnosis;

namespace Umbick.Store.Tests;

/// <summary>A database of the version before, with what had gone wrong in it, is brought up to date whole.</summary>
public sealed class MigrationTests
{
    private static readonly Guid[] Schools = [Guid.NewGuid(), Guid.NewGuid()];

    [Fact]
    public async Task What_stood_before_answers_were_named_is_carried_over_in_every_school()
    {
        var name = $"umbick_before_{Guid.NewGuid():N}"[..30];
        var owner = new NpgsqlConnectionStringBuilder(Environment.GetEnvironmentVariable("UMBICK_OWNER"));
        await using var home = NpgsqlDataSource.Create(owner.ConnectionString);
        await home.CreateCommand($"create database {name}").ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        try
        {
            var old = new NpgsqlConnectionStringBuilder(owner.ConnectionString) { Database = name, Pooling = false }.ConnectionString;
            var upgraded = DeployChanges.To.PostgresqlDatabase(old).WithScriptsEmbeddedInAssembly(typeof(Migrator).Assembly,
                script => string.CompareOrdinal(script, "Umbick.Store.Migrations.0007") < 0)
                .WithTransactionPerScript().LogToNowhere().Build().PerformUpgrade();
            Assert.True(upgraded.Successful, upgraded.Error?.Message);
            await using var source = NpgsqlDataSource.Create(old);
            var database = new Database(source);
            foreach (var school in Schools)
                await database.InSchool(school,
                    connection => connection.ExecuteAsync(AsItWas, new { school, child = Guid.NewGuid(), other = Guid.NewGuid() }));

            Migrator.Migrate(old);

            foreach (var school in Schools)
            {
                await database.InSchool(school, async connection =>
                {
                    // The class's form is whole, although its first child had an item taken back.
                    var screened = (await Screenings.Latest(connection, null)).Single();
                    Assert.Equal(["4:00", "5:00", "6:00"],
                        (await Screenings.Form(connection, screened.Id)).Select(item => item.Time.ToString()));
                    Assert.Equal(new DateOnly(2026, 7, 2), screened.PaperDay);
                    // An answer that had been typed over knows what it put right, and stands.
                    var rows = (await connection.QueryAsync<(string Raw, AnswerId? Corrects)>(
                        "select raw, corrects from answer where place = 2 order by seq")).ToList();
                    Assert.Equal([("5:10", true), ("5:11", false)], rows.Select(row => (row.Raw, row.Corrects is null)));
                    Assert.Equal(0, await connection.ExecuteScalarAsync<int>("select count(*) from answer where kept_at <> given_at"));
                    // Of two askings that stood open the one with an answer goes on.
                    var child = (await Children.All(connection)).Single(each => each.Alias == "Fern");
                    Assert.Equal("open 2", await connection.ExecuteScalarAsync<string>(
                        "select case when started_at = '2026-07-03T10:00:00Z' then 'open 2' else 'open 1' end from sitting where id = @id",
                        new { id = child.OpenAsking }));
                    Assert.Equal((new DateOnly(2026, 7, 3), 0), (child.LastSeen, child.Sittings));
                    var record = (await ChildRecord.Load(connection, new ReadingModel(), child.Id))!;
                    Assert.Equal(["5:00"], record.Answers.Select(given => given.Answer.Short(Core.Clocks.Wording.Usual)));
                });
            }
        }
        finally
        {
            await home.CreateCommand($"drop database {name} with (force)").ExecuteNonQueryAsync(CancellationToken.None);
        }
    }

    /// <summary>
    /// Rows that break a rule of a new version are listed, school by school, and nothing is changed until somebody says that they are to be
    /// mended.
    /// </summary>
    [Fact]
    public async Task Rows_that_break_a_new_rule_are_listed_first_and_mended_on_request()
    {
        var name = $"umbick_mend_{Guid.NewGuid():N}"[..30];
        var owner = new NpgsqlConnectionStringBuilder(Environment.GetEnvironmentVariable("UMBICK_OWNER"));
        await using var home = NpgsqlDataSource.Create(owner.ConnectionString);
        await home.CreateCommand($"create database {name}").ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        try
        {
            var old = new NpgsqlConnectionStringBuilder(owner.ConnectionString) { Database = name, Pooling = false }.ConnectionString;
            Assert.True(DeployChanges.To.PostgresqlDatabase(old).WithScriptsEmbeddedInAssembly(typeof(Migrator).Assembly,
                script => string.CompareOrdinal(script, "Umbick.Store.Migrations.0016") < 0)
                .WithTransactionPerScript().LogToNowhere().Build().PerformUpgrade().Successful);
            await using var source = NpgsqlDataSource.Create(old);
            var database = new Database(source);
            foreach (var school in Schools)
                await database.InSchool(school,
                    connection => connection.ExecuteAsync(Broken,
                        new { school, child = Guid.NewGuid(), other = Guid.NewGuid(), name = school == Schools[0] ? "Skerry" : "Holm" }));

            var refused = Assert.Throws<InvalidOperationException>(() => Migrator.Migrate(old));
            foreach (var told in new[] { "Skerry: 1 of “child” with a day outside 2000 to 2100, in “keep_until”",
                "Holm: 1 of “sitting” with another child’s set", "Skerry: 1 of “decision” after another child’s sitting",
                "upgrade --mend" })
                Assert.Contains(told, refused.Message, StringComparison.Ordinal);
            Assert.Equal(1, await database.InSchool(Schools[0],
                connection => connection.ExecuteScalarAsync<int>("select count(*) from child where keep_until = 'infinity'")));

            Migrator.Migrate(old, mend: true);
            foreach (var school in Schools)
            {
                await database.InSchool(school, async connection =>
                {
                    Assert.Equal((1, 1, 1), await connection.QuerySingleAsync<(int, int, int)>(
                        "select (select count(*) from child where keep_until = '2100-12-31')::int, (select count(*) from sitting where "
                            + "practice_set is null)::int, (select count(*) from decision where after_sitting is null)::int"));
                });
            }
            Assert.Empty(Migrator.Pending(old));
        }
        finally
        {
            await home.CreateCommand($"drop database {name} with (force)").ExecuteNonQueryAsync(CancellationToken.None);
        }
    }

    private const string Broken =
        """
        insert into school (id, name) values (@school, @name);
        insert into child (school, id, alias, stage, added_at, keep_until)
          values (@school, @child, 'Fern', 9, now(), 'infinity'), (@school, @other, 'Rush', 9, now(), null);
        insert into practice_set (school, id, child, pattern, seed, start_support, assigned_at, assigned_by, engine, shown)
          values (@school, @other, @other, 'next-hour', 1, 'most', now(), @other, 'e', '{}');
        insert into sitting (school, id, child, kind, practice_set, stage, length, started_at)
          values (@school, @child, @child, 'practice', @other, 9, 8, now());
        insert into decision (school, id, child, pattern, kind, taken, after_sitting, decided_by, decided_at, engine, shown)
          values (@school, @other, @other, 'next-hour', 'confirm', true, @child, @other, now(), 'e', '{}');
        """;

    private const string AsItWas =
        """
        insert into school (id, name) values (@school, 'Skerry');
        insert into child (school, id, alias, stage, added_at)
          values (@school, @child, 'Fern', 9, now()), (@school, @other, 'Rush', 9, now());
        insert into screening (school, id, title, stage, length, form, seed, started_at)
          values (@school, @school, 'Class', 9, 3, 'A', 1, '2026-07-01T23:30:00Z');
        insert into sitting (school, id, child, kind, stage, length, started_at, plan, screening, turn)
          values (@school, @child, @child, 'asking', 9, 3, '2026-07-02T10:00:00Z', 'form', @school, 0), (@school, @other, @other, 'asking',
            9, 3, '2026-07-02T10:00:00Z', 'form', @school, 1);
        insert into asked (school, sitting, place, task, clock_time, support, why, asked_at, withdrawn)
          select @school, sitting.id, place, 'read-digital', (place + 3) || ':00', 'bare', 'Why.', now(), sitting.turn = 0 and place = 1
          from sitting, generate_series(1, 3) place where sitting.screening is not null;
        insert into answer (school, sitting, id, place, try, raw, mode, given_at, given_by)
          values (@school, @other, gen_random_uuid(), 2, 1, '5:10', 'written', '2026-07-02T10:00:00Z', @other), (@school, @other,
            gen_random_uuid(), 2, 1, '5:11', 'written', '2026-07-02T10:05:00Z', @other);
        insert into sitting (school, id, child, kind, stage, length, started_at)
          values (@school, gen_random_uuid(), @child, 'asking', 9, 12, '2026-07-03T10:00:00Z'), (@school, gen_random_uuid(), @child,
            'asking', 9, 12, '2026-07-04T10:00:00Z');
        insert into asked (school, sitting, place, task, clock_time, support, why, asked_at)
          select @school, id, 1, 'read-digital', '5:00', 'bare', 'Why.', now() from sitting where screening is null;
        insert into answer (school, sitting, id, place, try, raw, mode, given_at)
          select @school, id, gen_random_uuid(), 1, 1, '5:00', 'said', '2026-07-03T10:01:00Z' from sitting
            where started_at = '2026-07-03T10:00:00Z';
        """;
}
