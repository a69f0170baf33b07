namespace Umbick.Store.Casework;

/// <summary>How an asking begins.</summary>
/// <param name="Plan">What is asked: one of <see cref="Plans"/>.</param>
/// <param name="Way">How it is held: one of <see cref="Ways"/>.</param>
public sealed record Beginning(string Plan = Plans.Adaptive, string Way = Ways.Conversation)
{
    /// <summary>The sitting's id, where the page made it: sending the page twice is one sitting.</summary>
    public Guid? Id { get; init; }

    /// <summary>The ids of the tasks, where the teacher chose them.</summary>
    public IReadOnlyList<string> Tasks { get; init; } = [];

    /// <summary>The form's letter, where a form is asked.</summary>
    public string Form { get; init; } = "A";

    /// <summary>The visit that it shares with other children's sittings.</summary>
    public Guid? Visit { get; init; }

    /// <summary>The child's place in the turns of the visit.</summary>
    public int Turn { get; init; }
}
