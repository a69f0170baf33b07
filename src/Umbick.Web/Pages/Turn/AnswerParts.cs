using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.Turn;

/// <summary>An answer put together from the fields of a box on the child's screen.</summary>
public sealed class AnswerParts
{
    /// <summary>What was typed, or chosen as it stands.</summary>
    public string? Raw { get; set; }

    public string? Amount { get; set; }

    public string? Number { get; set; }

    public string? Way { get; set; }

    public string? Hour { get; set; }

    public double? HourHand { get; set; }

    public double? MinuteHand { get; set; }

    public string? HourOf { get; set; }

    public string? PlaceOf { get; set; }

    public int[] Beside { get; set; } = [];

    public int? LongAt { get; set; }

    public string[] Chosen { get; set; } = [];

    public string?[] Pairs { get; set; } = [];

    public string?[] Numerals { get; set; } = [];

    /// <summary>The answer as it would be typed; empty where nothing was put in. What was left out is a gap.</summary>
    public string AsText(Item? item) => item is null ? Raw ?? "" : AnswerBoxes.Of(item) switch
    {
        AnswerBox.HandAndTime => $"{Placed()} {Raw}".Trim(),
        AnswerBox.Clocks => ClockLetters.Spelled(item, Raw ?? ""),
        _ when !string.IsNullOrWhiteSpace(Raw) => Raw,
        AnswerBox.Words => InWords(),
        AnswerBox.Hands => Placed(),
        AnswerBox.HourPlace => HourOf is null ? "" : $"{HourOf} {PlaceOf}".Trim(),
        AnswerBox.Places => Beside.Length is 1 or 2 && LongAt is { } at ? Places(at) : "",
        AnswerBox.Several => string.Join("; ", Chosen),
        AnswerBox.Pairs => string.Join("; ", item.Clocks.Zip(Pairs).Where(pair => !string.IsNullOrEmpty(pair.Second)).Select(pair => $"{pair.First}={pair.Second}")),
        AnswerBox.Numerals => Numerals.All(string.IsNullOrWhiteSpace) ? "" : string.Join(' ', Numerals.Select(Gap)),
        _ => "",
    };

    private string Placed()
    {
        if (HourHand is null && MinuteHand is null) return "";
        var placed = HandPositions.Wrapped(Math.Round(HourHand ?? 0, 2), Math.Round(MinuteHand ?? 0, 2));
        return new PlacedAnswer(HourHand is null ? null : placed.Hour, MinuteHand is null ? null : placed.Minute).Raw;
    }

    private string InWords()
    {
        var amount = Amount is null or "number" ? Number : Amount;
        if (amount == "o'clock") return Hour is null ? "" : $"{Hour} o'clock";
        return amount is null && Way is null && Hour is null ? "" : $"{Gap(amount)} {Way ?? "?"} {Gap(Hour)}";
    }

    private string Places(int at)
    {
        if (Beside.Length == 1) return string.Create(CultureInfo.InvariantCulture, $"on {Beside[0]}, {at}");
        // Between 12 and 1 the walk round the face goes on from the top.
        var (from, to) = (Beside.Min(), Beside.Max());
        return from == 1 && to == 12 ? $"between 12 and 1, {at}" : $"between {from} and {to}, {at}";
    }

    private static string Gap(string? part) => string.IsNullOrWhiteSpace(part) ? "?" : part.Trim();
}
