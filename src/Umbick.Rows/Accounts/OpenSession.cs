
namespace Umbick.Rows;

/// <summary>A session that is open.</summary>
public sealed record OpenSession(SessionId Id, DateTime StartedAt, DateTime EndsAt);
