using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>How much help a child's telling answers took in the practice of one visit.</summary>
/// <param name="Day">The day of the visit.</param>
/// <param name="PatternId">The id of the pattern that was practised.</param>
/// <param name="Took">What each took; null where it came right by itself.</param>
/// <param name="Unnoted">How many telling answers were wrong without a note of what they took.</param>
public sealed record HelpTaken(DateOnly Day, string PatternId, IReadOnlyList<Rung?> Took, int Unnoted)
{
    private const int TooManyUnnoted = 3;

    /// <summary>Whether so many were wrong without a note that nothing can be said of the help.</summary>
    public bool IsUnknown => Unnoted >= TooManyUnnoted || (Unnoted > 0 && Took.Count == 0);

    /// <summary>The rung that the next visit starts with; null where none is needed, or nothing can be said.</summary>
    public Rung? Next => IsUnknown ? null : Rungs.Next(Took);

    /// <summary>How the next visit begins, as a sentence.</summary>
    public string NextInWords => IsUnknown
        ? $"{(Unnoted == 1 ? "One clock was" : $"{Unnoted} clocks were")} wrong, and what it took was not noted: begin as this time."
        : Next is { } next ? $"Next time begin with “{PromptLadder.NameOf(next)}”."
        : "No help is needed to begin with next time.";

    /// <summary>
    /// The help that was taken in a child's visits that are over, the latest first; none of one in which nothing was practised.
    /// </summary>
    public static async Task<IReadOnlyList<HelpTaken>> Load(SchoolConnection connection, ChildId child, int most)
    {
        var taken = new List<HelpTaken>();
        foreach (var visit in (await Visits.OfChild(connection, child)).Where(visit => visit.EndedAt is not null))
        {
            if (taken.Count == most) break;
            var own = (await VisitState.Load(connection, visit.Id))!.Children.First(each => each.Child.Id == child);
            if (own.Practice is not { Sitting.PracticeSet: { } set } practice) continue;
            var telling = await Sets.TellingPlaces(connection, set);
            // An answer that went wrong and of which nothing more is known says nothing of the help.
            var answers = practice.Answered.Where(question => telling.Contains(question.Asked.Place))
                .ToLookup(question => question.IsRight || own.Rungs.ContainsKey(question.Asked.Place));
            var took = answers[true]
                .Select(question => own.Rungs.TryGetValue(question.Asked.Place, out var rung) ? rung : default(Rung?)).ToList();
            var unnoted = answers[false].Count();
            if (took.Count > 0 || unnoted > 0) taken.Add(new HelpTaken(visit.Day, visit.PatternId, took, unnoted));
        }
        return taken;
    }
}
