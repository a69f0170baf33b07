using Umbick.Core.Clocks;

namespace Umbick.Core.Grouping;

/// <summary>The words of a plan.</summary>
public static class PlanTexts
{
    /// <summary>Why a group is one, as sentences.</summary>
    /// <param name="group">The group.</param>
    /// <param name="nameOf">What a child is called.</param>
    /// <param name="wording">How times are said.</param>
    public static string Why(PlanGroup group, Func<ChildId, string> nameOf, Wording wording)
    {
        if (group.Children is [{ Needs.Need: PlanNeed.Alone }]) return "Seen alone: the answers do not follow the clock yet.";
        var patterns = group.Children.Select(child => child.Pattern).OfType<Patterns.Pattern>().Distinct().ToList();
        var reads = patterns.ConvertAll(pattern => pattern.TextsIn(wording).Reads);
        var looked = group.Children.All(child => child.Needs.Need == PlanNeed.Rechecks) ? "Looked at again: " : "";
        var what = patterns.Count == 1 ? $"{looked}{reads[0]}"
            : $"{looked}{string.Join("; ", patterns.Select((pattern, i) => $"{Names(group.Children.Where(child => child.Pattern == pattern)
                .Select(child => nameOf(child.Child)))} {reads[i]}"))}. One demonstration serves both: "
                + wording.Fill(Together.Serving(patterns[0], patterns[1])!.Name).TrimEnd('.');
        var classes = group.Children.Select(child => child.Class).Distinct().ToList();
        var together = group.Children.Count == 1 ? $" {Alone(group, nameOf)}" : classes is [{ Length: > 0 } one] ? $" All from {one}." : "";
        var (has, wanted) = (group.Slots.Sum(slot => slot.Minutes), group.Children.Max(child => child.Minutes));
        var minutes = has >= wanted ? "" : $" {has} minutes a week of {wanted}.";
        return $"{char.ToUpperInvariant(what[0])}{what[1..]}{(what.EndsWith('?') ? "" : ".")}{together}{minutes}";
    }

    private static string Alone(PlanGroup group, Func<ChildId, string> nameOf) => group.NotWith switch
    {
        null => "Nobody else needs this now.",
        (var other, null) => $"{nameOf(other.Child)} needs it too; no time suits both.",
        (var other, NotTogether.KeptApart) => $"{nameOf(other.Child)} needs it too; the two are kept apart.",
        (var other, NotTogether.StagesApart) => $"{nameOf(other.Child)} needs it too, two stages or more away.",
        (var other, NotTogether.HelpApart) => $"{nameOf(other.Child)} needs it too, with much more help or less.",
        ({ Needs.Need: PlanNeed.Rechecks } other, NotTogether.DifferentNeeds) => $"{nameOf(other.Child)} is only looked at again.",
        (var other, NotTogether.DifferentNeeds) => $"{nameOf(other.Child)} still practises it.",
        (var other, { } why) => $"{nameOf(other.Child)} needs it too: {Why(why)}.",
    };

    /// <summary>Why a child is in no group, as a sentence.</summary>
    public static string Why(LeftOut why) => why switch
    {
        LeftOut.NothingNeeded => "Nothing is practised, and nothing is to be looked at again.",
        LeftOut.AskedFirst => "More is asked first, in a slot that is kept free.",
        LeftOut.NoMinutes => "Nought minutes a week were chosen.",
        LeftOut.ByHand => "Has a place in a slot that was filled by hand.",
        LeftOut.CannotCome => "The class can spare them in none of these slots.",
        _ => "Every slot that they could come to is taken, or kept free.",
    };

    /// <summary>Why two children are not in one group, as a half sentence.</summary>
    public static string Why(NotTogether why) => why switch
    {
        NotTogether.KeptApart => "to be kept apart from one of them",
        NotTogether.SeenAlone => "seen alone now",
        NotTogether.DifferentNeeds => "needs something else than they do now",
        NotTogether.StagesApart => "two stages or more from one of them now",
        NotTogether.DifferentWords => "times are said to them in other words",
        NotTogether.HelpApart => "needs more help than one of them, or less",
        NotTogether.MightCopy => "one was seen to copy beside one who answers surely",
        _ => "two who do not come on are not put together",
    };

    /// <summary>What a plan would change for a child, as a sentence.</summary>
    /// <param name="change">The change.</param>
    /// <param name="whenOf">When a slot is, in a few words.</param>
    public static string InWords(PlanChange change, Func<Timetabling.Slot, string> whenOf)
    {
        string When(IEnumerable<Timetabling.Slot> slots) => Names(slots.Select(whenOf));
        var (gone, added) = (change.Before.Except(change.After).ToList(), change.After.Except(change.Before).ToList());
        var why = change.After.Count == 0 && change.Child.Needs.Need is PlanNeed.Nothing ? ": nothing is practised any more"
            : change.After.Count == 0 && change.Child.Needs.Need is PlanNeed.Asking ? ": more is asked first"
            : change.Why is { } rule ? $": {Why(rule)}"
            : change.After.Count > 0 ? ", so that more can be seen" : "";
        return (change.Before.Count, change.After.Count, gone.Count, added.Count) switch
        {
            (0, _, _, _) => $"joins {When(added)}",
            (_, 0, _, _) => $"leaves {When(gone)}{why}",
            (_, _, 0, _) => $"also comes {When(added)}",
            (_, _, _, 0) => $"no longer comes {When(gone)}{why}",
            _ => $"from {When(gone)} to {When(added)}{why}",
        };
    }

    /// <summary>How good a plan is, as a sentence.</summary>
    public static string HowGood(GroupPlan plan) => plan switch
    {
        { IsBest: true } => "It cannot be bettered.",
        { MoreAtMost: null } => "It is a plain plan: a better one could not be looked for on this machine.",
        { MoreAtMost: 0 } => "No more children can be placed; times and groups might still suit a little better.",
        { MoreAtMost: 1 } => "At most one more child could be placed.",
        { MoreAtMost: { } more } => $"At most {Wording.Number(more)} more children could be placed.",
    };

    private static string Names(IEnumerable<string> names)
    {
        var all = names.ToList();
        return all.Count < 2 ? string.Concat(all) : $"{string.Join(", ", all[..^1])} and {all[^1]}";
    }
}
