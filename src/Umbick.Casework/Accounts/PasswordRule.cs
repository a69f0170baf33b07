using System.Collections.Frozen;

namespace Umbick.Casework.Accounts;

/// <summary>What a password has to be: long, and not one that everybody tries first. There is no other rule.</summary>
public static class PasswordRule
{
    /// <summary>The fewest characters, and the most.</summary>
    public const int Shortest = 12, Longest = 200;

    private static readonly Lazy<FrozenSet<string>> Common = new(ReadCommon);

    /// <summary>What is wrong with a password, in a sentence; null where nothing is.</summary>
    public static string? Fault(string password) => password.EnumerateRunes().Count() switch
    {
        < Shortest => $"A password has {Shortest} characters or more. A few words that you can remember will do.",
        > Longest => $"A password has {Longest} characters at most.",
        _ when Common.Value.Contains(password.Normalize().ToLowerInvariant()) =>
            "This password is one of those that are tried first. Choose another.",
        _ => null,
    };

    private static FrozenSet<string> ReadCommon()
    {
        using var list = new StreamReader(typeof(PasswordRule).Assembly.GetManifestResourceStream("common-passwords.txt")!);
        return list.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries).ToFrozenSet(StringComparer.Ordinal);
    }
}
