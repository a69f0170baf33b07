namespace Umbick.Core.Teaching;

/// <summary>What a note of a visit is about.</summary>
public enum VisitNoteKind
{
    /// <summary>What was heard while the child counted.</summary>
    Count,

    /// <summary>How the visit went.</summary>
    Close,
}

/// <summary>Something that is noted of a child in a visit by one press.</summary>
/// <param name="Id">Its id, which stands in the database and never changes.</param>
/// <param name="Kind">What it is about.</param>
/// <param name="Words">What the teacher reads.</param>
public sealed record VisitNote(string Id, VisitNoteKind Kind, string Words)
{
    /// <summary>Everything that can be noted.</summary>
    public static IReadOnlyList<VisitNote> All { get; } =
    [
        new("count-nought-at-12", VisitNoteKind.Count, "began with nought at the 12"),
        new("count-five-at-12", VisitNoteKind.Count, "said five at the 12"),
        new("count-five-at-1", VisitNoteKind.Count, "began with five at the 1"),
        new("count-one-at-1", VisitNoteKind.Count, "said one at the 1"),
        new("count-ones", VisitNoteKind.Count, "counted every tick"),
        new("count-breaks-early", VisitNoteKind.Count, "lost the fives before 30"),
        new("count-breaks-late", VisitNoteKind.Count, "lost the fives after 30"),
        new("count-overshoots", VisitNoteKind.Count, "counted past the hand"),
        new("count-past-sixty", VisitNoteKind.Count, "counted on past 60"),
        new("count-back", VisitNoteKind.Count, "counted back from the 12"),
        new("count-sure", VisitNoteKind.Count, "counted surely"),
        new("went-well", VisitNoteKind.Close, "went well"),
        new("tired", VisitNoteKind.Close, "tired"),
        new("unsettled", VisitNoteKind.Close, "unsettled"),
        new("guessed", VisitNoteKind.Close, "guessed"),
        new("looked-across", VisitNoteKind.Close, "looked across"),
        new("another-way", VisitNoteKind.Close, "needs another way"),
    ];

    /// <summary>The note with this id, or null.</summary>
    public static VisitNote? Find(string? id) => All.FirstOrDefault(note => note.Id == id);
}
