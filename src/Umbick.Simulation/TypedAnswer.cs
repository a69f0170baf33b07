using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>Answers in the many forms in which they are typed.</summary>
internal static class TypedAnswer
{
    /// <summary>The right answer to an item, had it been about another time.</summary>
    public static string Write(Item item, ClockTime time, Random random) =>
        InSomeForm((item with { Time = time }).Right.Short(Wording.Usual), random);

    /// <summary>The same answer in one of the forms in which it might be typed.</summary>
    public static string InSomeForm(string answer, Random random)
    {
        if (answer.Contains('|')) return answer;
        if (answer.Contains("past", StringComparison.Ordinal) || answer.Contains(" to ", StringComparison.Ordinal))
            return random.Next(3) == 0 && AnswerParser.Parse(answer) is WordsAnswer words ? Wording.Usual.Words(words.Time) : answer;
        return random.Next(4) == 0 && answer.Contains(':') ? answer.Replace(':', '.') : answer;
    }
}
