using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;

namespace Umbick.Web.Pages.Children;

/// <summary>A child by a few letters of the alias.</summary>
[Authorize(Who.Records)]
public sealed class FindModel(IDatabase database) : SchoolPage(database)
{
    [BindProperty(SupportsGet = true), StringLength(Alias.Longest)]
    public string Letters { get; set; } = "";

    /// <summary>Whoever has the letters in the alias: those whom they begin first.</summary>
    public IReadOnlyList<ListedChild> Found { get; private set; } = [];

    /// <summary>Opens the first; where nobody has them, the page says so.</summary>
    public async Task<IActionResult> OnGet()
    {
        await Look();
        return Found is [var first, ..] ? Redirect($"/children/{first.Id}") : Page();
    }

    /// <summary>The list alone, while somebody types.</summary>
    public async Task<IActionResult> OnGetList()
    {
        await Look();
        return Partial("_Found", this);
    }

    private async Task Look()
    {
        Letters = ModelState.IsValid ? (Letters ?? "").Trim() : "";
        if (Letters.Length > 0) Found = await InSchool(connection => Enrolment.FindByLetters(connection, Letters));
    }
}
