using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Web.Pages.Practise;

/// <summary>How the items of a set are told to the teacher.</summary>
public static class SetTexts
{
    public static string Task(Item item) => item.Task.Id switch
    {
        "read-digital" => "Reads, in figures.",
        "read-words" => "Reads, in words.",
        "words-to-digital" => "Writes figures for words.",
        "set-from-digital" or "set-from-words" => "Sets the hands.",
        "hour-only" => "Reads the hour hand alone.",
        _ => "Is it right?",
    };

    public static string Help(Support support) => support switch
    {
        Support.Full => "Full help: minute numbers, halves, hour's space",
        Support.Most => "Minute numbers and the hour's space",
        Support.Some => "The hour's space shaded",
        _ => "Bare",
    };
}
