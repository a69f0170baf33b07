
namespace Umbick.Web.Pages.ChildTurn;

/// <summary>A question of an asking on the child's own screen: nothing is told of what came before.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Asked">The question; null when the sitting is over.</param>
/// <param name="Done">How many are answered.</param>
/// <param name="Message">Something that has to be told; null where there is nothing.</param>
public sealed record QuestionView(Sitting Sitting, AskedItem? Asked, int Done, string? Message)
{
    /// <summary>Whether the hands that are set go together.</summary>
    public bool Geared { get; init; }

    /// <summary>The answer that it has already, where the teacher has gone back to it.</summary>
    public AnswerId? Stands { get; init; }
}
