namespace Umbick.Core.Clocks;

/// <summary>How a time is put into words.</summary>
public enum SpokenForm
{
    /// <summary>Six o'clock.</summary>
    OClock,

    /// <summary>Some minutes past an hour: twenty past six, half past six.</summary>
    Past,

    /// <summary>Some minutes to an hour: quarter to seven.</summary>
    To,
}

/// <summary>A time as it is said, which need not be how anybody should say it: <c>40 to 7</c> is one too.</summary>
/// <param name="Form">O'clock, past or to.</param>
/// <param name="Amount">The minutes named before past or to (quarter is 15, half is 30; a muddled count can pass 59); null where it was
/// left open.</param>
/// <param name="Hour">The hour named, 1 to 12; null where it was left open.</param>
/// <exception cref="ArgumentOutOfRangeException">The minutes are below nought, or no numeral names the hour.</exception>
public sealed record SpokenTime(SpokenForm Form, int? Amount, int? Hour)
{
    /// <summary>The minutes named before past or to, 0 and more; null where it was left open.</summary>
    public int? Amount { get; init => field = NotBelowNought(value); } = NotBelowNought(Amount);

    /// <summary>The hour named, 1 to 12; null where it was left open.</summary>
    public int? Hour { get; init => field = OnFace(value); } = OnFace(Hour);

    /// <summary>The usual words: o'clock, past up to the half hour, then to the coming hour.</summary>
    public static SpokenTime From(ClockTime time) => time.Minute switch
    {
        0 => new(SpokenForm.OClock, 0, time.Hour),
        <= 30 => new(SpokenForm.Past, time.Minute, time.Hour),
        _ => new(SpokenForm.To, 60 - time.Minute, Hours.After(time.Hour)),
    };

    /// <summary>The time that these words mean, or null where a part is left open or no hour has so many minutes.</summary>
    public ClockTime? Meaning()
    {
        if (Amount is not ({ } amount and < 60) || Hour is not { } hour) return null;
        var named = new ClockTime(hour, 0);
        return Form == SpokenForm.To ? named.Plus(-amount) : named.Plus(amount);
    }

    private static int? NotBelowNought(int? amount) =>
        amount is null or >= 0 ? amount
            : throw new ArgumentOutOfRangeException(nameof(amount), amount, "Nobody names minutes below nought.");

    private static int? OnFace(int? hour) =>
        hour is null or (>= 1 and <= 12) ? hour
            : throw new ArgumentOutOfRangeException(nameof(hour), hour, "An hour is named by a numeral of the face.");
}
