using System.Globalization;
using Umbick.Core.Clocks;

namespace Umbick.Rows;

/// <summary>A code as it is shown and typed: the school's three letters, seven figures drawn, and a check figure over both.</summary>
/// <remarks>
/// The check is Damm's (<i>Total anti-symmetrische Quasigruppen</i>, 2004): it tells every single figure that is wrong and every two
/// neighbours that are swapped. A letter counts as two figures, its place in the alphabet; a wrong one is told nine times in ten.
/// </remarks>
/// <param name="Mark">The school's three letters.</param>
/// <param name="Figures">The figures drawn, without the check.</param>
public sealed record CodeText(string Mark, string Figures)
{
    /// <summary>How many figures are drawn.</summary>
    public const int Drawn = 7;

    private const int MarkLength = 3;

    // An anti-symmetric quasigroup of ten, with noughts on its diagonal.
    private static readonly string[] Table =
        ["0317598642", "7092154863", "4206871359", "1750983426", "6123045978", "3674209581", "5869720134", "8945362017", "9438617205",
            "2581436790"];

    /// <summary>Its check figure.</summary>
    public char Check => (Mark + Figures).SelectMany(Digits).Aggregate('0', (interim, digit) => Table[interim - '0'][digit - '0']);

    /// <summary>As it is shown: <c>BCD 1234 5678</c>.</summary>
    public override string ToString() => $"{Mark} {Figures[..4]} {Figures[4..]}{Check}";

    /// <summary>
    /// The code in what somebody typed, with whatever between its signs and in whatever script's figures; null where it is mistyped.
    /// </summary>
    public static CodeText? Read(string typed)
    {
        var plain = string.Concat(GivenText.Plain(typed).Where(char.IsAsciiLetterOrDigit)).ToUpperInvariant();
        if (plain.Length != MarkLength + Drawn + 1 || !plain[..MarkLength].All(char.IsAsciiLetter)
            || !plain[MarkLength..].All(char.IsAsciiDigit)) return null;
        var code = new CodeText(plain[..MarkLength], plain[MarkLength..^1]);
        return code.Check == plain[^1] ? code : null;
    }

    private static string Digits(char sign) => char.IsAsciiDigit(sign) ? sign.ToString()
        : (sign - 'A').ToString("D2", CultureInfo.InvariantCulture);
}
