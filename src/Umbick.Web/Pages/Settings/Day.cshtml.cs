using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.Settings;

/// <summary>Eight times of the school's own day, with their words.</summary>
[Authorize(Who.Records)]
public sealed class DayModel(IDatabase database, TimeProvider clock) : SchoolPage(database)
{
    public bool Kept { get; private set; }

    public string? Message { get; private set; }

    /// <summary>The day as it stands in the form: what was typed, where it could not be kept.</summary>
    public IReadOnlyList<(string Words, string At)> Day { get; private set; } = [];

    public async Task OnGet(bool kept) => (Kept, Day) = (kept, [.. (await InSchool(SchoolTimes.Load)).Select(moment =>
        (moment.Words, moment.At.ToString("HH:mm", CultureInfo.InvariantCulture)))]);

    public async Task<IActionResult> OnPost(string[] words, string[] at)
    {
        if (words.Length != SchoolMoment.Count || at.Length != SchoolMoment.Count) return BadRequest();
        Day = [.. words.Zip(at, (what, when) => (what ?? "", when ?? ""))];
        var times = Day.Select(moment => TimeOnly.TryParseExact(moment.At, "HH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None,
            out var time) ? time : default(TimeOnly?)).ToList();
        Message = times.Contains(null) ? "Each of the eight needs a time, such as 08:50. Nothing was kept."
            : await InSchool(connection => SchoolTimes.Keep(connection,
                [.. Day.Zip(times, (moment, time) => new SchoolMoment(moment.Words.Trim(), time!.Value))], User.Person().Id,
                clock.GetUtcNow().UtcDateTime));
        if (Message is null) return Redirect("/settings/day?kept=true");
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    }
}
