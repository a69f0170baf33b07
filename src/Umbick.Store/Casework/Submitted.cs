namespace Umbick.Store.Casework;

/// <summary>An answer that somebody sends.</summary>
/// <param name="Id">Made by the page, so that sending it twice is one answer.</param>
/// <param name="Place">The place of the item that the page showed.</param>
/// <param name="Raw">The answer exactly as given.</param>
/// <param name="Mode">How it was given.</param>
/// <param name="Seconds">How long it took, where it was measured.</param>
public sealed record Submission(Guid Id, int Place, string Raw, Core.Items.AnswerMode Mode, float? Seconds)
{
    /// <summary>How long it took until the answer was begun, where it was measured.</summary>
    public float? BegunSeconds { get; init; }

    /// <summary>What the child said before she put herself right; null where she did not.</summary>
    public string? First { get; init; }

    /// <summary>Whether she was helped by a word.</summary>
    public bool Prompted { get; init; }

    /// <summary>The id of how she did it, where it was noted.</summary>
    public string? How { get; init; }

    /// <summary>Whether the child has gone on since, because there was no connection: it is not looked at again.</summary>
    public bool Later { get; init; }

    /// <summary>Whether this is what was kept before.</summary>
    public bool IsSame(GivenRow before) => before.Raw == Raw && before.Place == Place;
}

/// <summary>What became of it.</summary>
public enum Submitted
{
    /// <summary>It is kept.</summary>
    Kept,

    /// <summary>It had been kept before; nothing changed.</summary>
    KeptBefore,

    /// <summary>Another answer was kept under the same id; this one was not.</summary>
    OtherAnswerKept,

    /// <summary>The sitting has moved on from the item that the page showed; it was not kept.</summary>
    MovedOn,

    /// <summary>The sitting is over; it was not kept.</summary>
    Over,

    /// <summary>The school has no such sitting.</summary>
    NotFound,
}
