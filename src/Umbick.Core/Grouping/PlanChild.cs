using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Grouping;

/// <summary>A child as a plan of groups sees them: what they need, and what they can share with others.</summary>
/// <param name="Child">The child.</param>
/// <param name="Class">Their class; empty where it is not known.</param>
/// <param name="Needs">What they need a place for.</param>
/// <param name="Stage">How far they have been taught.</param>
/// <param name="Minutes">How long they are to be seen in a week.</param>
public sealed record PlanChild(ChildId Child, string Class, CaseNeed Needs, Stage Stage, int Minutes)
{
    /// <summary>The most minutes in a week that can be asked for.</summary>
    public const int MostMinutes = 60;

    /// <summary>
    /// How times are said to the child, and where counting in fives starts: what is said to a group is said to all of it.
    /// </summary>
    public string Words { get; init; } = "";

    /// <summary>The help that their next set begins with.</summary>
    public Support Help { get; init; }

    /// <summary>Whether their approach is to change: nothing has helped so far.</summary>
    public bool IsStuck { get; init; }

    /// <summary>Whether an answer of theirs was noted as another child's in the last weeks.</summary>
    public bool HasCopied { get; init; }

    /// <summary>Whether their answers come surely right by now, and could be copied.</summary>
    public bool IsSure { get; init; }

    /// <summary>The pattern that is practised or looked at; null where none is.</summary>
    public Pattern? Pattern => Needs.Pattern;

    /// <summary>Whether they are to have a place in the week.</summary>
    public bool IsPlanned => Minutes > 0 && Needs.Need is PlanNeed.Practice or PlanNeed.Alone or PlanNeed.Rechecks;

    /// <summary>How many usual slots their minutes fill.</summary>
    public int Seats => (Minutes + Timetabling.Slot.Usual - 1) / Timetabling.Slot.Usual;
}
