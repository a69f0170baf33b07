using Umbick.Casework;

namespace Umbick.Web.Pages.Children;

/// <summary>An answer that can be put right on the page of its sitting.</summary>
/// <param name="Question">The question with the answer.</param>
/// <param name="Asks">What is asked of the teacher.</param>
/// <param name="Press">What stands on the press.</param>
public sealed record AnswerToPutRight(ItemResponse Question, string Asks, string Press);
