namespace Umbick.Core.Clocks;

/// <summary>Answers as they are read out: what is placed or told of hands cannot be said as figures.</summary>
public static class AnswerInWords
{
    /// <summary>An answer, in the school's wording.</summary>
    public static string For(Answer answer, Wording wording) => answer switch
    {
        PlacedAnswer placed => HandsInWords.For(placed),
        PlacesAnswer places => places.From == places.To ? $"short hand on the {places.From}, long hand at the {places.MinuteAt}"
            : $"short hand between {places.From} and {places.To}, long hand at the {places.MinuteAt}",
        HourPlaceAnswer { Hour: >= 1 and <= 12 } place => HourPlaces.InWords(place),
        DigitalAnswer { Hour: null, Minutes: { } minutes } => $"{minutes} minutes",
        _ => answer.Short(wording),
    };
}
