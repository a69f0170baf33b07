using System.Text.RegularExpressions;

namespace Umbick.Simulation;

/// <summary>The same answer as a child writes it who writes badly. It knows nothing of how answers are read.</summary>
internal static partial class BadWriting
{
    private static readonly (string Word, string[] Spelled)[] BySound =
    [
        ("half", ["harf", "haf", "halve"]), ("quarter", ["quater", "kwarter", "quarta"]), ("past", ["parst", "pas", "passed"]),
        ("twenty", ["twenny", "tweny"]), ("five", ["fife", "fiv"]), ("three", ["free", "thre"]), ("seven", ["sevn", "sevan"]),
        ("eight", ["ate", "eigt"]), ("nine", ["nin", "nien"]), ("o'clock", ["oclok", "o clock", "oclock"]), ("four", ["for", "fore"]),
    ];

    /// <summary>Writes it.</summary>
    /// <param name="answer">The answer as it would be typed.</param>
    /// <param name="manner">Which of three ways of writing badly it is mostly: 0 signs, 1 what stands round it, 2 words.</param>
    /// <param name="random">Chance.</param>
    public static string Of(string answer, int manner, Random random)
    {
        if (answer.Contains('|')) return answer;
        var written = answer;
        if (manner == 0 || random.Next(3) == 0) written = Mark().Replace(written, random.Next(3) switch { 0 => ",", 1 => ";", _ => "." });
        if (manner == 1 || random.Next(3) == 0) written = random.Next(2) == 0 ? $"its {written}" : $"{written}.";
        if (manner == 2)
        {
            foreach (var (word, spelled) in BySound)
                written = Regex.Replace(written, $@"\b{word}\b", spelled[random.Next(spelled.Length)]);
            if (random.Next(2) == 0) written = Joined().Replace(written, "$1$2");
        }
        return written;
    }

    [GeneratedRegex(@"(?<=[0-9])[:.](?=[0-9])")]
    private static partial Regex Mark();

    [GeneratedRegex(@"(\w) ((?:past|to) )")]
    private static partial Regex Joined();
}
