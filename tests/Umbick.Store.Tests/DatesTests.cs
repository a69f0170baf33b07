using Npgsql;
using Umbick.Core.Timetabling;

namespace Umbick.Store.Tests;

/// <summary>Every day that is kept lies within a school's years.</summary>
public sealed class DatesTests(TestSchool schools) : IClassFixture<TestSchool>
{
    [Fact]
    public async Task Each_column_with_a_day_is_held_to_them_by_the_database()
    {
        var open = await schools.App.BeforeSchool(connection => Dapper.SqlMapper.QueryAsync<string>(connection,
            """
            select c.table_name || '.' || c.column_name from information_schema.columns c
            join pg_class t on t.relname = c.table_name and t.relnamespace = 'public'::regnamespace and t.relkind = 'r'
            where c.table_schema = 'public' and c.data_type in ('date', 'timestamp with time zone')
              and not exists (select from pg_constraint k where k.conrelid = t.oid and k.contype = 'c'
                and k.conname = c.table_name || '_' || c.column_name || '_within_years')
            """));
        Assert.Empty(open);
    }

    [Theory]
    [InlineData("-infinity")]
    [InlineData("infinity")]
    [InlineData("0044-03-15 BC")]
    [InlineData("1999-12-31")]
    [InlineData("2101-01-01")]
    public async Task Any_other_is_refused(string day)
    {
        var child = await schools.Child(schools.A);
        var error = await Assert.ThrowsAsync<PostgresException>(() =>
            schools.InA(connection =>
                connection.ExecuteAsync("update child set keep_until = @day::date where id = @child", new { day, child })));
        Assert.Equal(PostgresErrorCodes.CheckViolation, error.SqlState);
    }

    [Fact]
    public void The_code_and_the_database_have_the_same_years() =>
        Assert.Equal((new DateOnly(2000, 1, 1), new DateOnly(2100, 12, 31)), (SchoolYears.First, SchoolYears.Last));
}
