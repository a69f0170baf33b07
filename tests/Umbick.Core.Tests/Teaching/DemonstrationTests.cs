using Umbick.Core.Clocks;
using Umbick.Core.Patterns;
using Umbick.Core.Teaching;

namespace Umbick.Core.Tests;

/// <summary>What every demonstration has, and which is offered.</summary>
public sealed class DemonstrationTests
{
    public static TheoryData<string> Ids => [.. Demonstration.All.Select(demonstration => demonstration.Id)];

    [Theory]
    [InlineData("", false, 0)]
    [InlineData("first", false, 0)]
    [InlineData("first", true, 1)]
    [InlineData("other", true, 0)]
    [InlineData("other first", false, 1)]
    public void What_helped_is_called_to_mind_and_what_did_not_is_not_said_again(string shown, bool changes, int proposed)
    {
        var pattern = Catalogue.Find("next-hour")!;
        var offered = Demonstration.Offered(pattern, []);
        IReadOnlyList<string> ids =
            [.. shown.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(text => text == "first" ? offered[0].Id : offered[1].Id)];
        Assert.Equal(offered[proposed], Demonstration.Proposed(pattern, ids, changes));
    }

    [Fact]
    public void Every_pattern_has_two_demonstrations_or_more_and_every_one_is_for_patterns_that_exist()
    {
        Assert.All(Catalogue.All, pattern => Assert.True(Demonstration.Offered(pattern, []).Count >= 2, pattern.Id));
        Assert.All(Demonstration.All.SelectMany(demonstration => demonstration.For), id => Assert.NotNull(Catalogue.Find(id)));
        Assert.Equal(Demonstration.All.Count, Demonstration.All.Select(demonstration => demonstration.Id).Distinct().Count());
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_demonstration_asks_then_tells_and_has_a_contrast_that_differs_in_one_thing(string id)
    {
        var positions = Demonstration.Find(id)!.Positions;
        Assert.InRange(positions.Count, 2, 6);
        Assert.Contains(positions, position => position.IsContrast || !position.IsTrue);
        foreach (var (before, contrast) in positions.Zip(positions.Skip(1))
            .Where(pair => pair.Second is { IsContrast: true, IsTrue: true }))
            Assert.Contains(positions.TakeWhile(position => position != contrast), earlier => SharesAHand(earlier, contrast));
        Assert.All(positions, position =>
        {
            Assert.Matches("[.?!]$", position.Ask);
            Assert.Matches("[.?!]$", position.Say);
            Assert.DoesNotMatch(@"\b[Ss]he\b|\b[Hh]er\b", position.Ask + position.Say);
            Assert.DoesNotContain('{', Wording.Usual.Fill(position.Ask + position.Say));
            Assert.Equal(position.IsTrue, position.Hands.Agree);
        });
    }

    /// <summary>The hour, or the minutes, or the place of a hand are the same; or one has the other's hands exchanged.</summary>
    private static bool SharesAHand(Position position, Position other)
    {
        var (a, b) = (position.Hands, other.Hands);
        return Math.Floor(a.Hour + 1e-9) == Math.Floor(b.Hour + 1e-9) || a.Minute == b.Minute
            || HandPositions.HoursApart(a.Hour, b.Hour) <= 1.1
            || HandPositions.MinutesApart(a.Minute, b.Minute) <= 15 || HandPositions.HoursApart(a.Hour, b.Minute / 5) < 0.6;
    }

    [Fact]
    public void What_was_shown_comes_after_what_was_not_and_the_latest_comes_last()
    {
        var pattern = Catalogue.Find("next-hour")!;
        var all = Demonstration.Offered(pattern, []).Select(demonstration => demonstration.Id).ToList();
        Assert.Equal(["has-it-arrived", "space-belongs", "touch-the-one-behind"], all);
        Assert.Equal(["space-belongs", "touch-the-one-behind", "has-it-arrived"],
            Demonstration.Offered(pattern, ["has-it-arrived"]).Select(demonstration => demonstration.Id));
        Assert.Equal(["touch-the-one-behind", "has-it-arrived", "space-belongs"],
            Demonstration.Offered(pattern, ["space-belongs", "has-it-arrived"]).Select(demonstration => demonstration.Id));
        Assert.Equal("has-it-arrived", Demonstration.Offered(pattern, ["touch-the-one-behind", "space-belongs", "has-it-arrived"])[0].Id);
    }

    [Theory]
    [InlineData("12:00", false, "0:00", "12:00 a.m., midnight")]
    [InlineData("12:00", true, "12:00", "12:00 p.m., noon")]
    [InlineData("12:20", false, "0:20", "12:20 a.m.")]
    [InlineData("9:05", false, "9:05", "9:05 a.m.")]
    [InlineData("1:00", true, "13:00", "1:00 p.m.")]
    [InlineData("11:59", true, "23:59", "11:59 p.m.")]
    public void A_time_of_the_day_in_24_hours_and_in_halves(string time, bool afternoon, string in24, string inHalves)
    {
        var day = DayTime.At(ClockTime.TryParse(time)!.Value, afternoon);
        Assert.Equal((in24, inHalves), (day.In24Hours(Wording.Usual), day.InHalves(Wording.Usual)));
    }

    [Theory]
    [InlineData(4, 0, true)]
    [InlineData(4, 45, false)]
    [InlineData(4.75, 45, true)]
    [InlineData(11.95, 0, true)]
    [InlineData(0.5, 30, true)]
    [InlineData(0, 30, false)]
    public void Hands_agree_where_a_clock_shows_them(double hour, double minute, bool agree) =>
        Assert.Equal(agree, new HandPositions(hour, minute).Agree);
}
