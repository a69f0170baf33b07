using CsCheck;
using Umbick.Core.Clocks;

namespace Umbick.Core.Tests;

/// <summary>Laws that hold for every time there is.</summary>
public sealed class ClockLawTests
{
    private static readonly Gen<ClockTime> Times =
        Gen.Select(Gen.Int[1, 12], Gen.Int[0, 59], (hour, minute) => new ClockTime(hour, minute));

    private static readonly Gen<Wording> Wordings = Gen.Select(
        OneOf.These("past", "after"), OneOf.These("to", "till", "of", "before"), OneOf.These(':', '.'),
        (past, to, mark) => new Wording(past, to, mark));

    [Fact]
    public void A_drawn_clock_read_back_gives_its_time() =>
        Times.Sample(time => HandPositions.Showing(time).Read() == time);

    [Fact]
    public void A_clock_placed_a_little_unsteadily_still_reads_as_its_time() =>
        Gen.Select(Times, Gen.Double[-0.3, 0.3], Gen.Double[-0.4, 0.4], (time, hour, minute) => (time, hour, minute)).Sample(placed =>
        {
            var hands = HandPositions.Showing(placed.time);
            return HandPositions.Wrapped(hands.Hour + placed.hour, hands.Minute + placed.minute).Read() == placed.time;
        });

    [Fact]
    public void Figures_in_every_wording_are_read_back() =>
        Gen.Select(Times, Wordings)
            .Sample((time, wording) => AnswerParser.Parse(wording.Digital(time)).Equals(DigitalAnswer.Showing(time)));

    [Fact]
    public void Words_in_every_wording_are_read_back() =>
        Gen.Select(Times, Wordings)
            .Sample((time, wording) => AnswerParser.Parse(wording.Words(time)).Equals(new WordsAnswer(SpokenTime.From(time))));

    [Fact]
    public void Words_mean_the_time_they_were_made_of() =>
        Times.Sample(time => SpokenTime.From(time).Meaning() == time);

    [Fact]
    public void What_stands_in_a_file_is_read_back() =>
        Times.Sample(time => ClockTime.TryParse(time.ToString()) == time);

    [Fact]
    public void Going_on_and_back_ends_where_it_began() =>
        Gen.Select(Times, Gen.Int[-2000, 2000]).Sample((time, minutes) => time.Plus(minutes).Plus(-minutes) == time);

    [Fact]
    public void The_parser_never_throws() =>
        Gen.String[OneOf.These<char>([.. "0123456789:.|?-–’ 'abcdhlopqrstyé\t\n𝟙"]), 0, 40]
            .Sample(raw => AnswerParser.Parse(raw) is not null);

    [Theory]
    [InlineData(12, 0)]
    [InlineData(-0.01, 0)]
    [InlineData(3, 60)]
    [InlineData(3, -1)]
    [InlineData(double.NaN, 0)]
    [InlineData(3, double.PositiveInfinity)]
    public void No_hand_points_off_the_face(double hour, double minute)
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => new HandPositions(hour, minute));
        Assert.Throws<ArgumentOutOfRangeException>(() => new HandPositions(3, 15) with { Hour = hour, Minute = minute });
    }

    [Theory]
    [InlineData(-1, 6)]
    [InlineData(10, 0)]
    [InlineData(10, 13)]
    public void Nobody_says_an_hour_that_no_numeral_names_nor_minutes_below_nought(int minutes, int hour) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => new SpokenTime(SpokenForm.Past, minutes, hour));

    [Theory]
    [InlineData("12:00", 12, 0, 0)]
    [InlineData("12:25", 12, 0.4167, 25)]
    [InlineData("12:59", 12, 0.9833, 59)]
    [InlineData("1:00", 1, 1, 0)]
    [InlineData("6:30", 6, 6.5, 30)]
    [InlineData("11:59", 11, 11.9833, 59)]
    public void The_hour_is_the_last_numeral_passed(string text, int hour, double hourHand, double minuteHand)
    {
        var time = ClockTime.TryParse(text)!.Value;
        var hands = HandPositions.Showing(time);
        Assert.Equal(hour, time.Hour);
        Assert.Equal(hourHand, hands.Hour, 3);
        Assert.Equal(minuteHand, hands.Minute);
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(13, 0)]
    [InlineData(5, 60)]
    [InlineData(5, -1)]
    public void A_time_that_no_face_can_show_is_none(int hour, int minute)
    {
        Assert.Null(ClockTime.TryCreate(hour, minute));
        Assert.Throws<ArgumentOutOfRangeException>(() => new ClockTime(hour, minute));
    }

    [Theory]
    [InlineData("6:05", "five past six")]
    [InlineData("6:30", "half past six")]
    [InlineData("6:31", "twenty-nine minutes to seven")]
    [InlineData("6:45", "quarter to seven")]
    [InlineData("12:59", "one minute to one")]
    [InlineData("12:00", "twelve o'clock")]
    public void Words(string time, string words) =>
        Assert.Equal(words, Wording.Usual.Words(ClockTime.TryParse(time)!.Value));
}
