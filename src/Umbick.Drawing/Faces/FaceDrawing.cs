using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Drawing;

/// <summary>
/// Draws a face: the one place where a clock becomes shapes, for a screen and for paper. The middle is at 0,0 and the rim at 97.
/// </summary>
public static class FaceDrawing
{
    /// <summary>The radius of the rim.</summary>
    public const double Rim = 97;

    /// <summary>
    /// How far the hour hand of a large face reaches: where a hand is taken hold of goes by it.
    /// </summary>
    public const int HourHandReach = 54;

    private const double NumeralsAt = 72;
    private const double MinutesAt = 113;

    private static readonly string[] Roman = ["", "I", "II", "III", "IIII", "V", "VI", "VII", "VIII", "IX", "X", "XI", "XII"];

    /// <summary>How far from the middle anything of a face is drawn.</summary>
    public static double Edge(Face face, Dial dial) => HasMinuteNumbers(face, dial) ? 124 : 101;

    /// <summary>The shapes of a face, what lies under others first.</summary>
    /// <param name="face">The face.</param>
    /// <param name="preferences">How faces look and times are said here.</param>
    public static IReadOnlyList<Shape> Shapes(Face face, TeachingPreferences preferences)
    {
        var dial = preferences.Dial;
        List<Shape> shapes = [new Disc("face-ground", 0, 0, face.Size == FaceSize.Mini ? 94 : Rim)];
        AddSupport(shapes, face, preferences.Wording);
        if (HasMinuteNumbers(face, dial)) AddMinuteNumbers(shapes, countsBack: face is { InWords: true, Support: Support.Full });
        if (face.Size != FaceSize.Mini)
            shapes.AddRange(DialShapes(face.Size, face.Blank ? dial with { Numerals = Numerals.None } : dial));
        if (face.Shadow is { } shadow) AddHands(shapes, shadow, face.Size, "shadow", face.Only);
        if (face.Hands is { } hands) AddHands(shapes, hands, face.Size, "true", face.Only);
        if (dial.SecondHand && face.Hands is not null && face.Size == FaceSize.Large)
            shapes.Add(new Line("hand-second", 0, -90, 0, 20));
        if (face.Hands is not null || face.Shadow is not null)
            shapes.Add(new Disc("face-pin", 0, 0, face.Size == FaceSize.Large ? 5 : 6));
        return shapes;
    }

    /// <summary>The outline of the hour hand pointing up: short, broad, like a leaf.</summary>
    public static IReadOnlyList<(double X, double Y)> HourHand(FaceSize size) => size switch
    {
        FaceSize.Mini => [(0, -52), (14, -24), (7, 14), (-7, 14), (-14, -24)],
        FaceSize.Middle => [(0, -54), (9, -30), (5.5, 12), (-5.5, 12), (-9, -30)],
        _ => [(0, -HourHandReach), (7.5, -33), (4, 12), (-4, 12), (-7.5, -33)],
    };

    /// <summary>The outline of the minute hand pointing up: long, slim, straight, reaching the ticks.</summary>
    public static IReadOnlyList<(double X, double Y)> MinuteHand(FaceSize size) => size switch
    {
        FaceSize.Mini => [(0, -86), (6, -78), (6, 14), (-6, 14), (-6, -78)],
        FaceSize.Middle => [(0, -88), (3, -80), (3, 14), (-3, 14), (-3, -80)],
        _ => [(0, -88), (2.2, -80), (2.2, 14), (-2.2, 14), (-2.2, -80)],
    };

    /// <summary>What stands at an hour's place; null where nothing does.</summary>
    public static string? Numeral(int hour, Numerals numerals) => numerals switch
    {
        Numerals.Roman => Roman[hour],
        Numerals.Quarters when hour % 3 != 0 => null,
        Numerals.None => null,
        _ => hour.ToString(CultureInfo.InvariantCulture),
    };

    /// <summary>The ticks and the numerals of a face.</summary>
    internal static IEnumerable<Shape> DialShapes(FaceSize size, Dial dial)
    {
        for (var minute = 0; minute < 60 && dial.Ticks != Ticks.None; minute++)
        {
            var numeral = minute % 5 == 0;
            if (!numeral && (size != FaceSize.Large || dial.Ticks == Ticks.Fives)) continue;
            var ((x1, y1), (x2, y2)) = (Round.At(minute * 6, numeral ? 84 : 89), Round.At(minute * 6, 94));
            yield return new Line(numeral ? "tick tick-numeral" : "tick", x1, y1, x2, y2);
        }
        for (var hour = 1; hour <= 12; hour++)
        {
            if (Numeral(hour, dial.Numerals) is not { } words) continue;
            var (x, y) = Round.At(hour * 30, NumeralsAt);
            yield return new Text("numeral", x, y, words);
        }
    }

    private static bool HasMinuteNumbers(Face face, Dial dial) => face.Size == FaceSize.Large && !face.Blank && dial.MinuteNumbers switch
    {
        MinuteNumbers.Always => true,
        MinuteNumbers.Never => false,
        _ => face.Support >= Support.Most,
    };

    /// <summary>
    /// The minutes at each numeral. Beside the halves for past and to the left side counts down where words are asked: 35 would be said as
    /// “35 past”. Where figures are asked 25 would be written as the minutes.
    /// </summary>
    private static void AddMinuteNumbers(List<Shape> shapes, bool countsBack)
    {
        for (var minute = 0; minute < 60; minute += 5)
        {
            var (x, y) = Round.At(minute * 6, MinutesAt);
            var number = countsBack && minute > 30 ? 60 - minute : minute;
            shapes.Add(new Text("minute-number", x, y, number.ToString(CultureInfo.InvariantCulture)));
        }
    }

    private static void AddSupport(List<Shape> shapes, Face face, Wording wording)
    {
        if (face.Support == Support.Bare || face.Hands is not { } hands) return;
        if (face.Support == Support.Full)
        {
            shapes.Add(new Sector("half half-past", 82, 0, 180));
            shapes.Add(new Sector("half half-to", 82, 180, 180));
            // Low in each half; where the short hand's space is there, high.
            var (past, to) = (IsIn(hands.Hour, 3, 6) ? -42 : 42, IsIn(hands.Hour, 6, 9) ? -42 : 42);
            shapes.Add(new Text("half-word", 38, past, wording.Past));
            shapes.Add(new Text("half-word", -38, to, wording.To));
        }
        // Without the short hand its space would be one more thing to wonder at.
        if (face.Only != OneHand.Minute) shapes.Add(new Sector("hour-space", 60, Math.Floor(hands.Hour + 1e-9) * 30, 30));
    }

    private static bool IsIn(double hour, int from, int to) => hour + 1e-9 >= from && hour + 1e-9 < to;

    private static void AddHands(List<Shape> shapes, HandPositions hands, FaceSize size, string whose, OneHand? only)
    {
        if (only != OneHand.Minute) shapes.Add(new Outline($"hand hand-{whose} hand-hour", HourHand(size), hands.Hour * 30));
        if (only != OneHand.Hour) shapes.Add(new Outline($"hand hand-{whose} hand-minute", MinuteHand(size), hands.Minute * 6));
    }
}
