using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>
/// The text of an answer: as it is kept, for ever, and as it is read. Children type with whatever keyboard a tablet has, so figures of any
/// script are figures, and signs that cannot be seen count for nothing.
/// </summary>
public static partial class GivenText
{
    private const char FirstFullWidth = '\uFF01';
    private const char LastFullWidth = '\uFF5E';
    private const int FullWidthBeyondPlain = FirstFullWidth - '!';

    /// <summary>The text as it can be kept: PostgreSQL holds every sign but U+0000 and halves of a pair, which become U+FFFD.</summary>
    /// <param name="raw">The text exactly as given; null is empty.</param>
    public static string Kept(string? raw)
    {
        if (string.IsNullOrEmpty(raw)) return "";
        var kept = new StringBuilder(raw.Length);
        foreach (var sign in raw.EnumerateRunes()) kept.Append((sign.Value == 0 ? Rune.ReplacementChar : sign).ToString());
        return kept.ToString();
    }

    /// <summary>
    /// The text as it is read: lower case, single spaces, figures of every script as 0 to 9, full-width signs and kinds of dashes and
    /// colons as the plain ones, invisible signs left out. Longer texts are cut after <see cref="AnswerParser.LongestAnswer"/> characters.
    /// </summary>
    /// <param name="raw">The text exactly as given; null is empty.</param>
    public static string Plain(string? raw)
    {
        var text = raw ?? "";
        if (text.Length > AnswerParser.LongestAnswer) text = text[..AnswerParser.LongestAnswer];
        var plain = new StringBuilder(text.Length);
        foreach (var sign in text.EnumerateRunes()) plain.Append(Plain(sign));
        return Spaces().Replace(plain.ToString().Trim().ToLowerInvariant(), " ");
    }

    /// <summary>Whether a sign leaves nothing to see on a page: spaces, controls, joiners, fillers.</summary>
    public static bool IsInvisible(Rune sign) =>
        Rune.IsWhiteSpace(sign)
            || sign.Value is 0x115F or 0x1160 or 0x3164 or 0xFFA0 or 0x2800 or 0x034F or 0x17B4 or 0x17B5 or (>= 0xFE00 and <= 0xFE0F)
            or (>= 0xE0100 and <= 0xE01EF)
        || Rune.GetUnicodeCategory(sign) is UnicodeCategory.Control or UnicodeCategory.Format or UnicodeCategory.OtherNotAssigned
        or UnicodeCategory.Surrogate or UnicodeCategory.PrivateUse;

    private static string Plain(Rune sign)
    {
        if (Rune.GetUnicodeCategory(sign) == UnicodeCategory.DecimalDigitNumber)
            return ((int)Rune.GetNumericValue(sign)).ToString(CultureInfo.InvariantCulture);
        if (sign.Value is >= FirstFullWidth and <= LastFullWidth) return ((char)(sign.Value - FullWidthBeyondPlain)).ToString();
        return sign.Value switch
        {
            '’' or '‘' or '`' or '´' => "'",
            '‐' or '‑' or '–' or '—' or '−' => "-",
            '∶' or '꞉' or 'ː' or '܃' or '፡' => ":",
            '٫' or '。' or '․' => ".",
            '؟' or '⸮' => "?",
            '؛' => ";",
            '、' or '،' => ",",
            _ when Rune.GetUnicodeCategory(sign) == UnicodeCategory.Format => "",
            _ => sign.ToString(),
        };
    }

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
