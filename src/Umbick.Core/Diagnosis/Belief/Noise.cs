using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// What a child answers on the occasions when they do not follow their own rule: often right, sometimes nearly, rarely anything.
/// </summary>
public static class Noise
{
    /// <summary>The chance of an answer to an item when no rule is followed, 0 to 1.</summary>
    public static double ChanceOf(Item item, Answer answer)
    {
        if (item.Choices.Count > 0)
            return (Equals(answer.Meaning, item.Time) ? ModelParameters.RightWhenNotFollowing : 0)
                + ((1 - ModelParameters.RightWhenNotFollowing) / item.Choices.Count);
        if (answer is PlacedAnswer placed)
            return Scoring.IsRight(item, placed, AnswerMode.Placed, Stage.EveryMinute) ? ModelParameters.RightWhenNotFollowing
                : (1 - ModelParameters.RightWhenNotFollowing) / ModelParameters.PlacesForHands;
        if (item.Task.Form is AnswerForm.Hour or AnswerForm.Minutes or AnswerForm.Places)
            return answer.Equals(item.Right) || (answer is DigitalAnswer { Minutes: null } hour && hour.Hour == item.Time.Hour)
                ? ModelParameters.RightWhenNotFollowing : (1 - ModelParameters.RightWhenNotFollowing) / ModelParameters.AnswersForOneHand;
        var anything = (1 - ModelParameters.RightWhenNotFollowing - ModelParameters.NearSlipChance) * ModelParameters.GuessedAnswerChance;
        if (answer.Equals(item.Right) || (answer is WordsAnswer { Meaning: { } meant } && meant == item.Right.Meaning))
            return ModelParameters.RightWhenNotFollowing + anything;
        return answer.Meaning is { } time && ModelParameters.NearSlips.Any(slip => item.Time.Plus(slip) == time)
            ? (ModelParameters.NearSlipChance / ModelParameters.NearSlips.Count) + anything
            : anything;
    }

    /// <summary>The chance of any one answer to an item from a child who guesses, 0 to 1.</summary>
    public static double Guessed(Item item) => item switch
    {
        { Choices.Count: > 0 and var choices } => 1.0 / choices,
        { Task.Form: AnswerForm.Hour or AnswerForm.Minutes or AnswerForm.Places } => 1 / ModelParameters.AnswersForOneHand,
        _ => ModelParameters.GuessedAnswerChance,
    };
}
