namespace Umbick.Hosting;

/// <summary>Where a private calendar address is tried.</summary>
public sealed class CalendarDoor(Database database)
{
    /// <summary>The school and the teacher whose calendar it is; null where it is nobody’s.</summary>
    public Task<(SchoolId School, PersonId Person)?> Find(string secret, CancellationToken cancel) =>
        database.BeforeSchool(connection => CalendarAddresses.Find(connection, secret), cancel);
}
