namespace Umbick.Core.Patterns;

internal static class PlacingPatterns
{
    private static readonly PlacingRule OnNumeral = new(_ => 0);
    private static readonly PlacingRule Behind = new(minutes => -minutes / 60.0);
    private static readonly PlacingRule OnNearest = new(minutes => minutes > 30 ? 1 : 0);

    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("hour-hand-on-numeral", 0.09, OnNumeral, new(
            Name: "The hour hand is put right on the numeral",
            Finding: "{child} puts the hour hand right on the numeral, whatever the minutes.",
            Reads: "the hour hand on its numeral",
            Family: "When setting a clock your child leaves the short hand exactly on the number.",
            Why: "On a toy clock whose hands turn freely the short hand does stay where it is put.",
            HourFirst: "Turn a geared clock from the o’clock and watch only the short hand. Where is it when half the hour has gone?",
            MinuteFirst: "Set the long hand, then ask how much of the hour has gone. Move the short hand that much of its space.",
            Practise: "Practise: how far has it crept?"))
        { Alike = ["hand-on-nearest-numeral"], Variants = [OnNumeral.WithHalf()] },

        new("hour-hand-halfway", 0.05, new PlacingRule(minutes => minutes == 0 ? 0 : 0.5), new(
            Name: "The hour hand is put halfway",
            Finding: "{child} puts the hour hand halfway between numerals whenever it is not o’clock.",
            Reads: "the hour hand halfway",
            Family: "When setting a clock your child puts the short hand in the middle of the space.",
            Why: "Half {past} was the first time at which the hour hand left its numeral.",
            HourFirst: "Is it only a little past, half, or nearly the next? Place it and say which.",
            MinuteFirst: "Look at the long hand: how much of its turn is done? The short hand has done as much of its space.",
            Practise: "Practise: a little past, half, nearly there")),

        new("hour-hand-behind", 0.03, Behind, new(
            Name: "The hour hand is put before its numeral",
            Finding: "{child} moves the hour hand back from its numeral as the minutes grow.",
            Reads: "the hour hand before its numeral",
            Family: "When setting a clock your child moves the short hand the wrong way.",
            Why: "‘{To}’ times stand before the numeral they name, and this has spread to all times.",
            HourFirst: "From seven o’clock onwards both hands only walk forward. Turn it and see on which side of the 7 it is.",
            MinuteFirst: "Set the long hand by turning forward from the top, and let the short hand creep forward with it.",
            Practise: "Practise: both hands walk forward"))
        { Variants = [Behind.WithHalf()] },

        new("hand-on-nearest-numeral", 0.04, OnNearest, new(
            Name: "The hour hand is put on the nearest numeral",
            Finding: "{child} puts the hour hand on whichever numeral is nearest, and never between two.",
            Reads: "the hour hand on the nearest numeral",
            Family: "When setting a clock your child puts the short hand right on a number: on the next one once it is more than half "
                + "{past}.",
            Why: "A hand is thought to point at something, and what lies between two numerals has no name.",
            HourFirst: "At twenty {to} eight the 8 is near, and not yet reached. Turn a geared clock there and look at the gap.",
            MinuteFirst: "Set the long hand. So much of its turn is done: the short one has done as much of its space, and no more.",
            Practise: "Practise: near it is not on it"))
        { Alike = ["hour-hand-on-numeral"], Variants = [OnNearest.WithHalf()] },
    ];

    public static IReadOnlyList<Pattern> Pairs { get; } =
    [
        new("hour-hand-on-a-numeral", 0, OnNumeral, new(
            Name: "The hour hand is put right on a numeral",
            Finding: "{child} puts the hour hand right on a numeral: on its own or on the nearest.",
            Reads: "the hour hand on a numeral",
            Family: "When setting a clock your child puts the short hand exactly on a number.",
            Why: "A hand is thought to point at something. Whether it stays on its own numeral or goes to the nearest one, only later times "
                + "can tell: quarter {to} will.",
            HourFirst: "Turn a geared clock from the o’clock and watch only the short hand. Where is it when half the hour has gone?",
            MinuteFirst: "Set the long hand, then ask how much of the hour has gone. Move the short hand that much of its space.",
            Practise: "Practise: how far has it crept?"))
        {
            Either = ["hour-hand-on-numeral", "hand-on-nearest-numeral"],
            Alike = ["hour-hand-on-numeral", "hand-on-nearest-numeral"],
        },
    ];
}
