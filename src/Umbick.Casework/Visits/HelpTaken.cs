using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>How much help a child's telling answers took in the practice of one visit.</summary>
/// <param name="Day">The day of the visit.</param>
/// <param name="PatternId">The id of the pattern that was practised.</param>
/// <param name="Took">What each took; null where it came right by itself.</param>
public sealed record HelpTaken(DateOnly Day, string PatternId, IReadOnlyList<Rung?> Took)
{
    /// <summary>The rung that the next visit starts with; null where none is needed.</summary>
    public Rung? Next => Rungs.Next(Took);

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
            var took = practice.Answered.Where(question => telling.Contains(question.Asked.Place))
                .Where(question => question.IsRight || own.Rungs.ContainsKey(question.Asked.Place))
                .Select(question => own.Rungs.TryGetValue(question.Asked.Place, out var rung) ? rung : default(Rung?)).ToList();
            if (took.Count > 0) taken.Add(new HelpTaken(visit.Day, visit.PatternId, took));
        }
        return taken;
    }
}
