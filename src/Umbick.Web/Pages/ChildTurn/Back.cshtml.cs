using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;

namespace Umbick.Web.Pages.ChildTurn;

/// <summary>Where whoever handed this device to a child comes back to it, by six figures.</summary>
[Authorize(Policy = Who.ChildPolicy)]
public sealed class BackModel(IDatabase database, BackDoor door) : SchoolPage(database)
{
    /// <summary>Whether figures can be typed here just now.</summary>
    public bool IsOpen { get; private set; }

    public string? Message { get; private set; }

    protected override SchoolId SchoolId => User.Child().School;

    public async Task OnGet() => IsOpen = await door.IsOpen(HttpContext);

    public async Task<IActionResult> OnPost(string? figures)
    {
        var sitting = await InSchool(connection => Asking.Find(connection, User.Child().Sitting));
        Message = await door.Enter(HttpContext, figures ?? "");
        if (Message is null)
        {
            return Redirect(sitting switch
            {
                null => "/",
                { IsPractice: true, PracticeSet: { } set } => $"/practise/{set}",
                _ => $"/ask/{sitting.Id}",
            });
        }
        Response.StatusCode = StatusCodes.Status400BadRequest;
        IsOpen = await door.IsOpen(HttpContext);
        return Page();
    }
}
