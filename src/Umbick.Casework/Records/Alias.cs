using System.Globalization;
using System.Text;
using Umbick.Core.Clocks;

namespace Umbick.Casework;

/// <summary>What a child goes by, in place of a name: short, on one line, nobody else's in the school.</summary>
public static class Alias
{
    /// <summary>The most letters of an alias.</summary>
    public const int Longest = 60;

    /// <summary>What is wrong with an alias, in a sentence; null where nothing is.</summary>
    /// <param name="alias">As it was typed, without the spaces round it.</param>
    public static string? Fault(string alias)
    {
        var signs = alias.EnumerateRunes().ToList();
        return alias switch
        {
            { Length: 0 } => "Give the child an alias.",
            { Length: > Longest } => $"An alias has {Longest} letters at most.",
            _ when signs.Any(IsBreak) => "An alias stands on one line.",
            _ when signs.TrueForAll(GivenText.IsInvisible) => "This alias would be invisible. Give one with letters.",
            // Two aliases that look the same would be two children.
            _ when signs.Any(sign => GivenText.IsInvisible(sign) && sign.Value != ' ') =>
                "There is an invisible character in this alias. Type it again without it.",
            _ when signs.Contains(Rune.ReplacementChar) =>
                "There is a character in this alias that cannot be stored. Type it again without it.",
            _ => null,
        };
    }

    private static bool IsBreak(Rune sign) =>
        Rune.GetUnicodeCategory(sign) is UnicodeCategory.Control or UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator;
}
