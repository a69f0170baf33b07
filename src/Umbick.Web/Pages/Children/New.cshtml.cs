using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.Children;

/// <summary>Adds a child to the caseload.</summary>
[Authorize(Who.Records)]
public sealed class NewModel(IDatabase database, TimeProvider clock) : SchoolPage(database)
{
    public string Alias { get; private set; } = "";

    public Stage Stage { get; private set; } = Stage.FiveMinutesTo;

    public string? Message { get; private set; }

    /// <summary>Who is on the caseload under this alias already; null where nobody is.</summary>
    public ChildId? There { get; private set; }

    public void OnGet()
    {
    }

    /// <summary>The id of the child that this page would add: sending it twice adds one.</summary>
    public ChildId NewId { get; private set; } = ChildId.New();

    public async Task<IActionResult> OnPost(ChildId? id, string? alias, Stage stage)
    {
        if (id is { } made && made != default) NewId = made;
        Alias = (alias ?? "").Trim();
        Message = Umbick.Casework.Alias.Fault(Alias) ?? (Enum.IsDefined(stage) ? null : "Choose what has been taught so far.");
        if (Message is not null) return Refused();
        Stage = stage;
        var child = new Child(NewId, Alias, stage);
        var (joined, wasThere) = await InSchool(connection => Enrolment.Join(connection, child, clock.GetUtcNow().UtcDateTime));
        if (!wasThere) return Redirect($"/children/{joined}");
        (There, Message) = (joined, $"{Alias} is on the caseload already. Choose another alias, or go on with that child.");
        return Refused();
    }

    private PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    }
}
