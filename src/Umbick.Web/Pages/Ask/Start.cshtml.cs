using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Store.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Ask;

/// <summary>Starts a sitting with a child, or opens the one that was left in the middle.</summary>
public sealed class StartModel(Database database, Asking asking) : PageModel
{
    private static readonly string[] KnownPlans = [Plans.Adaptive, Plans.Form, Plans.Ground, Plans.Chosen];
    private static readonly string[] KnownWays = [Ways.Conversation, Ways.OwnClock, Ways.Screen];
    private static readonly string[] Forms = ["A", "B", "C"];

    public async Task<IActionResult> OnPost(Guid id, string? plan, string? way, string? form, string[]? task, Guid? sitting)
    {
        var school = User.Teacher().School;
        var tasks = (task ?? []).Where(one => ClockTasks.Find(one) is not null).ToList();
        if (plan == Plans.Chosen && tasks.Count == 0) return Redirect($"/ask/begin/{id}?none=true");
        var beginning = new Beginning(Known(plan, KnownPlans), Known(way, KnownWays)) { Form = Known(form, Forms), Tasks = tasks, Id = sitting is { } made && made != Guid.Empty ? made : null };
        var started = await database.InSchool(school, connection => asking.Start(connection, school, id, beginning), HttpContext.RequestAborted);
        return started is null ? NotFound() : Redirect($"/ask/{started}");
    }

    private static string Known(string? given, string[] all) => all.FirstOrDefault(one => one == given) ?? all[0];
}
