using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Items;
using Umbick.Casework;

namespace Umbick.Web.Pages.Classes;

/// <summary>Classes that are screened.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, ClassScreening screen) : SchoolPage(database)
{
    private const int LongestTitle = 120;

    public IReadOnlyList<Screening> Screenings { get; private set; } = [];

    /// <summary>How many earlier ones are not listed.</summary>
    public int Earlier { get; private set; }

    public string? Message { get; private set; }

    /// <summary>The id of the class that this page would make: sending it twice makes one.</summary>
    public ScreeningId NewId { get; private set; } = ScreeningId.New();

    public string Title { get; private set; } = "";

    public string Aliases { get; private set; } = "";

    public Stage Stage { get; private set; } = Stage.FiveMinutesTo;

    public Task OnGet(bool all) => Load(all);

    public async Task<IActionResult> OnPost(ScreeningId? id, string? title, Stage stage, string? aliases)
    {
        (Title, Aliases, NewId) = ((title ?? "").Trim(), aliases ?? "", id is { IsGiven: true } made ? made : NewId);
        var list = Aliases.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).ToList();
        Message = Fault(list);
        if (!Stages.OfReading.Contains(stage)) Message ??= "Choose what has been taught so far.";
        else Stage = stage;
        if (Message is not null)
        {
            await Load();
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return Page();
        }
        var started = await InSchool(connection => screen.Start(connection, Title, stage, list, NewId));
        return Redirect($"/classes/{started}");
    }

    private string? Fault(List<string> aliases)
    {
        if (Title.Length is 0 or > LongestTitle) return $"Give the class a name of at most {LongestTitle} letters.";
        if (aliases.Count == 0) return "Type the children's aliases, one a line.";
        if (aliases.Count > ClassScreening.MostChildren)
            return $"That is {aliases.Count} children; a class has {ClassScreening.MostChildren} at most. Nothing was made, and the list "
                + $"is still here.";
        if (aliases.Find(alias => Alias.Fault(alias) is not null) is { } wrong)
            return $"“{(wrong.Length > 20 ? wrong[..20] + "…" : wrong)}”: {Alias.Fault(wrong)}";
        var twice = aliases.GroupBy(alias => alias).FirstOrDefault(same => same.Count() > 1);
        return twice is null ? null : $"“{twice.Key}” stands twice. Each child needs an alias of their own.";
    }

    private async Task Load(bool all = false) => (Screenings, Earlier) = await InSchool(connection => ClassScreening.List(connection, all));
}
