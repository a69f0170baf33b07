using Umbick.Core.Items;

namespace Umbick.Web.Pages.ChildTurn;

/// <summary>The form in which an answer is sent.</summary>
/// <param name="Item">The item.</param>
/// <param name="Place">Its place.</param>
/// <param name="Message">Something that has to be told; null where there is nothing.</param>
/// <param name="Geared">Whether the hands that are set go together.</param>
public sealed record AnswerFormView(Item Item, int Place, string? Message, bool Geared = false)
{
    /// <summary>Whether it is the first answer to the item, 1, or the second, 2.</summary>
    public int Try { get; init; } = 1;

    /// <summary>The answer that this one puts right; null where it is the first.</summary>
    public AnswerId? Corrects { get; init; }

    /// <summary>The id of the answer that this page will send: sending it twice is one answer.</summary>
    public AnswerId AnswerId { get; } = Umbick.Core.Ids.Id<Umbick.Core.Ids.Kinds.Answer>.New();
}
