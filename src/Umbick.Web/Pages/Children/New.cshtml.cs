using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>Adds a child to the caseload.</summary>
public sealed class NewModel(Database database, TimeProvider clock) : PageModel
{
    public string Alias { get; private set; } = "";

    public Stage Stage { get; private set; } = Stage.FiveMinutesTo;

    public string? Told { get; private set; }

    /// <summary>Who is on the caseload under this alias already; null where nobody is.</summary>
    public Guid? There { get; private set; }

    public void OnGet()
    {
    }

    public async Task<IActionResult> OnPost(string? alias, Stage stage)
    {
        Alias = (alias ?? "").Trim();
        Told = Store.Alias.Fault(Alias) ?? (Enum.IsDefined(stage) ? null : "Choose what has been taught so far.");
        if (Told is not null) return Refused();
        Stage = stage;
        var (school, now) = (User.Teacher().School, clock.GetUtcNow());
        var child = new Child(Guid.CreateVersion7(now), Alias, stage);
        var (id, wasThere) = await database.InSchool(school, connection => Store.Children.Join(connection, school, child, now.UtcDateTime), HttpContext.RequestAborted);
        if (!wasThere) return Redirect($"/children/{id}");
        (There, Told) = (id, $"{Alias} is on the caseload already. Choose another alias, or go on with her.");
        return Refused();
    }

    private PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    }
}
