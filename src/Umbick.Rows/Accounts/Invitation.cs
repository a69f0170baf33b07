namespace Umbick.Rows;

/// <summary>A link that lets somebody in once: somebody new, or somebody who cannot get in.</summary>
public sealed record Invitation
{
    /// <summary>How long one can be used.</summary>
    public static readonly TimeSpan ForSomebodyNew = TimeSpan.FromDays(7), ToGetIn = TimeSpan.FromHours(24);

    public InvitationId Id { get; init; }

    /// <summary>Whom it lets in again; null where somebody new is invited.</summary>
    public PersonId? Person { get; init; }

    /// <summary>The name that others see.</summary>
    public string DisplayName { get; init; } = "";

    /// <summary>What they are to be.</summary>
    public PersonRole Role { get; init; }

    /// <summary>Whether they are to be in charge.</summary>
    public bool InCharge { get; init; }

    public DateTime ExpiresAt { get; init; }

    public bool IsReset => Person is not null;
}
