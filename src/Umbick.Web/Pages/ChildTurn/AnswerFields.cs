using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.ChildTurn;

/// <summary>An answer put together from the fields of a box on the child's screen.</summary>
public sealed class AnswerFields
{
    /// <summary>What was typed, or chosen as it stands.</summary>
    public string? Raw { get; set; }

    public string? Amount { get; set; }

    public string? Number { get; set; }

    /// <summary>The field keeps the name it had: an answer may wait on a tablet since before a later version came.</summary>
    [ModelBinder(Name = "way")]
    public string? PastOrTo { get; set; }

    public string? Hour { get; set; }

    public string? HourHand { get; set; }

    public string? MinuteHand { get; set; }

    /// <summary>Where the hour hand was put by number: what counts where no hand was moved, and where pages run no scripts.</summary>
    public string? HourPut { get; set; }

    /// <summary>Where the minute hand was put by number.</summary>
    public string? MinutePut { get; set; }

    public string? HourOf { get; set; }

    public string? PlaceOf { get; set; }

    public string[] Beside { get; set; } = [];

    public string? LongAt { get; set; }

    public string[] Chosen { get; set; } = [];

    public string?[] Pairs { get; set; } = [];

    public string?[] Numerals { get; set; } = [];

    /// <summary>
    /// The answer as it would be typed; empty where nothing was put in, or a hand was left alone. A part left out of a time in words is a
    /// gap.
    /// </summary>
    public string AsText(Item? item) => item is null ? Raw ?? "" : AnswerBoxes.BoxFor(item) switch
    {
        AnswerBox.HandAndTime => $"{(Minute is null ? "" : Placed())} {Raw}".Trim(),
        AnswerBox.Clocks => ClockLetters.Spelled(item, Raw ?? ""),
        _ when !string.IsNullOrWhiteSpace(Raw) => Raw,
        AnswerBox.Words or AnswerBox.VerdictInWords => InWords(),
        AnswerBox.Hands => AreHandsPut(item) ? Placed() : "",
        AnswerBox.HourPlace => HourOf is null ? "" : $"{HourOf} {PlaceOf}".Trim(),
        AnswerBox.Places => Places(),
        AnswerBox.Several => string.Join("; ", Chosen),
        AnswerBox.Pairs => string.Join("; ",
            item.Clocks.Zip(Pairs).Where(pair => !string.IsNullOrEmpty(pair.Second)).Select(pair => $"{pair.First}={pair.Second}")),
        AnswerBox.Numerals => Numerals.All(string.IsNullOrWhiteSpace) ? "" : string.Join(' ', Numerals.Select(Gap)),
        _ => "",
    };

    /// <summary>What a child is told who has put in nothing, or not all.</summary>
    public static string Missing(Item item) => AnswerBoxes.BoxFor(item) switch
    {
        AnswerBox.Hands when item.Task == ClockTasks.RepairClock => "Move the hand that is wrong first.",
        AnswerBox.Hands when AnswerBoxes.LooseHands(item) is (true, true) && item.Task != ClockTasks.RepairClock =>
            "Move both hands first. One that is right already: touch it.",
        AnswerBox.Hands => "Move the hand first.",
        _ => "Put in your answer first.",
    };

    /// <summary>Whether every hand was touched that has to be put: one that was left alone is no answer.</summary>
    private bool AreHandsPut(Item item)
    {
        var (hour, minute) = AnswerBoxes.LooseHands(item);
        var (hourPut, minutePut) = (HourAt is not null, Minute is not null);
        return item.Task == ClockTasks.RepairClock ? hourPut || minutePut : (hourPut || !hour) && (minutePut || !minute);
    }

    private string Placed()
    {
        var (hour, minute) = (HourAt, Minute);
        var placed = HandPositions.Wrapped(Math.Round(hour ?? 0, 2), Math.Round(minute ?? 0, 2));
        return new PlacedAnswer(hour is null ? null : placed.Hour, minute is null ? null : placed.Minute).Raw;
    }

    private double? HourAt => Position(HourHand) ?? Numbered(HourPut, 12);

    private double? Minute => Position(MinuteHand) ?? Numbered(MinutePut, 60);

    private static double? Position(string? text) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var at) && double.IsFinite(at) ? at : null;

    private static double? Numbered(string? text, double round) =>
        Position(text is null ? null : GivenText.Plain(text).Replace(',', '.')) is { } at && at >= 0 && at <= round ? at : null;

    private string InWords()
    {
        var amount = Amount is null or "number" ? Number : Amount;
        if (amount == "o'clock") return Hour is null ? "" : $"{Hour} o'clock";
        return amount is null && PastOrTo is null && Hour is null ? "" : $"{Gap(amount)} {PastOrTo ?? "?"} {Gap(Hour)}";
    }

    private string Places()
    {
        var beside = Beside.Select(Numeral).OfType<int>().Order().ToList();
        if (beside.Count is not (1 or 2) || Numeral(LongAt) is not { } at) return "";
        if (beside.Count == 1) return $"on {beside[0]}, {at}";
        // Between 12 and 1 the walk round the face goes on from the top.
        return beside is [1, 12] ? $"between 12 and 1, {at}" : $"between {beside[0]} and {beside[1]}, {at}";
    }

    private static int? Numeral(string? text) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var numeral) && numeral is >= 1 and <= 12 ? numeral : null;

    private static string Gap(string? part) => string.IsNullOrWhiteSpace(part) ? "?" : part.Trim();
}
