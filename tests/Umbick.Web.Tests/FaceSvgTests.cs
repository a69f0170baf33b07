using System.Globalization;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Drawing;

namespace Umbick.Web.Tests;

public sealed class FaceSvgTests
{
    [Fact]
    public void Every_time_drawn_and_read_back_is_itself()
    {
        foreach (var time in ClockTime.All())
        {
            var svg = Drawn(new Face(FaceSize.Middle) { Hands = HandPositions.Showing(time) });
            Assert.Equal(time, HandPositions.Wrapped(Degrees(svg, ".hand-true.hand-hour") / 30, Degrees(svg, ".hand-true.hand-minute") / 6)
                .Read());
        }
    }

    [Fact]
    public void The_hour_s_space_is_shaded_where_the_short_hand_is_shown()
    {
        var face = new Face(FaceSize.Large) { Hands = HandPositions.Showing(new ClockTime(3, 15)), Support = Support.Some };
        Assert.NotNull(Drawn(face).QuerySelector(".hour-space"));
        Assert.NotNull(Drawn(face with { Only = OneHand.Hour }).QuerySelector(".hour-space"));
        Assert.Null(Drawn(face with { Only = OneHand.Minute }).QuerySelector(".hour-space"));
    }

    [Fact]
    public void The_shadow_lies_under_the_true_hands()
    {
        var svg = Drawn(Face.Showing(FaceSize.Large, new ClockTime(4, 0), DigitalAnswer.Showing(new ClockTime(12, 20)), isRight: false,
            "4:00"));
        var hands = svg.QuerySelectorAll(".hand").Select(hand => hand.ClassList[1]).ToList();
        Assert.Equal(["hand-shadow", "hand-shadow", "hand-true", "hand-true"], hands);
        Assert.Equal(120, Degrees(svg, ".hand-shadow.hand-minute"));
    }

    [Fact]
    public void A_right_answer_has_no_shadow() =>
        Assert.Empty(Drawn(Face.Showing(FaceSize.Mini, new ClockTime(4, 0), DigitalAnswer.Showing(new ClockTime(4, 0)), isRight: true,
            null)).QuerySelectorAll(".hand-shadow"));

    [Fact]
    public void A_wrong_answer_that_no_clock_shows_is_still_marked()
    {
        var svg = Drawn(Face.Showing(FaceSize.Mini, new ClockTime(4, 0), new DigitalAnswer(10, 60, 2), isRight: false, null));
        Assert.Empty(svg.QuerySelectorAll(".hand-shadow"));
        Assert.Contains("face-wrong", svg.ClassName, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(FaceSize.Mini, 0, 0)]
    [InlineData(FaceSize.Middle, 12, 12)]
    [InlineData(FaceSize.Large, 60, 12)]
    public void Each_size_draws_its_own(FaceSize size, int ticks, int numerals)
    {
        var svg = Drawn(new Face(size) { Hands = HandPositions.Showing(new ClockTime(1, 0)) });
        Assert.Equal(ticks, svg.QuerySelectorAll(".tick").Length);
        Assert.Equal(numerals, svg.QuerySelectorAll(".numeral").Length);
    }

    [Theory]
    [InlineData(Support.Bare, 0, 0, 0)]
    [InlineData(Support.Some, 1, 0, 0)]
    [InlineData(Support.Most, 1, 12, 0)]
    [InlineData(Support.Full, 1, 12, 2)]
    public void Support_draws(Support support, int spaces, int minuteNumbers, int halves)
    {
        var svg = Drawn(new Face(FaceSize.Large) { Hands = HandPositions.Showing(new ClockTime(6, 20)), Support = support });
        Assert.Equal(spaces, svg.QuerySelectorAll(".hour-space").Length);
        Assert.Equal(minuteNumbers, svg.QuerySelectorAll(".minute-number").Length);
        Assert.Equal(halves, svg.QuerySelectorAll(".half").Length);
    }

    [Fact]
    public void A_face_without_a_label_is_not_spoken()
    {
        Assert.Equal("true", Drawn(new Face(FaceSize.Mini)).GetAttribute("aria-hidden"));
        var labelled = Drawn(new Face(FaceSize.Mini) { Label = "4:00 & \"so\"" });
        Assert.Equal("img", labelled.GetAttribute("role"));
        Assert.Equal("4:00 & \"so\"", labelled.GetAttribute("aria-label"));
    }

    private static IElement Drawn(Face face) =>
        new HtmlParser().ParseDocument(FaceSvg.Draw(face, TeachingPreferences.Usual)).QuerySelector("svg")!;

    private static double Degrees(IElement svg, string hand) =>
        double.Parse(svg.QuerySelector(hand)!.GetAttribute("transform")!["rotate(".Length..^1], CultureInfo.InvariantCulture);
}
