using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework.Files;

namespace Umbick.Web.Pages.Records;

/// <summary>A file that was sent: how far it is, what it would add, what is wrong with it, and the outcome.</summary>
[Authorize(Who.Files)]
public sealed class SentFileModel(FileJobs jobs) : PageModel
{
    /// <summary>How many errors and new children are named.</summary>
    public const int Named = 40;

    public SentFileShown? Sent { get; private set; }

    public async Task<IActionResult> OnGet(FileJobId id)
    {
        Sent = await jobs.Find(User.Person().School, id, HttpContext.RequestAborted);
        if (Sent is null) Response.StatusCode = StatusCodes.Status404NotFound;
        return Request.IsScripted() ? Partial("_SentFile", Sent) : Page();
    }

    public async Task<IActionResult> OnPost(FileJobId id, bool onCaseload)
    {
        if (await jobs.Find(User.Person().School, id, HttpContext.RequestAborted) is null) return NotFound();
        await jobs.Import(User.Person().School, id, onCaseload, HttpContext.RequestAborted);
        return Redirect($"/files/{id}");
    }
}

/// <summary>A file that was sent, as it is shown.</summary>
/// <param name="File">The file.</param>
/// <param name="Report">What came of it; null while it runs and when it failed.</param>
public sealed record SentFileShown(SentFile File, ImportReport? Report);
