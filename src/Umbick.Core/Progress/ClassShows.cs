using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Progress;

/// <summary>How a question of a class's form came out.</summary>
/// <param name="Item">The question.</param>
/// <param name="Answered">How many children answered it, right or wrong.</param>
/// <param name="Missed">How many of them wrongly.</param>
public sealed record ClassQuestion(Item Item, int Answered, int Missed)
{
    /// <summary>Whether most of the class miss it.</summary>
    public bool IsMissedByMost => Answered >= ClassShows.Fewest && 2 * Missed >= Answered;
}

/// <summary>What a whole class shows: what most of it misses is taught to all, and is no reason to take a child out.</summary>
public static class ClassShows
{
    /// <summary>Of fewer answers nothing is said of a class.</summary>
    public const int Fewest = 5;

    /// <summary>It as sentences; null where nothing is missed by most, or too few have answered to say.</summary>
    /// <param name="questions">The questions of the form.</param>
    /// <param name="wording">How times are said.</param>
    public static string? InWords(IReadOnlyList<ClassQuestion> questions, Wording wording)
    {
        var missed = questions.Where(question => question.IsMissedByMost).ToList();
        if (missed.Count == 0) return null;
        var clocks = string.Join(", ", missed.Select(question =>
            $"{wording.Digital(question.Item.Time)} ({question.Missed} of {question.Answered})"));
        var stages = missed.Select(question => Stages.FirstWith(question.Item.Time.Minute)).Distinct().Order()
            .Select(stage => stage.Name(wording)).ToList();
        return $"Most of the class miss {clocks}. That is for teaching to all: {string.Join("; ", stages).ToLowerInvariant()}. "
            + "It alone is no reason to take a child out.";
    }
}
