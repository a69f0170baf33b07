using Umbick.Casework;
using Umbick.Core.Diagnosis;

namespace Umbick.Web.Pages.Children;

/// <summary>A step taken in a way that nobody has listed, as the child's page shows it.</summary>
/// <param name="Way">What is believed of it.</param>
/// <param name="What">What is taken some other way: 'the minutes'.</param>
/// <param name="Name">What the teacher calls it; null where it has no name yet.</param>
/// <param name="Answers">The answers that are so.</param>
public sealed record OtherWayShown(OtherWay Way, string What, string? Name, IReadOnlyList<ItemResponse> Answers)
{
    /// <summary>The sentence over it.</summary>
    public string Told => Name is null
        ? $"{char.ToUpperInvariant(What[0])}{What[1..]} "
        + $"{(What.Contains(" and ", StringComparison.Ordinal) || What.EndsWith("minutes", StringComparison.Ordinal) ? "are" : "is")} "
        + $"taken some other way."
        : $"{char.ToUpperInvariant(What[0])}{What[1..]}: {Name}.";
}
