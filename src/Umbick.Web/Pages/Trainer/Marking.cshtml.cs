using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>Thirty answers to mark, one after the other; then how far the marks agree with the model, and with a colleague.</summary>
public sealed class MarkingModel(IDatabase database, RequestPreferences preferences, TimeProvider clock, TrainerTurns turns)
    : TrainerPage(database, preferences, clock)
{
    /// <summary>The number of the thirty.</summary>
    public int Set { get; private set; }

    /// <summary>The marks so far.</summary>
    public IReadOnlyList<Mark> Marks { get; private set; } = [];

    public string Written => MarkingSet.Write(Marks);

    /// <summary>When it began, in seconds since 1970.</summary>
    public long From { get; private set; }

    public IReadOnlyList<ToMark> All { get; private set; } = [];

    /// <summary>The answer to mark now; null where all are marked.</summary>
    public ToMark? Current => Marks.Count < All.Count ? All[Marks.Count] : null;

    public IReadOnlyList<MarkedAlike> ByKind => MarkingSet.Agreement(All, Marks);

    public int Agreed => ByKind.Sum(kind => kind.Agreed);

    /// <summary>How long it took, in seconds; null where that is not known.</summary>
    public long? Took { get; private set; }

    public Kappa? Kappa => Umbick.Training.Kappa.Of([.. All.Zip(Marks, (answer, mark) => (answer.Model, mark))]);

    /// <summary>Where the marks differ from the model’s.</summary>
    public IReadOnlyList<(ToMark Answer, Mark Mark)> Unlike =>
        [.. All.Zip(Marks).Where(each => each.First.Model != each.Second)];

    /// <summary>The same marks in the own course; null where they are not kept.</summary>
    public TrainingRow? Kept { get; private set; }

    /// <summary>Colleagues who share theirs, with how far both agree.</summary>
    public IReadOnlyList<(string Name, Kappa? Kappa)> Colleagues { get; private set; } = [];

    public async Task<IActionResult> OnGet(int set, string? marks, string? mark, long? from)
    {
        if (!ModelState.IsValid || !Find(set, $"{marks}{mark}", from)) return NotFound();
        if (mark is not null) return Redirect($"/trainer/marking?set={Set}&marks={Written}&from={From}");
        if (Current is null && User.IsSignedIn())
        {
            await InSchool(async connection =>
            {
                Kept = (await OwnCourse.Load(connection, User.Person().Id))
                    .FirstOrDefault(row => row.Kind == "marking" && row.Seed == Set && row.Moves == Written);
                Colleagues = [.. (await OwnCourse.Shared(connection, User.Person().Id, Set)).Select(other => (other.Name,
                    Umbick.Training.Kappa.Of([.. Marks.Zip(MarkingSet.Read(other.Marks) ?? [])])))];
            });
        }
        return Page();
    }

    public async Task<IActionResult> OnPost(TrainingId id, int set, string? marks, long? from)
    {
        if (!ModelState.IsValid || !Find(set, marks, from) || Current is not null) return NotFound();
        await Keep(new TrainingRow
        {
            Id = id,
            Kind = "marking",
            Seed = Set,
            Moves = Written,
            Told = $"{Agreed} of {MarkingSet.Length} alike{(Took is { } took ? $", in {took} seconds" : "")}.",
            WentWell = Agreed >= MarkingSet.Length * 9 / 10,
            At = Moment,
        });
        return Redirect($"/trainer/marking?set={Set}&marks={Written}&from={From}");
    }

    public async Task<IActionResult> OnPostShare(TrainingId id, int set, bool shared)
    {
        if (!User.IsSignedIn() || !ModelState.IsValid) return NotFound();
        var kept = await InSchool(async connection =>
        {
            await OwnCourse.Share(connection, User.Person().Id, id, shared);
            return (await OwnCourse.Load(connection, User.Person().Id)).FirstOrDefault(row => row.Id == id);
        });
        return kept is null ? NotFound() : Redirect($"/trainer/marking?set={set}&marks={kept.Moves}");
    }

    /// <summary>What a mark is called in a sentence.</summary>
    public static string InWords(Mark mark) => mark switch
    {
        Mark.Right => "right",
        Mark.NotRight => "not right",
        _ => "cannot be read, or none",
    };

    /// <summary>Kappa with its interval.</summary>
    public static string InWords(Kappa kappa) =>
        string.Create(CultureInfo.InvariantCulture, $"{kappa.Value:0.00} (95 %: {kappa.Low:0.00} to {kappa.High:0.00})");

    private bool Find(int set, string? marks, long? from)
    {
        if (set is < 1 or > 1_000_000_000 || MarkingSet.Read(marks) is not { } read) return false;
        var now = new DateTimeOffset(Moment).ToUnixTimeSeconds();
        (Set, Marks, From) = (set, read, from ?? now);
        All = MarkingSet.Make(set, turns.Patterns);
        // An address that was opened again, later, tells nothing of how long it took.
        Took = from is { } began && read.Count == MarkingSet.Length && now - began is > 0 and < 3600 ? now - began : null;
        return true;
    }
}
