using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Teaching;
using Umbick.Casework;

namespace Umbick.Web.Pages.Ask;

/// <summary>Starts a sitting with a child, or opens the one that was left in the middle.</summary>
[Authorize(Who.Records)]
public sealed class StartModel(IDatabase database, Asking asking) : SchoolPage(database)
{
    private static readonly string[] Forms = ["A", "B", "C"];

    public async Task<IActionResult> OnPost(
        ChildId id, Plan? plan, DeliveryMode? delivery, string? form, string[]? task, SittingId? sitting, string? carries, string? hands,
        string? pattern)
    {
        var tasks = (task ?? []).Where(text => ClockTasks.Find(text) is not null).ToList();
        if (plan == Plan.Chosen && tasks.Count == 0) return Redirect($"/ask/begin/{id}?none=true");
        var options = new AskingOptions(plan ?? Plan.Adaptive, delivery ?? DeliveryMode.Conversation)
        {
            Form = Array.Find(Forms, text => text == form) ?? Forms[0],
            Tasks = tasks,
            ColdPattern = Catalogue.Find(pattern),
            ClockCarries = carries is not null && SettingList.OwnClock.Has(carries) ? carries : null,
            ClockHands = hands is not null && SettingList.OwnHands.Has(hands) ? hands : null,
            Id = sitting is { } made && made != default ? made : null
        };
        var started = await InSchool(connection => asking.Start(connection, id, options));
        return started is null ? NotFound() : Redirect($"/ask/{started}");
    }
}
