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
}
