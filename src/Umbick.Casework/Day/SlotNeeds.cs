using Umbick.Core.Clocks;
using Umbick.Core.Patterns;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;

namespace Umbick.Casework;

/// <summary>What those who come together need, where that is not the same.</summary>
/// <param name="Each">Each child with what they practise first.</param>
public sealed record SlotNeeds(IReadOnlyList<(string Alias, Pattern Pattern)> Each)
{
    /// <summary>The needs of a slot; null where fewer than two come with one, or all have the same.</summary>
    public static SlotNeeds? From(DayWork work, PlannedSlot slot)
    {
        var each = slot.Seats.Where(seat => seat.Why is null && work.NeedOf(seat.Child) is not null)
            .Select(seat => (work.Children[seat.Child].Child.Alias, work.NeedOf(seat.Child)!)).ToList();
        return each.Select(need => need.Item2).Distinct().Count() > 1 ? new SlotNeeds(each) : null;
    }

    /// <summary>It as a sentence, with what they share.</summary>
    /// <param name="wording">How times are said.</param>
    public string InWords(Wording wording)
    {
        var patterns = Each.Select(need => need.Pattern).Distinct().ToList();
        var shared = Demonstration.All.FirstOrDefault(demonstration =>
            patterns.TrueForAll(pattern => demonstration.For.Contains(pattern.Id)));
        return $"Not the same: {string.Join(", ", Each.Select(need => $"{need.Alias} {need.Pattern.TextsIn(wording).Reads}"))}. "
            + (shared is not null ? $"One demonstration serves all: {wording.Fill(shared.Name)}{(shared.Name.EndsWith('?') ? "" : ".")}"
                : patterns.TrueForAll(pattern => pattern.Step == patterns[0].Step) ? "They share the step that goes wrong."
                : "They share nothing that could be shown at once: see one after the other.");
    }
}
