using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Practice;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>A visit with three made-up children, move by move: all that was done stands in the address.</summary>
public sealed class VisitModel(IDatabase database, RequestPreferences preferences, TimeProvider clock)
    : TrainerPage(database, preferences, clock)
{
    /// <summary>Rungs that somebody has to press: to wait is a button of its own.</summary>
    public static IReadOnlyList<Rung> RungsToGive { get; } = [Rung.LookAgain, Rung.HandNamed, Rung.TwoChoices, Rung.Told];

    public int Visit { get; private set; }

    public string Moves { get; private set; } = "";

    public TrainingVisit Played { get; private set; } = null!;

    /// <summary>Who is said to copy, from 0; null where that was not said yet.</summary>
    public int? Copies { get; private set; }

    private SeatedChild Copier => Played.Children.First(child => child.Manner == Manner.Copier);

    public bool FoundCopier => Copies is { } copies && Played.Children[copies] == Copier;

    public string OfCopier => FoundCopier ? $"Yes: {Copier.Alias} looked at another’s board."
        : $"It was {Copier.Alias} who looked at another’s board, and not {Played.Children[Copies!.Value].Alias}.";

    public IActionResult OnGet(int visit, string? moves, int? copies) => Play(visit, moves, copies) ? Page() : NotFound();

    public async Task<IActionResult> OnPost(TrainingId id, int visit, string? moves, int? copies)
    {
        if (!Play(visit, moves, copies) || Copies is null) return NotFound();
        await Keep(new TrainingRow
        {
            Id = id,
            Kind = "visit",
            Seed = Visit,
            Moves = Moves,
            Verdict = $"{Copies}",
            Told = $"{OfCopier} Help too soon {Times(Played.TooSoon.Count)}, not waited for {Times(Played.NotWaitedFor.Count)}.",
            WentWell = FoundCopier && Played.TooSoon.Count + Played.NotWaitedFor.Count == 0,
            At = Moment,
        });
        return Redirect($"/trainer/visit?visit={Visit}&moves={Moves}&copies={Copies}");
    }

    /// <summary>The address after one more move.</summary>
    public string After(VisitMove move) => $"/trainer/visit?visit={Visit}&moves={Moves}{VisitMove.Write([move])}";

    private static string Times(int count) => count == 1 ? "once" : $"{count} times";

    private bool Play(int visit, string? moves, int? copies)
    {
        if (!ModelState.IsValid || visit is < 1 or > 1_000_000 || VisitMove.Read(moves) is not { } read || copies is < 0 or > 2)
            return false;
        (Visit, Moves, Copies) = (visit, moves ?? "", copies);
        Played = new(visit, read);
        return copies is null || Played.IsOver;
    }
}
