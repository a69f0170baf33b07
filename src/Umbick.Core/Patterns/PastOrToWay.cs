using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

/// <summary>Turning an hour and minutes into words with past or to, and words into an hour and minutes.</summary>
/// <param name="say">From the hour (1 to 12) and minutes to words.</param>
/// <param name="hear">From words to the hour (1 to 12) and minutes.</param>
public sealed class PastOrToWay(
    Func<int, int, IReadOnlyList<Weighted<SpokenTime>>> say,
    Func<SpokenTime, (int Hour, int Minutes)> hear) : Way(Step.PastOrTo)
{
    /// <summary>How often a child whose own hour is the coming one says 'to' with it unturned, and so is right by accident.</summary>
    private const double RightByAccident = 0.25;

    /// <summary>The usual words for an hour and minutes.</summary>
    public static IReadOnlyList<Weighted<SpokenTime>> SayRightly(int hour, int minutes) => minutes switch
    {
        0 => [new(new(SpokenForm.OClock, 0, hour), 1)],
        <= 30 or >= 60 => [new(new(SpokenForm.Past, minutes, hour), 1)],
        _ => [new(new(SpokenForm.To, 60 - minutes, Hours.After(hour)), 1)],
    };

    /// <summary>What words mean.</summary>
    public static (int Hour, int Minutes) HearRightly(SpokenTime words)
    {
        var (amount, hour) = (words.Amount ?? 0, words.Hour ?? 12);
        return words.Form == SpokenForm.To && amount > 0 ? (Hours.Before(hour), 60 - amount) : (hour, amount);
    }

    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Read(Thought thought)
    {
        if (thought.OtherAt is not null) return Only(thought);
        var said = say(thought.Hour, thought.Minutes)
            .Select(words => new Weighted<Thought>(thought with { Spoken = words.Value }, words.Weight));
        var coming = Hours.After(thought.Time.Hour);
        if (thought.Hour != coming || thought.Minutes is <= 30 or >= 60) return said;
        var unturned = thought with { Spoken = new SpokenTime(SpokenForm.To, 60 - thought.Minutes, coming) };
        return said.Select(words => words with { Weight = words.Weight * (1 - RightByAccident) }).Append(new(unturned, RightByAccident));
    }

    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Invert(Thought thought)
    {
        var (hour, minutes) = hear(SpokenTime.Of(thought.Time));
        return Only(thought with { Hour = hour, Minutes = minutes });
    }
}
