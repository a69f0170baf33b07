using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages.SenseOfTime;

/// <summary>A child's sense of time: a card of two minutes, what was guessed and what it was, and how it has gone.</summary>
[Authorize(Who.Sittings)]
public sealed class ChildModel(IDatabase database, TimeProvider clock) : SchoolPage(database)
{
    public Casework.SenseOfTime Sense { get; private set; } = null!;

    public TimeCard Card { get; private set; } = TimeCard.All[0];

    public IReadOnlyList<SchoolMoment> Day { get; private set; } = [];

    public string? Message { get; private set; }

    /// <summary>What was typed, and could not be kept.</summary>
    public (string? Given, string? Real, string? GivenAgain, string? RealAgain) Typed { get; private set; }

    public async Task<IActionResult> OnGet(ChildId id, string? card)
    {
        Card = TimeCard.Find(card) ?? TimeCard.All[0];
        return await Load(id) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPost(
        ChildId id, TimeTryId tried, string? card, string? given, string? real, string? givenAgain, string? realAgain)
    {
        if (TimeCard.Find(card) is not { } found || tried == default) return BadRequest();
        (Card, Typed) = (found, (given, real, givenAgain, realAgain));
        var first = Pair(given, real);
        var second = string.IsNullOrWhiteSpace(givenAgain) && string.IsNullOrWhiteSpace(realAgain) ? null : Pair(givenAgain, realAgain);
        Message = first is null || (second is null && !string.IsNullOrWhiteSpace($"{givenAgain}{realAgain}"))
            ? "Type numbers: 40, or 12.5. Nothing was kept."
            : await InSchool(connection => Casework.SenseOfTime.Keep(connection, tried, id, found, first.Value, second, User.Person().Id,
                clock.GetUtcNow().UtcDateTime));
        if (Message is null) return Redirect($"/children/{id}/time?card={found.Id}");
        return await Load(id) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostTakeBack(ChildId id, TimeTryId tried)
    {
        await InSchool(connection => Casework.SenseOfTime.TakeBack(connection, id, tried));
        return Redirect($"/children/{id}/time");
    }

    /// <summary>What the first number of a card is.</summary>
    public static string Given(TimeCard card) => card.Measure switch
    {
        CardMeasure.Stopping => "Stopped after, in seconds",
        CardMeasure.Counting => $"Said before, in {card.Unit}",
        _ => $"Guessed, in {card.Unit}",
    };

    /// <summary>A try in figures.</summary>
    public static string InWords(GuessAndReal guess) =>
        string.Create(CultureInfo.InvariantCulture, $"{guess.Given:0.#} of {guess.Real:0.#} ({guess.Ratio:0.00})");

    private async Task<bool> Load(ChildId child)
    {
        var found = await InSchool(async connection =>
        {
            Day = await SchoolTimes.Load(connection);
            return await Casework.SenseOfTime.Load(connection, child);
        });
        if (found is null) return false;
        Sense = found;
        return true;
    }

    private GuessAndReal? Pair(string? given, string? real)
    {
        if (Card.Measure == CardMeasure.Stopping) real = Card.Seconds.ToString(CultureInfo.InvariantCulture);
        return Number(given) is { } first && Number(real) is { } second ? new(first, second) : null;
    }

    private static double? Number(string? text) =>
        double.TryParse(text?.Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
            && double.IsFinite(number) ? number : null;
}
