using Umbick.Core.Items;

namespace Umbick.Web.Pages.Practise;

/// <summary>How the items of a set are told to the teacher.</summary>
public static class SetTexts
{
    /// <summary>What they do with it, as a heading.</summary>
    public static string Task(Item item) => $"{char.ToUpperInvariant(item.Task.Texts.Name[0])}{item.Task.Texts.Name[1..]}.";

    public static string Help(Support support) => support switch
    {
        Support.Full => "Full help: minute numbers, halves, hour's space",
        Support.Most => "Minute numbers and the hour's space",
        Support.Some => "The hour's space shaded",
        _ => "Bare",
    };
}
