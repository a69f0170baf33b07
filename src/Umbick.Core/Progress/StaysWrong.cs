using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Progress;

/// <summary>Which clocks stay wrong over some cold starts.</summary>
/// <param name="Kind">What most of them have in common; null where they are of no one kind.</param>
/// <param name="Times">Some of those that came out wrong, the latest first.</param>
public sealed record StaysWrong(string? Kind, IReadOnlyList<ClockTime> Times)
{
    private const int MostTimes = 3;
    private const int Fewest = 2;

    /// <summary>The share of the wrong ones, and of a kind, 0 to 1, that make it what stays wrong.</summary>
    private const double Most = 0.6;

    /// <summary>How much oftener, 0 to 1, a kind is wrong than all else.</summary>
    private const double Clearly = 0.25;

    /// <summary>The narrowest first: the first that holds is told.</summary>
    private static readonly (string Kind, Predicate<Item> Has)[] Kinds =
    [
        ("the clocks between 12 and 1", item => item.Time is { Hour: 12, Minute: > 0 }),
        ("the clocks just before the hour", item => item.Time.Minute >= 50),
        ("the clocks just after the hour", item => item.Time.Minute is > 0 and <= 10),
        ("the clocks near half past", item => item.Time.Minute is >= 25 and <= 35),
        ("the clocks with single minutes", item => item.Time.Minute % 5 != 0),
        ("the clocks that are set", item => item.Task.Form == AnswerForm.Hands),
        ("the times in words", item => item.IsInWords),
        ("the clocks after half past", item => item.Time.Minute > 30),
        ("the clocks before half past", item => item.Time.Minute is > 0 and < 30),
    ];

    /// <summary>Finds it; null where nothing came out wrong.</summary>
    /// <param name="answers">The telling answers, the earliest first.</param>
    public static StaysWrong? From(IReadOnlyCollection<(Item Item, bool IsRight)> answers)
    {
        var wrong = answers.Where(answer => !answer.IsRight).Select(answer => answer.Item).ToList();
        if (wrong.Count == 0) return null;
        var (kind, has) = Kinds.FirstOrDefault(each => StaysMostly(each.Has));
        return new StaysWrong(kind,
            [.. Enumerable.Reverse(wrong).Where(item => has?.Invoke(item) != false).Select(item => item.Time).Distinct().Take(MostTimes)]);

        bool StaysMostly(Predicate<Item> kindHas)
        {
            var of = wrong.Count(item => kindHas(item));
            return of >= Fewest && of >= Most * wrong.Count
                && ShareWrong(answer => kindHas(answer.Item)) - ShareWrong(answer => !kindHas(answer.Item)) >= Clearly;
        }

        double ShareWrong(Func<(Item Item, bool IsRight), bool> some) =>
            answers.Where(some).Select(answer => answer.IsRight ? 0.0 : 1).DefaultIfEmpty(0).Average();
    }

    /// <summary>It as a sentence.</summary>
    /// <param name="wording">How times are said.</param>
    public string InWords(Wording wording)
    {
        var times = string.Join(", ", Times.Select(wording.Digital));
        return Kind is null ? $"Wrong were {times}: of no one kind." : $"Wrong are mostly {Kind} ({times}).";
    }
}
