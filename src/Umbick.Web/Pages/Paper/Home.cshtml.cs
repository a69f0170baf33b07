using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;

namespace Umbick.Web.Pages.Paper;

/// <summary>One side for the family: one idea, three days, three minutes each. It tells no finding and no pattern.</summary>
[Authorize(Who.Records)]
public sealed class HomeModel(IDatabase database, HomePages pages, RequestPreferences preferences) : SchoolPage(database)
{
    public HomePage Home { get; private set; } = null!;

    public HomeIdea Idea { get; private set; } = null!;

    public string? Message { get; private set; }

    public bool ChildDraws => HomeLanguage.ChildDraws(Home.Pattern.Step);

    public string Told(ClockTime time) => Home.Language.Told(time, Home.Pattern.Step, preferences.Wording);

    public string? OldWay(HomeClock clock) => Home.Language.OldWay(clock.OldWay, Home.Pattern.Step, preferences.Wording);

    public Task<IActionResult> OnGet(ChildId id, string? pattern, string? language) => Shown(id, pattern, language);

    /// <summary>Keeps what the family told: by day, on the day that the page came back.</summary>
    public async Task<IActionResult> OnPost(ChildId id, string? pattern, string? language, string? toldOn, [FromForm] string?[] how)
    {
        if (!DateOnly.TryParseExact(toldOn, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            || day > preferences.Today || !SchoolYears.Hold(day) || how.Length != HomeSet.Days
            || how.Any(told => !string.IsNullOrEmpty(told) && !HomePages.Told.Contains(told)))
        {
            Message = "Nothing was kept. Say on which day it came back, today or before, and press one for each of the three days.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return await Shown(id, pattern, language);
        }
        var known = await InSchool(async connection =>
        {
            var all = true;
            for (var i = 0; i < how.Length; i++)
            {
                all &= await pages.Note(connection, id, day, i + 1, string.IsNullOrEmpty(how[i]) ? null : how[i], User.Person().Id);
            }
            return all;
        });
        return known ? Redirect($"/paper/home/{id}?pattern={Catalogue.Find(pattern)?.Id}&language={Uri.EscapeDataString(language ?? "")}")
            : NotFound();
    }

    private async Task<IActionResult> Shown(ChildId id, string? pattern, string? language)
    {
        if (Catalogue.Find(pattern) is not { } found || !Steps.OfReading.Contains(found.Step)
            || await InSchool(connection => pages.Load(connection, id, found, language)) is not { } home) return NotFound();
        Home = home;
        preferences.OfChild = home.Child.Preferences;
        Idea = home.Language.For(found.Step, preferences.Wording);
        return Page();
    }
}
