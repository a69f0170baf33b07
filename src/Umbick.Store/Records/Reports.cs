namespace Umbick.Store;

/// <summary>Reports that were kept: as they were offered, and as they were sent.</summary>
public static class Reports
{
    private const string Select =
        """
        select report.id, child, kind, made_on, coalesce(person.display_name, '') as made_by, offered::text as offered_text,
          sent::text as sent_text from report
        left join person on person.school = report.school and person.id = report.made_by
        """;

    /// <summary>The reports of a child, the latest first.</summary>
    public static async Task<IReadOnlyList<KeptReport>> OfChild(SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<KeptReport>($"{Select} where child = @child order by made_at desc", new { child })];

    /// <summary>A report; null where the school has none with this id.</summary>
    public static Task<KeptReport?> Find(SchoolConnection connection, ReportId id) =>
        connection.QuerySingleOrDefaultAsync<KeptReport>($"{Select} where report.id = @id", new { id });

    /// <summary>Keeps a report; the same again under its id changes nothing.</summary>
    /// <returns>Whether it was kept now; else it was before.</returns>
    public static async Task<bool> Keep(SchoolConnection connection, KeptReport report, string engine, PersonId by, DateTime now) =>
        await connection.ExecuteAsync(
        """
        insert into report (school, id, child, kind, made_by, made_on, made_at, engine, offered, sent)
        values (@school, @Id, @Child, @Kind, @by, @MadeOn, @now, @engine, @OfferedText::jsonb, @SentText::jsonb) on conflict do nothing
        """,
        new
        {
            school = connection.School,
            report.Id,
            report.Child,
            report.Kind,
            by,
            report.MadeOn,
            now,
            engine,
            report.OfferedText,
            report.SentText,
        }) > 0;
}
