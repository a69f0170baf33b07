using Umbick.Casework;
using Umbick.Core.Timetabling;

namespace Umbick.Web.Pages.Day;

/// <summary>How the plan of a day is told.</summary>
public static class DayTexts
{
    /// <summary>Why a child does not come.</summary>
    public static string Why(NotPlaced why) => why switch
    {
        NotPlaced.Absent => "absent",
        NotPlaced.NotReleased => "not released",
        NotPlaced.Barred => "the class cannot spare them then",
        NotPlaced.Elsewhere => "in another slot at that time",
        NotPlaced.Gone => "no longer on the caseload",
        NotPlaced.NoRoom => "every slot that is kept free is full",
        _ => "no slot is kept free for it",
    };

    /// <summary>A step of the first hour: what to do, why, and where.</summary>
    /// <param name="step">The step.</param>
    /// <param name="child">The child who is asked first; null before there is one.</param>
    public static (string Words, string Why, string Address) First(FirstStep step, CaseloadRow? child) => step switch
    {
        FirstStep.AddChild => ("Add your first child", "By an alias, and by what has been taught so far. It takes a minute.",
            "/children/new"),
        FirstStep.Ask => (child is null ? "Ask about ten clocks" : $"Ask {child.Alias} about ten clocks",
            "You show a clock, wait, and type what is said. Umbick picks each clock by the answers before it.",
            child is null ? "/ask" : $"/ask/begin/{child.Id}"),
        _ => ("Give the set that the answers call for", "What lies behind the answers is told with why; the set is made for just that.",
            child is null ? "/practise" : $"/children/{child.Id}"),
    };
}
