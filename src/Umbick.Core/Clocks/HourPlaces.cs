namespace Umbick.Core.Clocks;

/// <summary>How far past its numeral an hour hand is.</summary>
public enum HourPlace
{
    /// <summary>Exactly on it.</summary>
    On,

    /// <summary>A little past it.</summary>
    LittlePast,

    /// <summary>Halfway to the next.</summary>
    Halfway,

    /// <summary>Nearly at the next.</summary>
    NearlyNext,
}

/// <summary>Places of the hour hand between numerals.</summary>
public static class HourPlaces
{
    /// <summary>The place that belongs to these minutes (0 to 59).</summary>
    public static HourPlace PlaceOf(int minute) => minute switch
    {
        0 => HourPlace.On,
        < 25 => HourPlace.LittlePast,
        <= 35 => HourPlace.Halfway,
        _ => HourPlace.NearlyNext,
    };

    /// <summary>How far past its numeral a hand is there, in hours, 0 to 1: in the middle of what is called so.</summary>
    public static double Middle(HourPlace? place) => place switch
    {
        HourPlace.LittlePast => 0.2,
        HourPlace.Halfway => 0.5,
        HourPlace.NearlyNext => 0.8,
        _ => 0,
    };

    /// <summary>
    /// Where to put the hour hand of a clock whose hands are loose: how much of the way it has gone from one numeral to the next.
    /// </summary>
    public static string ToPut(ClockTime time)
    {
        var way = time.Minute switch
        {
            0 => null,
            <= 7 => "only just past",
            <= 12 => "a little",
            <= 17 => "a quarter",
            <= 22 => "a third",
            <= 27 => "not quite half",
            <= 32 => "half",
            <= 37 => "a little more than half",
            <= 42 => "two thirds",
            <= 47 => "three quarters",
            <= 53 => "most",
            _ => "nearly all",
        };
        return time.Minute switch
        {
            0 => $"exactly on the {time.Hour}",
            <= 7 => $"{way} the {time.Hour}",
            _ => $"{way} of the way from {time.Hour} to {Hours.After(time.Hour)}",
        };
    }

    /// <summary>Where an hour hand is that was told by its place; by its numeral alone where no more was said.</summary>
    public static string InWords(HourPlaceAnswer answer) =>
        answer.Place is { } place ? InWords(new ClockTime(answer.Hour, (int)Math.Round(Middle(place) * 60))) : $"at the {answer.Hour}";

    /// <summary>Where the hour hand is at a time, told in a sentence.</summary>
    public static string InWords(ClockTime time) => PlaceOf(time.Minute) switch
    {
        HourPlace.On => $"exactly on the {time.Hour}",
        HourPlace.LittlePast => $"a little past the {time.Hour}",
        HourPlace.Halfway => $"halfway between the {time.Hour} and the {Hours.After(time.Hour)}",
        _ => $"past the {time.Hour}, nearly at the {Hours.After(time.Hour)}",
    };
}
