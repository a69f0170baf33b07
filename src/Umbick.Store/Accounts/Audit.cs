namespace Umbick.Store;

/// <summary>Who did what at a school. Kept for a year.</summary>
public static class Audit
{
    /// <summary>The longest detail of an entry, in letters.</summary>
    public const int LongestDetail = 200;

    /// <summary>How many entries a page shows.</summary>
    public const int PageLength = 100;

    /// <summary>Keeps that something was done.</summary>
    public static async Task Note(
        SchoolConnection connection, PersonId? person, string what, DateTime now, ChildId? child = null, PersonId? whom = null,
        string detail = "")
    {
        await connection.ExecuteAsync(
            "insert into audit_entry (school, at, person, what, child, whom, detail) values (@school, @now, @person, @what, @child, "
                + "@whom, @detail)",
            new
            {
                school = connection.School,
                now,
                person,
                what,
                child = child?.Value,
                whom,
                detail = detail.Length <= LongestDetail ? detail : detail[..LongestDetail]
            });
        connection.Noted.Add(new NotedDeed(connection.School, person, what));
    }

    /// <summary>Keeps that somebody opened a child's record, once an hour however often they turn to it.</summary>
    public static async Task NoteOpened(SchoolConnection connection, PersonId person, ChildId child, DateTime now)
    {
        var kept = await connection.ExecuteAsync(
            """
            insert into audit_entry (school, at, person, what, child) select @school, @now, @person, @what, id from child
            where id = @child
              and not exists (select from audit_entry where audit_entry.child = child.id and person = @person and what = @what
                and at > @recently)
            """,
            new { school = connection.School, now, person, what = AuditKinds.OpenedRecord, child, recently = now.AddHours(-1) });
        if (kept > 0) connection.Noted.Add(new NotedDeed(connection.School, person, AuditKinds.OpenedRecord));
    }

    /// <summary>The latest entries before one, of these people, kinds, children and days; null is all.</summary>
    public static async Task<IReadOnlyList<AuditEntry>> Latest(
        SchoolConnection connection, PersonId? person, string? what, ChildId? child, DateOnly? until, long? before) =>
        [.. await connection.QueryAsync<AuditEntry>(
            $"""
            select audit_entry.id, at, by_whom.display_name as who, what, audit_entry.child, child.alias, about.display_name as whom, detail
              from audit_entry
            left join person by_whom on by_whom.school = audit_entry.school and by_whom.id = audit_entry.person
            left join person about on about.school = audit_entry.school and about.id = audit_entry.whom
            left join child on child.school = audit_entry.school and child.id = audit_entry.child
            where (@person::uuid is null or person = @person) and (@what::text is null or what = @what) and (@child::uuid is null
              or audit_entry.child = @child)
              and (@until::date is null or (at at time zone {Schools.TimeZone})::date <= @until) and (@before::bigint is null
                or audit_entry.id < @before)
            order by audit_entry.id desc limit {PageLength}
            """,
            new { person, what, child = child?.Value, until, before })];
}
