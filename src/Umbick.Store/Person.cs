namespace Umbick.Store;

/// <summary>Somebody who signs in.</summary>
public sealed class Person
{
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
