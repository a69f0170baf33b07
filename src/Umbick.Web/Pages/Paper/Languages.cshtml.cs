using System.Text;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages.Paper;

/// <summary>The languages of the school's families: a file of texts each, made from the English one.</summary>
[Authorize(Who.Records)]
public sealed class LanguagesModel(IDatabase database, HomePages pages) : SchoolPage(database)
{
    private const int LargestFile = 64 * 1024;

    public IReadOnlyList<HomeLanguage> Languages { get; private set; } = [];

    public IReadOnlyList<string> Faults { get; private set; } = [];

    public async Task<IActionResult> OnGet()
    {
        Languages = await InSchool(HomePages.Languages);
        return Page();
    }

    /// <summary>The English texts, to be put into another language.</summary>
    public FileContentResult OnGetEnglish() => File(Encoding.UTF8.GetBytes(HomeLanguage.EnglishText), "application/json", "en-GB.json");

    public async Task<IActionResult> OnPost(IFormFile? file)
    {
        Faults = await FaultsOf(file);
        if (Faults.Count == 0) return Redirect("/paper/languages");
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return await OnGet();
    }

    public async Task<IActionResult> OnPostRemove(string? tag)
    {
        await InSchool(connection => HomePages.Remove(connection, tag ?? ""));
        return Redirect("/paper/languages");
    }

    private async Task<IReadOnlyList<string>> FaultsOf(IFormFile? file)
    {
        if (file is not { Length: > 0 and <= LargestFile }) return ["Choose a file of texts; it has 64 kB at most."];
        using var reader = new StreamReader(file.OpenReadStream());
        var text = await reader.ReadToEndAsync(HttpContext.RequestAborted);
        return await InSchool(connection => pages.Add(connection, text, User.Person().Id));
    }
}
