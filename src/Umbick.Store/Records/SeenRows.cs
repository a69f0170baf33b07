namespace Umbick.Store;

/// <summary>How many children were seen.</summary>
public static class SeenRows
{
    /// <summary>How many children answered something within some days, and on how many days, counted child by child.</summary>
    public static Task<(int Children, int Days)> Count(SchoolConnection connection, DateOnly from, DateOnly to) =>
        connection.QuerySingleAsync<(int Children, int Days)>(
            $"""
            select count(distinct child)::int, count(distinct (child, day))::int from
              (select sitting.child, {Sittings.Day} as day from sitting
                join child on child.school = sitting.school and child.id = sitting.child and child.on_caseload
                where sitting.first_answer_at is not null) seen
            where day between @from and @to
            """,
            new { from, to });
}
