using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// How a pattern comes and goes within one sitting: at first and not later, every second time, on one side only. It is evidence beside the
/// belief, which knows nothing of it.
/// </summary>
public static class Manner
{
    /// <summary>So many answers of one kind, at least, make a part of a sitting, a side or a task.</summary>
    private const int Enough = 3;

    private static readonly (string InWords, Func<Item, bool> Is, Func<Item, bool> Else)[] Parts =
    [
        ("only when a clock is set", item => item.Task.Form == AnswerForm.Hands, item => item.Task.Form != AnswerForm.Hands),
        ("only when a clock is read", item => item.Task.Form != AnswerForm.Hands, item => item.Task.Form == AnswerForm.Hands),
        ("only in words", IsInWords, item => !IsInWords(item) && item.Task.Form != AnswerForm.Hands),
        ("only in figures", item => !IsInWords(item) && item.Task.Form != AnswerForm.Hands, IsInWords),
        ("only in the first half of the hour", item => item.Time.Minute is > 0 and < 30, item => item.Time.Minute > 30),
        ("only in the second half of the hour", item => item.Time.Minute > 30, item => item.Time.Minute is > 0 and < 30),
        ("only at hours up to six", item => item.Time.Hour <= 6, item => item.Time.Hour > 6),
        ("only at hours from seven on", item => item.Time.Hour > 6, item => item.Time.Hour <= 6),
    ];

    /// <summary>It in a few words; null where nothing stands out, or there is too little to say.</summary>
    /// <param name="evidence">The telling answers of a pattern.</param>
    /// <param name="from">The place among all answers at which the latest sitting begins: it is told of one sitting.</param>
    public static string? InWords(Evidence evidence, int from = 0)
    {
        var told = evidence.Shown.Where(answer => answer.Index >= from && !answer.Given.Helped)
            .Select(answer => (ItsWay: answer.Outcome == TellingOutcome.ItsWay, answer.Given.Item)).ToList();
        var its = told.Count(answer => answer.ItsWay);
        if (its < 2 || its == told.Count) return null;
        var first = told.TakeWhile(answer => answer.ItsWay).Count();
        var last = told.AsEnumerable().Reverse().TakeWhile(answer => answer.ItsWay).Count();
        if (first == its && first >= Enough && told.Count - first >= Enough) return "at first, and later no more";
        if (last == its && last >= Enough && told.Count - last >= Enough) return "not at first, only later";
        var changes = told.Zip(told.Skip(1)).Count(pair => pair.First.ItsWay != pair.Second.ItsWay);
        if (told.Count >= 2 * Enough && changes >= told.Count - 2) return "about every second time";
        foreach (var (words, within, without) in Parts)
        {
            if (told.Count(answer => answer.ItsWay && within(answer.Item)) == its
                && its > told.Count(answer => !answer.ItsWay && within(answer.Item))
                && told.Count(answer => without(answer.Item)) >= Enough)
                return words;
        }
        return null;
    }

    private static bool IsInWords(Item item) => item.Task.Form == AnswerForm.Words || item.Task.Stimulus == Stimulus.Words;
}
