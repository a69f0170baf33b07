namespace Umbick.Core.Progress;

/// <summary>Right and wrong at one place of the dial.</summary>
/// <param name="Place">The hour, 1 to 12; or the first minute of a sector of five, 0 to 55.</param>
/// <param name="Right">How many were right.</param>
/// <param name="Wrong">How many were wrong.</param>
public sealed record DialCount(int Place, int Right, int Wrong);

/// <summary>Right and wrong by part of the face.</summary>
/// <param name="Hours">By hour, 1 to 12.</param>
/// <param name="Sectors">By sector of five minutes, from 0 on.</param>
public sealed record DialMap(IReadOnlyList<DialCount> Hours, IReadOnlyList<DialCount> Sectors)
{
    /// <summary>Counts answers given without help.</summary>
    public static DialMap From(IEnumerable<ScoredAnswer> answers)
    {
        var counted = answers.Where(answer => !answer.Helped && answer.Item.OtherSkill is null).ToList();
        return new DialMap(
            [.. Enumerable.Range(1, 12).Select(hour => Count(hour, counted.Where(answer => answer.Item.Time.Hour == hour)))],
            [.. Enumerable.Range(0, 12)
                .Select(sector => Count(sector * 5, counted.Where(answer => answer.Item.Time.Minute / 5 == sector)))]);
    }

    /// <summary>The last weeks, in days.</summary>
    private const int NowDays = 42;

    /// <summary>With fewer answers a dial is no picture.</summary>
    private const int Fewest = 6;

    /// <summary>
    /// The dial before practice began, and that of the last six weeks; the second null where nothing was practised, or too little was
    /// answered since.
    /// </summary>
    /// <param name="answers">The answers, the earliest first.</param>
    /// <param name="practisedFrom">The day on which practice began; null where it never did.</param>
    /// <param name="today">The day that it is.</param>
    public static (DialMap Then, DialMap? Now) ThenAndNow(IReadOnlyList<ScoredAnswer> answers, DateOnly? practisedFrom, DateOnly today)
    {
        if (practisedFrom is not { } from) return (From(answers), null);
        var now = answers.Where(answer => answer.Day > from && answer.Day > today.AddDays(-NowDays)).ToList();
        return (From(answers.Where(answer => answer.Day <= from)),
            now.Count(answer => !answer.Helped && answer.Item.OtherSkill is null) < Fewest ? null : From(now));
    }

    private static DialCount Count(int place, IEnumerable<ScoredAnswer> answers)
    {
        var all = answers.ToList();
        var right = all.Count(answer => answer.IsRight);
        return new DialCount(place, right, all.Count - right);
    }
}
