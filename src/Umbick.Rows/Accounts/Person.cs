namespace Umbick.Rows;

/// <summary>Somebody who signs in: an account, as it is known at one school.</summary>
public sealed class Person
{
    /// <summary>How many rounds a password is hashed with (PBKDF2 with SHA-512), as is advised today.</summary>
    public const int PasswordRounds = 210_000;

    /// <summary>The most letters of the name that others see.</summary>
    public const int LongestName = 80;

    public SchoolId School { get; set; }

    /// <summary>The account's id: the same at each school where it works.</summary>
    public PersonId Id { get; set; }

    public string UserName { get; set; } = "";

    public string NormalizedUserName { get; set; } = "";

    public string DisplayName { get; set; } = "";

    public PersonRole Role { get; set; }

    /// <summary>Whether they see to the school's people and records; a right added to a teacher.</summary>
    public bool InCharge { get; set; }

    /// <summary>When they stopped working at the school; null while they do.</summary>
    public DateTime? LeftAt { get; set; }

    public string? PasswordHash { get; set; }

    public string SecurityStamp { get; set; } = "";

    /// <summary>Whether a code is asked for besides the password.</summary>
    public bool TwoFactor { get; set; }

    /// <summary>What the codes are made of, wrapped.</summary>
    public string? AuthenticatorKey { get; set; }

    /// <summary>Codes on paper, for when the device is lost: what is kept of each, parted by semicolons.</summary>
    public string RecoveryCodes { get; set; } = "";

    /// <summary>
    /// When somebody else turned the second step off, of which they have not been told yet; and who, null where it was done on the server.
    /// </summary>
    public DateTime? SecondStepOffAt { get; set; }

    public string? SecondStepOffBy { get; set; }

    /// <summary>The id by which the accounts library knows a person: it must carry the school, without which no row is seen.</summary>
    public string Key => $"{School:N}.{Id:N}";
}

/// <summary>What somebody is at a school. The names stand in rows, in lower case.</summary>
public enum PersonRole
{
    /// <summary>Asks, decides, and sees every record.</summary>
    Teacher,

    /// <summary>Runs sittings and visits that a teacher has prepared, and sees no record.</summary>
    Assistant,
}
