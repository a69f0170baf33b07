using System.Globalization;

namespace Umbick.Store;

/// <summary>What a child goes by, in place of a name: short, on one line, nobody else's in the school.</summary>
public static class Alias
{
    /// <summary>The most letters of an alias.</summary>
    public const int Longest = 60;

    /// <summary>What is wrong with an alias, in a sentence; null where nothing is.</summary>
    /// <param name="alias">As it was typed, without the spaces round it.</param>
    public static string? Fault(string alias) => alias switch
    {
        { Length: 0 } => "Give her an alias.",
        { Length: > Longest } => $"An alias has {Longest} letters at most.",
        _ => alias.Any(IsBreak) ? "An alias stands on one line." : null,
    };

    private static bool IsBreak(char letter) =>
        char.IsControl(letter) || char.GetUnicodeCategory(letter) is UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator;
}
