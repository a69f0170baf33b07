using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>An answer as the model takes it: what was asked, what was read in the answer, and how it came about.</summary>
/// <param name="Item">The item asked.</param>
/// <param name="Answer">What was read in the answer; where the child corrected themselves, the last one: it counts for the score.</param>
/// <param name="Mode">How it was given.</param>
/// <param name="Helped">Whether it was prompted or support was on the face: it then weighs half and counts for no label.</param>
/// <param name="First">The answer before a self-correction: it counts for the pattern; null where there was none.</param>
public sealed record ItemAnswer(Item Item, Answer Answer, AnswerMode Mode, bool Helped = false, Answer? First = null)
{
    /// <summary>
    /// Whether placed hands were scored right, where that was by a coarser rule than the strictest; null where nothing is known of it.
    /// </summary>
    public bool? Scored { get; init; }

    /// <summary>Whether it is right: as it was scored, or by the strictest rule where nothing is known of that.</summary>
    public bool IsRight => Scored ?? Scoring.IsRight(Item, Answer, Mode, Stage.EveryMinute);

    /// <summary>Whether it is wrong: what cannot be read is neither right nor wrong.</summary>
    public bool IsWrong => Answer.IsScored && !IsRight;

    /// <summary>The answer that tells how they read.</summary>
    public Answer Telling => First ?? Answer;
}
