namespace Umbick.Core.Clocks;

/// <summary>How many slips of a letter lie between two words.</summary>
internal static class LetterSlips
{
    /// <summary>
    /// The fewest letters to leave out, add, change, or swap with their neighbour, to come from one word to the other (F. J. Damerau,
    /// A technique for computer detection and correction of spelling errors, 1964).
    /// </summary>
    public static int Between(string a, string b)
    {
        var slips = new int[a.Length + 1, b.Length + 1];
        for (var i = 0; i <= a.Length; i++) slips[i, 0] = i;
        for (var j = 0; j <= b.Length; j++) slips[0, j] = j;
        for (var i = 1; i <= a.Length; i++)
        {
            for (var j = 1; j <= b.Length; j++)
            {
                var changed = slips[i - 1, j - 1] + (a[i - 1] == b[j - 1] ? 0 : 1);
                slips[i, j] = Math.Min(changed, Math.Min(slips[i - 1, j], slips[i, j - 1]) + 1);
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                    slips[i, j] = Math.Min(slips[i, j], slips[i - 2, j - 2] + 1);
            }
        }
        return slips[a.Length, b.Length];
    }
}
