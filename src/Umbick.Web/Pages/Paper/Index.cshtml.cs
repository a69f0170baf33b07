using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;

namespace Umbick.Web.Pages.Paper;

/// <summary>Paper: what came back is entered by its code, and what can be printed stands in one place.</summary>
[Authorize(Who.Sittings)]
public sealed class IndexModel(IDatabase database, SheetsPrinted sheets, PaperEntry entry, RequestPreferences preferences)
    : SchoolPage(database)
{
    public IReadOnlyList<(SheetOut Sheet, SheetCode Code)> Out { get; private set; } = [];

    public string? Message { get; private set; }

    public string Typed { get; private set; } = "";

    /// <summary>The day that the sheets of this pile were done; the next sheet is told the same.</summary>
    public DateOnly? Day { get; private set; }

    /// <summary>The stage that is chosen for a page without a name.</summary>
    public Stage Stage { get; private set; } = Stage.HalfPast;

    public async Task<IActionResult> OnGet(string? day)
    {
        Day = DayIn(day);
        Out = await InSchool(sheets.Out);
        return Page();
    }

    /// <summary>Opens the sheet of a code; where it has no day yet it is told the pile's.</summary>
    public async Task<IActionResult> OnPost(string? code, string? day)
    {
        (Typed, Day) = (code is { Length: > 24 } ? code[..24] : code ?? "", DayIn(day));
        var (found, why) = await InSchool(async connection =>
        {
            var (read, not) = await PaperEntry.Find(connection, Typed);
            if (read is not null && Day is { } told && await entry.Load(connection, read.Letters) is { Day: null })
                await entry.TellDay(connection, read.Letters, told);
            return (read, not);
        });
        if (found is not null) return Redirect($"/paper/{found.Letters}{(Day is { } pile ? $"?day={pile:yyyy-MM-dd}" : "")}");
        Message = why;
        Out = await InSchool(sheets.Out);
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    }

    private DateOnly? DayIn(string? text) =>
        DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            && day <= preferences.Today && SchoolYears.Hold(day) ? day : null;
}
