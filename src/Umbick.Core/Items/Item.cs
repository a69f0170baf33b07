using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>One question: a task on one time.</summary>
/// <param name="Task">The task.</param>
/// <param name="Time">The time it is about.</param>
/// <param name="Claim">The time that somebody gave for the clock, where the task is to judge it.</param>
public sealed record Item(ClockTask Task, ClockTime Time, Answer? Claim = null)
{
    /// <summary>What the child is given, as it stands in files: a time as <c>h:mm</c>, or words.</summary>
    public string Given => Task == ClockTasks.WordsToDigital ? Wording.Usual.Words(Time) : Time.ToString();

    /// <summary>The right answer, in the form that the task asks for.</summary>
    public Answer Right => Task.Form switch
    {
        AnswerForm.Words => new WordsAnswer(SpokenTime.Of(Time)),
        AnswerForm.Hands => Hands(),
        _ => DigitalAnswer.Of(Time),
    };

    /// <summary>Whether the claim is the time the clock shows, written as it should be.</summary>
    public bool ClaimIsRight => Claim?.Meaning == Time && Claim is not DigitalAnswer { Figures: < 2 };

    /// <summary>
    /// The item that an answer really answers. A clock read aloud may be answered in words or in figures whatever was asked,
    /// and saying 'right' to a claim is giving the claimed time.
    /// </summary>
    public (Item Item, Answer Answer) Answered(Answer answer)
    {
        if (Task == ClockTasks.Judge)
            return answer is SaidRight && Claim is not null ? Reread(Claim) : Reread(answer);
        return Task == ClockTasks.ReadDigital || Task == ClockTasks.ReadWords ? Reread(answer) : (this, answer is SaidRight ? Right : answer);
    }

    private (Item Item, Answer Answer) Reread(Answer answer) => answer switch
    {
        SaidRight => (this, Right),
        WordsAnswer => (new Item(ClockTasks.ReadWords, Time), answer),
        _ => (new Item(ClockTasks.ReadDigital, Time), answer),
    };

    private PlacedAnswer Hands()
    {
        var hands = HandPositions.Of(Time);
        return new PlacedAnswer(hands.Hour, hands.Minute);
    }
}
