using Umbick.Casework;
using Umbick.Core.Clocks;

namespace Umbick.Web.Pages.Children;

/// <summary>An answer that can be put right on the page of its sitting.</summary>
/// <param name="Question">The question with the answer.</param>
/// <param name="Asks">What is asked of the teacher.</param>
/// <param name="Press">What stands on the press.</param>
public sealed record AnswerToPutRight(ItemResponse Question, string Asks, string Press)
{
    /// <summary>An answer of which nobody can tell what it means.</summary>
    public static AnswerToPutRight Unclear(ItemResponse question) => new(question,
        $"This {(question.Answer is Estimate ? "is only near" : "cannot be read")}, and counts neither way. What did the child mean?",
        "Say so");
}
