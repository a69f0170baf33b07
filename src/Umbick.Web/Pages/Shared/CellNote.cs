using Umbick.Core.Clocks;

namespace Umbick.Web.Pages;

/// <summary>What a teacher is told of an answer that was typed from paper and kept; null of both where there is nothing to tell.</summary>
/// <param name="Alias">The child.</param>
/// <param name="Place">The question's place.</param>
/// <param name="Raw">What was typed.</param>
/// <param name="Half">What a half may mean.</param>
public sealed record CellNote(string Alias, int Place, string Raw, AmbiguousHalf? Half);
