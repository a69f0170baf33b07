namespace Umbick.Casework.Accounts;

/// <summary>What somebody signs in by: a name or a mail address, on one line.</summary>
public static class UserNames
{
    /// <summary>The most characters.</summary>
    public const int Longest = 256;

    /// <summary>What is wrong with a user name, in a sentence; null where nothing is.</summary>
    public static string? Fault(string userName) => userName.Trim() switch
    {
        { Length: < 3 } => "A user name has three characters or more. A mail address is easiest to remember.",
        { Length: > Longest } => $"A user name has {Longest} characters at most.",
        var name when name.Any(char.IsWhiteSpace) || name.Any(char.IsControl) => "A user name has no spaces.",
        _ => null,
    };
}
