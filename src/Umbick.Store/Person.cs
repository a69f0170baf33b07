namespace Umbick.Store;

/// <summary>Somebody who signs in.</summary>
public sealed class Person
{
    /// <summary>How many rounds a password is hashed with (PBKDF2 with SHA-512), as is advised today.</summary>
    public const int PasswordRounds = 210_000;

    public Guid School { get; set; }

    public Guid Id { get; set; }

    public string UserName { get; set; } = "";

    public string NormalizedUserName { get; set; } = "";

    public string DisplayName { get; set; } = "";

    public string? PasswordHash { get; set; }

    public string SecurityStamp { get; set; } = "";

    public int AccessFailedCount { get; set; }

    public DateTime? LockoutEnd { get; set; }

    /// <summary>The id by which the accounts library knows a person: it must carry the school, without which no row is seen.</summary>
    public string Key => $"{School:N}.{Id:N}";
}
