namespace Umbick.Core.Clocks;

/// <summary>Clocks joined with times.</summary>
public sealed record PairsAnswer(IReadOnlyList<(ClockTime Clock, Answer Time)> Pairs) : Answer
{
    /// <summary>Reads <c>3:20=4:20; 5:00=5:00</c>: the clock, then the time joined to it.</summary>
    public static Answer Parse(string raw)
    {
        var pairs = new List<(ClockTime, Answer)>();
        foreach (var part in GivenText.Plain(raw).Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var sides = part.Split('=', 2, StringSplitOptions.TrimEntries);
            if (sides.Length != 2 || ClockTime.TryParse(sides[0]) is not { } clock
                || AnswerParser.Parse(sides[1], Typist.Child) is not ({ Meaning: not null } and var time)) return new Unread(raw);
            pairs.Add((clock, time));
        }
        return pairs.Count == 0 ? new Unread(raw) : new PairsAnswer(pairs);
    }

    /// <summary>Whether the same pairs were joined, in whatever order.</summary>
    public bool Equals(PairsAnswer? other) =>
        other is not null && Pairs.Select(pair => (pair.Clock, pair.Time.Meaning)).ToHashSet()
            .SetEquals(other.Pairs.Select(pair => (pair.Clock, pair.Time.Meaning)));

    /// <inheritdoc/>
    public override int GetHashCode() => Pairs.Sum(pair => pair.Clock.GetHashCode());

    /// <inheritdoc/>
    public override string Short(Wording wording) => string.Join("; ", Pairs.Select(pair => $"{pair.Clock}={pair.Time.Short(wording)}"));
}
