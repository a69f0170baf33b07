using Umbick.Core.Patterns;
using Umbick.Core.Teaching;

namespace Umbick.Core.Grouping;

/// <summary>Why two children are not in one group.</summary>
public enum NotTogether
{
    /// <summary>Somebody has said so.</summary>
    KeptApart,

    /// <summary>One of them is seen alone.</summary>
    SeenAlone,

    /// <summary>They need different things: practice and a look again, or patterns that no one demonstration serves.</summary>
    DifferentNeeds,

    /// <summary>What they have been taught lies too far apart.</summary>
    StagesApart,

    /// <summary>Times are said to them in different words, or their counting starts elsewhere.</summary>
    DifferentWords,

    /// <summary>The help that they begin with lies too far apart.</summary>
    HelpApart,

    /// <summary>One was seen to copy, and the other answers surely.</summary>
    MightCopy,

    /// <summary>Neither of them comes on.</summary>
    BothStuck,
}

/// <summary>Who can be in one group. What a group is for stands nowhere else.</summary>
public static class Together
{
    /// <summary>The most children of a group, and of one in which all are only looked at again.</summary>
    public const int Most = 3, MostInRechecks = 4;

    /// <summary>The most patterns of a group: one demonstration serves two.</summary>
    public const int MostPatterns = 2;

    private const int StagesApart = 1;
    private const int HelpApart = 1;

    /// <summary>Why two children are not in one group; null where they can be.</summary>
    public static NotTogether? InTheWay(PlanChild one, PlanChild other) => InTheWay(one, other, _ => false);

    /// <summary>Why two children are not in one group; null where they can be.</summary>
    /// <param name="one">The one.</param>
    /// <param name="other">The other.</param>
    /// <param name="areKeptApart">Whether somebody has said that these two are to be kept apart.</param>
    public static NotTogether? InTheWay(PlanChild one, PlanChild other, Predicate<(ChildId, ChildId)> areKeptApart)
    {
        if (areKeptApart((one.Child, other.Child)) || areKeptApart((other.Child, one.Child))) return NotTogether.KeptApart;
        if (one.Needs.Need == PlanNeed.Alone || other.Needs.Need == PlanNeed.Alone) return NotTogether.SeenAlone;
        // Who is only looked at again does not sit through a demonstration.
        if (one.Needs.Need != other.Needs.Need) return NotTogether.DifferentNeeds;
        if (one.Pattern is not { } first || other.Pattern is not { } second || !AreServed(first, second)) return NotTogether.DifferentNeeds;
        if (Math.Abs(one.Stage - other.Stage) > StagesApart) return NotTogether.StagesApart;
        if (one.Words != other.Words) return NotTogether.DifferentWords;
        if (Math.Abs(one.Help - other.Help) > HelpApart) return NotTogether.HelpApart;
        if ((one.HasCopied && other.IsSure) || (other.HasCopied && one.IsSure)) return NotTogether.MightCopy;
        return one.IsStuck && other.IsStuck ? NotTogether.BothStuck : null;
    }

    /// <summary>The demonstration that serves two patterns; null where none does.</summary>
    public static Demonstration? Serving(Pattern one, Pattern other) =>
        Demonstration.All.FirstOrDefault(demonstration => demonstration.IsFor(one) && demonstration.IsFor(other));

    private static bool AreServed(Pattern one, Pattern other) => one == other || Serving(one, other) is not null;

    /// <summary>Why these children are not one group; null where they can be.</summary>
    public static NotTogether? InTheWay(IReadOnlyList<PlanChild> group, Predicate<(ChildId, ChildId)> areKeptApart)
    {
        for (var i = 0; i < group.Count; i++)
        {
            for (var j = 0; j < i; j++)
            {
                if (InTheWay(group[j], group[i], areKeptApart) is { } why) return why;
            }
        }
        return group.Select(child => child.Pattern).Distinct().Count() > MostPatterns ? NotTogether.DifferentNeeds : null;
    }

    /// <summary>Whether a group has as many as it may, or fewer.</summary>
    public static bool IsRightSize(IReadOnlyList<PlanChild> group) =>
        group.Count <= (group.All(child => child.Needs.Need == PlanNeed.Rechecks) ? MostInRechecks : Most);
}
