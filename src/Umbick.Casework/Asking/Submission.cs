using Umbick.Core.Items;

namespace Umbick.Casework;

/// <summary>An answer that somebody sends. It belongs to the item at its place, whatever is being asked when it arrives.</summary>
/// <param name="Id">Made by the page, so that sending it twice is one answer.</param>
/// <param name="Place">The place of the item that the page showed.</param>
/// <param name="Raw">The answer exactly as given.</param>
/// <param name="Mode">How it was given.</param>
/// <param name="Seconds">How long it took, where it was measured; what cannot be a length of time counts as not measured.</param>
public sealed record Submission(AnswerId Id, int Place, string Raw, AnswerMode Mode, float? Seconds)
{
    /// <summary>Nobody answers a question for longer than this, in seconds.</summary>
    private const float LongestSeconds = 24 * 60 * 60;

    /// <summary>How long it took until the answer was begun, where it was measured.</summary>
    public float? BegunSeconds { get; init; }

    /// <summary>What the child said before putting it right; null where that did not happen.</summary>
    public string? First { get; init; }

    /// <summary>Whether the child was helped by a word.</summary>
    public bool Prompted { get; init; }

    /// <summary>The id of how the child did it, where it was noted.</summary>
    public string? How { get; init; }

    /// <summary>Whether it is the first answer to the item, 1, or the second, after looking again, 2.</summary>
    public int Try { get; init; } = 1;

    /// <summary>The answer that it puts right; null where it is the first to its place.</summary>
    public AnswerId? Corrects { get; init; }

    /// <summary>Whether the child has gone on since, because there was no connection: it is not looked at again.</summary>
    public bool Later { get; init; }

    /// <summary>How long it has waited for a connection.</summary>
    public TimeSpan Waited { get; init; }

    /// <summary>Whether this is what was kept before.</summary>
    public bool IsSame(AnswerRow before) => before.Raw == Raw && before.Place == Place && before.Try == Try;

    /// <summary>When it was given, if it arrives now: not before anything was asked, whatever a page says of how long it waited.</summary>
    public DateTime GivenAt(DateTime started, DateTime now) => now - Waited < started && started < now ? started : now - Waited;

    internal AnswerRow RowIn(SittingId sitting, PersonId? by) => new()
    {
        Sitting = sitting,
        Id = Id,
        Place = Place,
        Try = Try,
        Raw = Raw,
        Mode = Mode.ToString().ToLowerInvariant(),
        Seconds = Measured(Seconds),
        BegunSeconds = Measured(BegunSeconds),
        FirstRaw = First,
        Prompted = Prompted,
        How = How,
        Corrects = Corrects,
        By = by,
    };

    private static float? Measured(float? seconds) => seconds is >= 0 and < LongestSeconds ? seconds : null;
}
