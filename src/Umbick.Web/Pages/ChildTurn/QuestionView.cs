using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Pages.ChildTurn;

/// <summary>A question of an asking on the child's own screen: nothing is told of what came before.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Asked">The question; null when the sitting is over.</param>
/// <param name="Done">How many are answered.</param>
/// <param name="Told">Something that has to be told; null where there is nothing.</param>
public sealed record QuestionView(Sitting Sitting, AskedItem? Asked, int Done, string? Told)
{
    /// <summary>Whether the hands that are set go together.</summary>
    public bool Geared { get; init; }

    /// <summary>The answer that it has already, where the teacher has gone back to it.</summary>
    public Guid? Stands { get; init; }
}

/// <summary>The form in which an answer is sent.</summary>
/// <param name="Item">The item.</param>
/// <param name="Place">Its place.</param>
/// <param name="Told">Something that has to be told; null where there is nothing.</param>
/// <param name="Geared">Whether the hands that are set go together.</param>
public sealed record AnswerFormView(Item Item, int Place, string? Told, bool Geared = false)
{
    /// <summary>Whether it is the first answer to the item, 1, or the second, 2.</summary>
    public int Try { get; init; } = 1;

    /// <summary>The answer that this one puts right; null where it is the first.</summary>
    public Guid? Corrects { get; init; }

    /// <summary>The id of the answer that this page will send: sending it twice is one answer.</summary>
    public Guid AnswerId { get; } = Guid.CreateVersion7();
}
