using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Casework;

/// <summary>What an adult typed as a child's answer: read in one way, on whichever page it was typed.</summary>
/// <param name="Text">The answer as it is kept.</param>
/// <param name="Mode">How it was given.</param>
/// <param name="Message">Why it is not kept as it stands: it is to be asked about, or refused; null where it can be kept.</param>
public sealed record TypedAnswer(string Text, AnswerMode Mode, string? Message)
{
    /// <summary>Whether it is only to be asked about: sent once more, it is kept as it is.</summary>
    public bool CanBeConfirmed { get; private init; }

    /// <summary>What is read in it.</summary>
    public Answer? Read { get; private init; }

    /// <summary>Reads what was typed.</summary>
    /// <param name="item">The item that it answers; null where it is a time that was read off another clock.</param>
    /// <param name="typed">What was typed.</param>
    /// <param name="preferences">How times are said to the child.</param>
    /// <param name="confirmed">The text that was asked about before, and is sent all the same.</param>
    /// <param name="first">What the child said before that.</param>
    public static TypedAnswer From(Item? item, string typed, TeachingPreferences preferences, string? confirmed = null, string first = "")
    {
        var mode = item is null ? AnswerMode.Said : ItemsInUse.ModeOf(item, typed);
        TypedAnswer Because(string message) => new(typed, mode, message);
        if (typed.Length == 0) return Because("Type what the child said. For no answer type - and for “don’t know” type ?");
        if (Math.Max(typed.Length, first.Length) is > AnswerParser.LongestAnswer and var length)
            return Because($"That is {length:N0} characters; an answer has {AnswerParser.LongestAnswer} at most. It was not taken, and "
                + $"everything before it is kept.");
        var spelled = item is null ? typed : ClockLetters.Spelled(item, typed);
        var read = item is null ? AnswerParser.Parse(spelled) : item.Read(spelled);
        return read switch
        {
            AmbiguousHalf half when preferences.HalfHour == HalfMeaning.NotSettled && confirmed != typed => Because(
                $"“{typed}” can be {preferences.Wording.Digital(half.Before)} or {preferences.Wording.Digital(half.After)}. Ask which is "
                + "meant, and type that; or send it again to keep it so, and say later what half means for this child.") with
            { Read = read, CanBeConfirmed = true },
            Unread when confirmed != typed =>
                Because($"“{typed}” cannot be read as an answer to this. Put it right, or send it again to keep it just so.") with
                { Read = read, CanBeConfirmed = true },
            _ => new TypedAnswer(spelled, mode, null) { Read = read },
        };
    }
}
