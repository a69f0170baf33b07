using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>Where an adult begins to train, and looks back on what they have done.</summary>
public sealed class IndexModel(IDatabase database, RequestPreferences preferences, TimeProvider clock)
    : TrainerPage(database, preferences, clock)
{
    /// <summary>What the signed-in person has trained with, the latest first.</summary>
    public IReadOnlyList<TrainingRow> Course { get; private set; } = [];

    /// <summary>The level to go on with: the first of which the last conversation did not come out right.</summary>
    public TrainingLevel Next { get; private set; }

    /// <summary>The number of another visit.</summary>
    public int Visit { get; } = Random.Shared.Next(1, 10_000);

    /// <summary>The number of this week's thirty answers.</summary>
    public int Week => (ISOWeek.GetYear(Moment) * 100) + ISOWeek.GetWeekOfYear(Moment);

    /// <summary>How it has gone lately, compared with nobody.</summary>
    public string Lately
    {
        get
        {
            var talks = Course.Where(row => row.Kind == "child").Take(10).ToList();
            return talks.Count == 0 ? "" : $"Of your last {(talks.Count == 1 ? "conversation" : $"{talks.Count} conversations")}, "
                + $"{talks.Count(row => row.WentWell)} came out right.";
        }
    }

    public async Task OnGet()
    {
        if (User.IsSignedIn()) Course = await InSchool(connection => OwnCourse.Load(connection, User.Person().Id));
        Next = TrainingLevels.All.FirstOrDefault(
            level => Course.FirstOrDefault(row => row.Level == level.Id()) is not { WentWell: true }, TrainingLevel.OnePattern);
    }

    public async Task<IActionResult> OnPostDelete(TrainingId? id)
    {
        if (!User.IsSignedIn()) return NotFound();
        if (!ModelState.IsValid) return BadRequest();
        await InSchool(connection => OwnCourse.Delete(connection, User.Person().Id, id));
        return Redirect("/trainer");
    }

    /// <summary>What a row of the course is called.</summary>
    public static string Name(TrainingRow row) => row.Kind switch
    {
        "visit" => "A visit with three",
        "marking" => "Thirty answers",
        _ => TrainingLevels.Find(row.Level)?.Name() ?? row.Level,
    };

    /// <summary>Where it stands once more.</summary>
    public static string Address(TrainingRow row) => row.Kind switch
    {
        "visit" => $"/trainer/visit?visit={row.Seed}&moves={row.Moves}&copies={row.Verdict}",
        "marking" => $"/trainer/marking?set={row.Seed}&marks={row.Moves}",
        _ => $"/trainer/told?level={row.Level}&child={row.Seed}&asked={Uri.EscapeDataString(row.Moves)}"
            + (row.Verdict.Split(' ') is [var verdict, var words, var shown]
                ? $"&verdict={Uri.EscapeDataString(verdict)}&words={words}&shown={shown}" : ""),
    };
}
