using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>A visit as it is shown: where it is, and what is made of it by all that is known of its children.</summary>
/// <param name="At">Where it is.</param>
/// <param name="Held">The pattern as the children have it together; null where a later catalogue has dropped it, or nothing is
/// asked.</param>
public sealed record VisitShown(VisitState At, HeldPattern? Held)
{
    /// <summary>Which children's answers at a place look copied.</summary>
    public IReadOnlySet<ChildId> LooksCopied { get; private init; } = new HashSet<ChildId>();

    /// <summary>The place whose answers are looked at: the one that is asked, or in a cold start the one before it.</summary>
    public int PlaceLookedAt { get; private init; }

    /// <summary>The help that was taken in each child's last visit.</summary>
    public IReadOnlyDictionary<ChildId, HelpTaken> HelpBefore { get; private init; } = new Dictionary<ChildId, HelpTaken>();

    /// <summary>The positions of the demonstration that are shown now; its contrast alone where all have seen it before.</summary>
    public IReadOnlyList<Position> Positions { get; private init; } = [];

    /// <summary>Whether the demonstration is only called to mind.</summary>
    public bool IsReminder { get; private init; }

    /// <summary>Whether it was stopped today, and can go on where it was.</summary>
    public bool CanGoOn { get; private init; }

    /// <summary>Something to tell the teacher; null where there is nothing.</summary>
    public string? Message { get; init; }

    /// <summary>The visit.</summary>
    public Visit Visit => At.Visit;

    /// <summary>The demonstration; null where there is none.</summary>
    public Demonstration? Demonstration => Demonstration.Find(Visit.Demonstration);

    /// <summary>Whether what came of the answers is shown: in practice, once all have answered.</summary>
    public bool Reveals => Visit.Part is VisitPart.Practise or VisitPart.Close && At.IsAnswered;

    /// <summary>
    /// Answers that one press gives, as they would be typed; what they are called does not tell the time to a child who looks.
    /// </summary>
    public IReadOnlyList<(string Raw, string Name)> Ready => At.Asked?.Item switch
    {
        { Task.Form: AnswerForm.Verdict } claimed => [("yes", "says yes"),
            claimed.ClaimIsRight ? ("wrong", "says no") : (claimed.Right.Short(Wording.Usual), "no, and right"), NoAnswerGiven],
        { } item when Held is { } held && held.IsTelling(item) => [Right, (held.AnswerTo(item).Short(Wording.Usual), "old way"),
            NoAnswerGiven],
        _ => [Right, NoAnswerGiven],
    };

    private static (string Raw, string Name) Right => (".", "right");

    private static (string Raw, string Name) NoAnswerGiven => ("-", "no answer");

    /// <summary>What is said on each rung for the item that is asked.</summary>
    public IReadOnlyList<Prompt> Ladder => At.Asked is { } asked && Held is { } held
        ? PromptLadder.For(asked.Item, held, At.Preferences, At.Stage) : [];

    /// <summary>The parts, in order, with how each is called here.</summary>
    public static IReadOnlyList<(VisitPart Part, string Name)> Parts { get; } =
        [(VisitPart.Room, "the wall clock"), (VisitPart.Cold, "cold"), (VisitPart.Show, "show"), (VisitPart.Practise, "practise"),
            (VisitPart.Close, "close")];

    /// <summary>The answers of a child's practice that are shown when the visit is over.</summary>
    public static IEnumerable<ItemResponse> Answers(ChildInVisit child) =>
        (child.Cold?.Answered ?? []).Concat(child.Practice?.Answered ?? []);

    /// <summary>What is shown of a visit that is here.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="visiting">Visits.</param>
    /// <param name="at">Where the visit is.</param>
    public static async Task<VisitShown> Load(SchoolConnection connection, Visiting visiting, VisitState at)
    {
        var (visit, part) = (at.Visit, at.Visit.Part);
        var shown = new VisitShown(at, null);
        if (visit.EndedAt is not null)
            return shown with { HelpBefore = await Help(connection, at), CanGoOn = await visiting.CanGoOn(connection, at) };
        if (part == VisitPart.Show) return await WithPositions(connection, shown);
        if (at.Asked is null) return shown;
        var place = part == VisitPart.Cold ? visit.Place - 1 : visit.Place;
        var (held, copied) = await visiting.HeldAndCopied(connection, at, place);
        shown = shown with { Held = held, PlaceLookedAt = place, LooksCopied = copied };
        return shown.Reveals ? shown with { HelpBefore = await Help(connection, at) } : shown;
    }

    private static async Task<Dictionary<ChildId, HelpTaken>> Help(SchoolConnection connection, VisitState at)
    {
        var help = new Dictionary<ChildId, HelpTaken>();
        foreach (var child in at.Children)
        {
            if (await HelpTaken.Load(connection, child.Child.Id, most: 1) is [var last]) help[child.Child.Id] = last;
        }
        return help;
    }

    /// <summary>What all who are here have seen before is only called to mind.</summary>
    private static async Task<VisitShown> WithPositions(SchoolConnection connection, VisitShown shown)
    {
        if (shown.Demonstration is not { } demonstration) return shown;
        var seenByAll = true;
        foreach (var child in shown.At.Here)
            seenByAll &= (await Demonstrated.To(connection, child.Child.Id)).Any(before => before.Demonstration == demonstration.Id);
        return shown with { Positions = seenByAll ? demonstration.Reminder : demonstration.Positions, IsReminder = seenByAll };
    }
}
