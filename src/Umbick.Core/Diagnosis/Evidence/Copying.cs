using Umbick.Core.Clocks;

namespace Umbick.Core.Diagnosis;

/// <summary>An answer that one of several children gave to the face that all of them saw.</summary>
/// <param name="Given">The answer.</param>
/// <param name="Own">What is believed of the child who gave it.</param>
public sealed record AnswerBeside(ItemAnswer Given, Belief Own);

/// <summary>
/// Which of several children's answers to one face look copied. A right answer never does: a child who has just learned it cannot be told
/// from one who looked across, and is not to be doubted.
/// </summary>
public static class Copying
{
    /// <summary>
    /// Whether each answer looks copied: it is wrong, another child gave the same, and this child's own ways hardly give it.
    /// </summary>
    /// <param name="model">The model.</param>
    /// <param name="answers">The answers to one face, one a child.</param>
    /// <returns>For each answer, in the same order.</returns>
    public static IReadOnlyList<bool> Looks(ReadingModel model, IReadOnlyList<AnswerBeside> answers)
    {
        return [.. answers.Select(answer => answer.Given.Scored == false && IsShared(answer) && IsUnlike(answer))];

        bool IsShared(AnswerBeside beside) => MeantBy(beside) is { } meant
            && answers.Any(other => other != beside && Equals(MeantBy(other), meant));

        bool IsUnlike(AnswerBeside each) =>
            model.Observe(each.Given) is [var observation, ..]
                && each.Own.ListedProbabilityOf(observation) < ModelParameters.LooksCopiedBelow;
    }

    /// <summary>What an answer comes to, whatever its form; null where nothing was answered that could be copied.</summary>
    private static object? MeantBy(AnswerBeside beside) => beside.Given.Item.Meant(beside.Given.Answer) switch
    {
        NoAnswer or DontKnow or Unread or null => null,
        { Meaning: { } time } => time,
        var answer => answer,
    };
}
