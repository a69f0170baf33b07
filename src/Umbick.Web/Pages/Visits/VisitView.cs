using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Web.Pages.Visits;

/// <summary>A visit as its page shows it.</summary>
/// <param name="At">Where it is.</param>
/// <param name="Held">The pattern as the children have it together; null where a later catalogue has dropped it.</param>
public sealed record VisitView(VisitAt At, HeldPattern? Held)
{
    /// <summary>Whose answers at a place look copied.</summary>
    public IReadOnlySet<ChildId> LooksCopied { get; init; } = new HashSet<ChildId>();

    /// <summary>The place whose answers are looked at: the one that is asked, or in a cold start the one before it.</summary>
    public int PlaceLookedAt { get; init; }

    /// <summary>The help that was taken in each child's last visit.</summary>
    public IReadOnlyDictionary<ChildId, HelpTaken> HelpBefore { get; init; } = new Dictionary<ChildId, HelpTaken>();

    /// <summary>The positions of the demonstration that are shown now; its contrast alone where all have seen it before.</summary>
    public IReadOnlyList<Position> Positions { get; init; } = [];

    /// <summary>Whether the demonstration is only called to mind.</summary>
    public bool IsReminder { get; init; }

    /// <summary>Something to tell the teacher; null where there is nothing.</summary>
    public string? Message { get; init; }

    public Visit Visit => At.Visit;

    /// <summary>The demonstration; null where there is none.</summary>
    public Demonstration? Demonstration => Demonstration.Find(Visit.Demonstration);

    /// <summary>Whether what came of the answers is shown: in practice, once all have answered.</summary>
    public bool Reveals => Visit.Part is VisitPart.Practise or VisitPart.Close && At.IsAnswered;

    /// <summary>Answers that one press gives, as they would be typed; what they are called does not tell the time to a child who looks.</summary>
    public IReadOnlyList<(string Raw, string Name)> Ready => At.Asked?.Item switch
    {
        { Task.Form: AnswerForm.Verdict } claimed => [("yes", "says yes"), claimed.ClaimIsRight ? ("wrong", "says no") : (claimed.Right.Short(Wording.Usual), "no, and right"), NoAnswerGiven],
        { } item when Held is { } held && held.IsTelling(item) => [Right, (held.AnswerTo(item).Short(Wording.Usual), "old way"), NoAnswerGiven],
        _ => [Right, NoAnswerGiven],
    };

    private static (string Raw, string Name) Right => (".", "right");

    private static (string Raw, string Name) NoAnswerGiven => ("-", "no answer");

    /// <summary>What is said on each rung for the item that is asked.</summary>
    public IReadOnlyList<Prompt> Ladder => At.Asked is { } asked && Held is { } held ? PromptLadder.For(asked.Item, held, At.Preferences, At.Stage) : [];

    /// <summary>The parts, in order, with how each is called here.</summary>
    public static IReadOnlyList<(VisitPart Part, string Name)> Parts { get; } =
        [(VisitPart.Room, "the wall clock"), (VisitPart.Cold, "cold"), (VisitPart.Model, "show"), (VisitPart.Practise, "practise"), (VisitPart.Close, "close")];

    /// <summary>The answers of a child's practice that are shown when the visit is over.</summary>
    public static IEnumerable<ItemResponse> Answers(ChildInVisit child) => (child.Cold?.Answered ?? []).Concat(child.Practice?.Answered ?? []);
}
