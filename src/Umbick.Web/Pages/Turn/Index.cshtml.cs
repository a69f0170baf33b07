using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Store;
using Umbick.Store.Casework;
using Umbick.Web.Faces;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Turn;

/// <summary>What the child sees: one question, or what came of her answer to it.</summary>
/// <param name="Turn">Where she is.</param>
/// <param name="LookAgain">What to look at, when an answer was not right.</param>
/// <param name="Told">Something that has to be told; null where there is nothing.</param>
public sealed record TurnView(Store.Casework.Turn Turn, string LookAgain, string? Told)
{
    /// <summary>The id of the answer that this page will send.</summary>
    public Guid AnswerId { get; } = Guid.CreateVersion7();

    /// <summary>The item.</summary>
    public Item Item => Turn.Asked!.Item;

    /// <summary>Her latest answer; null before she has given one.</summary>
    public Answer? Hers => (Turn.Second ?? Turn.First) is { } given ? AnswerParser.Parse(given.Raw) : null;

    /// <summary>Whether her latest answer is right.</summary>
    public bool IsRight => Turn.FirstRight || Turn.SecondRight;

    /// <summary>Her answer as a clock, or null where no clock shows it.</summary>
    public HandPositions? HersAsClock => Face.HandsOf(Hers is SaidRight ? Item.Claim : Hers);

    /// <summary>Her answer in words or figures.</summary>
    public string HersInFigures => Hers switch
    {
        PlacedAnswer { Hands: { } hands } => $"about {Wording.Usual.Digital(hands.Read())}",
        SaidRight => Item.Claim!.Short(Wording.Usual),
        { } answer => answer.Short(Wording.Usual),
        null => "",
    };

    /// <summary>The right answer, as it is told at last.</summary>
    public string Right => Item.Task == ClockTasks.ReadWords ? Wording.Usual.Words(Item.Time) : Wording.Usual.Digital(Item.Time);
}

/// <summary>The child's side: one sitting and nothing else.</summary>
[Authorize(Policy = Who.ChildPolicy)]
public sealed class IndexModel(Database database, Practising practising) : PageModel
{
    public TurnView View { get; private set; } = null!;

    public async Task<IActionResult> OnGet() => await Show() ? Page() : NotFound();

    public async Task<IActionResult> OnPostAnswer(Guid answer, int place, string? raw, string? instead, float? seconds, AnswerParts parts)
    {
        var text = (instead ?? (string.IsNullOrWhiteSpace(raw) ? parts.AsText() : raw)).Trim();
        if (answer == Guid.Empty || !ModelState.IsValid) return await Told("Something went missing on the way. Try once more.", StatusCodes.Status400BadRequest);
        if (text.Length == 0) return await Told("Put in your answer first.", StatusCodes.Status400BadRequest);
        if (text.Length > AnswerParser.LongestAnswer) return await Told("That is too long for a time. Try once more.", StatusCodes.Status400BadRequest);
        var (school, sitting) = User.Child();
        var submitted = await database.InSchool(
            school,
            async connection =>
            {
                var task = (await Practising.Where(connection, sitting))?.Asked?.Item.Task;
                return await practising.Answer(connection, school, sitting, new Submission(answer, place, text, task?.OnScreen ?? AnswerMode.Written, seconds));
            },
            HttpContext.RequestAborted);
        return submitted is Submitted.Kept or Submitted.KeptBefore
            ? await Shown()
            : await Told("This one was answered already. Here is where you are.", StatusCodes.Status409Conflict);
    }

    public async Task<IActionResult> OnPostOn(int place)
    {
        var (school, sitting) = User.Child();
        await database.InSchool(school, connection => practising.GoOn(connection, school, sitting, place), HttpContext.RequestAborted);
        return await Shown();
    }

    private async Task<bool> Show(string? told = null)
    {
        var (school, sitting) = User.Child();
        var view = await database.InSchool(
            school,
            async connection =>
            {
                if (await Practising.Where(connection, sitting) is not { } turn) return null;
                var set = await Sets.Find(connection, turn.Sitting.PracticeSet!.Value);
                return new TurnView(turn, ChildWords.LookAgain(set?.Pattern?.Step ?? Step.Hour), told);
            },
            HttpContext.RequestAborted);
        if (view is null) return false;
        View = view;
        return true;
    }

    private async Task<IActionResult> Shown()
    {
        if (Request.Headers["HX-Request"] != "true") return Redirect("/turn");
        return await Show() ? Partial("_Turn", View) : NotFound();
    }

    private async Task<IActionResult> Told(string told, int status)
    {
        if (!await Show(told)) return NotFound();
        Response.StatusCode = status;
        return Request.Headers["HX-Request"] == "true" ? Partial("_Turn", View) : Page();
    }
}

/// <summary>An answer put together from parts: words of three parts, or the places of two hands.</summary>
public sealed class AnswerParts
{
    public string? Amount { get; set; }

    public string? Number { get; set; }

    public string? Way { get; set; }

    public string? Hour { get; set; }

    public double? HourHand { get; set; }

    public double? MinuteHand { get; set; }

    /// <summary>The parts as they would be typed; what was left out is a gap.</summary>
    public string AsText()
    {
        if (HourHand is { } hour && MinuteHand is { } minute)
        {
            var placed = HandPositions.Wrapped(Math.Round(hour, 2), Math.Round(minute, 2));
            return string.Create(CultureInfo.InvariantCulture, $"{placed.Hour:0.##}|{placed.Minute:0.##}");
        }
        var amount = Amount is null or "number" ? Number : Amount;
        if (amount == "o'clock") return Hour is null ? "" : $"{Hour} o'clock";
        return amount is null && Way is null && Hour is null ? "" : $"{Gap(amount)} {Way ?? "?"} {Gap(Hour)}";
    }

    private static string Gap(string? part) => string.IsNullOrWhiteSpace(part) ? "?" : part;
}
