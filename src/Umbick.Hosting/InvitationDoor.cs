namespace Umbick.Hosting;

/// <summary>Where links are tried by which somebody is let in.</summary>
public sealed class InvitationDoor(Database database)
{
    /// <summary>The school and the id of the invitation that a link opens; null where it opens none.</summary>
    public Task<(SchoolId School, InvitationId Id)?> Find(string link, CancellationToken cancel) =>
        database.BeforeSchool(connection => Invitations.Find(connection, link), cancel);
}
