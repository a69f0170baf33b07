using Umbick.Core.Clocks;

namespace Umbick.Web.Pages.Patterns;

/// <summary>Answers as they are named to a teacher.</summary>
public static class AnswerNames
{
    /// <summary>An answer as it is told; hands are seen on the face beside it.</summary>
    public static string Shown(Answer? answer, Wording wording) => answer switch
    {
        null => "",
        PlacedAnswer => "these hands",
        _ => answer.Short(wording),
    };
}
