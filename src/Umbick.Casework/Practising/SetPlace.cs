using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Casework;

/// <summary>Where a child is in a practice set.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Preferences">How clocks are taught, said and drawn for them.</param>
/// <param name="Asked">The item being asked; null when all are done.</param>
/// <param name="First">Their first answer to it; null before.</param>
/// <param name="Second">Their second answer, after looking again; null before.</param>
/// <param name="FirstRight">Whether the first is right.</param>
/// <param name="SecondRight">Whether the second is right.</param>
/// <param name="Done">How many items are done.</param>
/// <param name="Total">How many items there are.</param>
public sealed record SetPlace(Sitting Sitting, TeachingPreferences Preferences, AskedItem? Asked, AnswerRow? First, AnswerRow? Second,
    bool FirstRight, bool SecondRight, int Done, int Total)
{
    /// <summary>The set that is practised.</summary>
    public required AssignedSet Set { get; init; }

    /// <summary>A clock worked through beside the item; null where it is bare.</summary>
    public Item? Example { get; init; }

    /// <summary>How long the line beside the question runs, in seconds; null where there is none.</summary>
    public double? LineSeconds => Set.IsAtEase && Preferences.CountsDown ? Set.LineSeconds : null;

    /// <summary>Whether the hands go together while they set this one.</summary>
    public bool Geared => Preferences.PractisesGeared && Asked is not null && AnswerBoxes.CanGear(Asked.Item);

    /// <summary>Whether the item is settled: answered rightly, or tried twice.</summary>
    public bool Settled => FirstRight || Second is not null;
}
