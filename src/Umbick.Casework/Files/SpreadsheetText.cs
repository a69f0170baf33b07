namespace Umbick.Casework.Files;

/// <summary>Text that a spreadsheet would run as a formula is written with a leading apostrophe, and read back without it.</summary>
public static class SpreadsheetText
{
    /// <summary>The text as it is written.</summary>
    public static string Write(string text) => NeedsMark(text) ? $"'{text}" : text;

    /// <summary>The text as it was before it was written.</summary>
    public static string Read(string text) => text.Length > 1 && text[0] == '\'' && NeedsMark(text[1..]) ? text[1..] : text;

    /// <summary>Whether it would be run, or be taken for one that was marked: what begins with an apostrophe of its own keeps it.</summary>
    private static bool NeedsMark(string text) => IsFormula(text.TrimStart('\''));

    private static bool IsFormula(string text) => text.Length > 0
        && (text[0] is '=' or '+' or '@' or '\t' or '\r' || (text[0] == '-' && text.Length > 1));
}
