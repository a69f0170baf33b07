using Umbick.Core.Clocks;

namespace Umbick.Rows;

/// <summary>The code on a sheet: the school's three letters, four that were drawn, and a check letter over both.</summary>
/// <remarks>
/// The check is a weighted sum over the field of 19 letters (a Reed–Solomon check of one letter): it tells every single drawn letter that
/// is wrong, and every two drawn ones that are swapped.
/// </remarks>
/// <param name="Mark">The school's three letters.</param>
/// <param name="Letters">The letters drawn, without the check.</param>
public sealed record SheetCode(string Mark, string Letters)
{
    /// <summary>The letters that are drawn: no vowels, so that no code is a word, and none that is taken for a figure.</summary>
    public const string Alphabet = "BCDFGHJKLMNPRSTVWXZ";

    /// <summary>How many letters are drawn.</summary>
    public const int Drawn = 4;

    private const int MarkLength = 3;

    // Twice in the field of 19 letters generates every weight but nought.
    private const int Step = 2;

    /// <summary>Its check letter.</summary>
    public char Check
    {
        get
        {
            var (sum, weight) = (0, 1);
            foreach (var letter in Mark + Letters)
            {
                sum = (sum + (weight * ValueOf(letter))) % Alphabet.Length;
                weight = weight * Step % Alphabet.Length;
            }
            return Alphabet[sum];
        }
    }

    /// <summary>As it is printed: <c>BCD KLMNP</c>.</summary>
    public override string ToString() => $"{Mark} {Letters}{Check}";

    /// <summary>The code in what somebody typed or a camera read, with whatever between its letters; null where it is mistyped.</summary>
    public static SheetCode? Read(string? typed)
    {
        var plain = string.Concat(GivenText.Plain(typed ?? "").Where(char.IsAsciiLetter)).ToUpperInvariant();
        if (plain.Length != MarkLength + Drawn + 1 || !plain[MarkLength..].All(Alphabet.Contains)) return null;
        var code = new SheetCode(plain[..MarkLength], plain[MarkLength..^1]);
        return code.Check == plain[^1] ? code : null;
    }

    private static int ValueOf(char letter) => Alphabet.IndexOf(letter, StringComparison.Ordinal) is >= 0 and var place ? place
        : (letter - 'A') % Alphabet.Length;
}
