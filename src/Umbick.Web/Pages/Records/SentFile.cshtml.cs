using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Umbick.Web.Pages.Records;

/// <summary>A file that was sent: how far it is, what it would add, what is wrong with it, and the outcome.</summary>
[Authorize(Who.Files)]
public sealed class SentFileModel(FileJobs jobs) : PageModel
{
    /// <summary>How many errors and new children are named.</summary>
    public const int Named = 40;

    public FileJob? Job { get; private set; }

    public IActionResult OnGet(FileJobId id)
    {
        Job = jobs.Find(User.Person().School, id);
        if (Job is null) Response.StatusCode = StatusCodes.Status404NotFound;
        return Request.IsScripted() ? Partial("_SentFile", Job) : Page();
    }

    public IActionResult OnPost(FileJobId id, bool onCaseload)
    {
        if (jobs.Find(User.Person().School, id) is not { } job) return NotFound();
        jobs.Import(job, onCaseload);
        return Redirect($"/files/{id}");
    }
}
