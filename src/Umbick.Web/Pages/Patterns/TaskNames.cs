using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.Patterns;

/// <summary>Tasks and answers as they are named to a teacher.</summary>
public static class TaskNames
{
    public static string Of(ClockTask task) => task.Id switch
    {
        "read-digital" => "reading a clock, in figures",
        "read-words" => "reading a clock, in words",
        "words-to-digital" => "words, written in figures",
        "set-from-digital" => "a time, setting the hands",
        _ => "judging a time",
    };

    /// <summary>An answer as it is told; hands are seen on the face beside it.</summary>
    public static string Shown(Answer? answer) => answer switch
    {
        null => "",
        PlacedAnswer => "these hands",
        _ => answer.Short(Wording.Usual),
    };
}
