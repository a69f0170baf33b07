using Umbick.Core.Clocks;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages;

/// <summary>What is said between the positions of a demonstration.</summary>
public static class PositionTexts
{
    /// <summary>
    /// What each child shows before the hands turn on; null where no clock turns there, or nothing moves.
    /// </summary>
    /// <param name="position">The position that comes.</param>
    /// <param name="before">The one before it.</param>
    /// <param name="wording">How times are said.</param>
    public static string? Predict(Position position, Position before, Wording wording) =>
        !position.IsTrue || !before.IsTrue || position.Hands == before.Hands ? null
            : $"Where will {HandsSeen(position)} be at {wording.Digital(position.Hands.Read())}? Show it with a finger, or turn it there.";

    private static string HandsSeen(Position position) => position.Covered switch
    {
        Covered.Minute => "the short hand",
        Covered.Hour => "the long hand",
        _ => "the hands",
    };
}
