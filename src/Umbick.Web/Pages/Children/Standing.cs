using Umbick.Core.Diagnosis;

namespace Umbick.Web.Pages.Children;

/// <summary>What stands out of a child and is no listed pattern, as a sentence: the same on the caseload and on the child's page.</summary>
internal static class Standing
{
    public static string Told(Unnamed unnamed, string alias) => unnamed switch
    {
        Unnamed.Guessing => $"{alias}’s answers do not follow the clock yet.",
        Unnamed.SameAnswer => $"{alias} gives one answer again and again.",
        Unnamed.OtherWay => $"{alias} takes one step some other way.",
        Unnamed.MuchWrong => "More comes out wrong than right, and in no one way.",
        _ => "Nothing stands out.",
    };
}
