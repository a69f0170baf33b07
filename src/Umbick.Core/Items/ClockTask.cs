namespace Umbick.Core.Items;

/// <summary>What the child is given.</summary>
public enum Stimulus
{
    /// <summary>An analog clock with both hands.</summary>
    Clock,

    /// <summary>The hour hand alone.</summary>
    HourHand,

    /// <summary>The minute hand alone.</summary>
    MinuteHand,

    /// <summary>A time in figures.</summary>
    Figures,

    /// <summary>A time in words.</summary>
    Words,

    /// <summary>A question, or a sentence.</summary>
    Text,
}

/// <summary>One kind of question. The ids stand in files and in the database, so they never change.</summary>
/// <param name="Id">The stable id.</param>
/// <param name="From">The first stage at which it is asked.</param>
/// <param name="Stimulus">What the child is given.</param>
/// <param name="Form">What the child answers with.</param>
/// <param name="Order">The steps of reading that the task touches, in the order in which they compose; none where it is no reading.</param>
/// <param name="Inverse">Whether the steps run backwards: from a time asked to hands, or from words heard to a time.</param>
public sealed record ClockTask(string Id, Stage From, Stimulus Stimulus, AnswerForm Form, IReadOnlyList<Step> Order, bool Inverse = false)
{
    /// <summary>What is said about it and with it.</summary>
    public TaskTexts Texts { get; init; } = new("", "");

    /// <summary>Whether it is a question of its own, with a small model, and not about reading or setting one time.</summary>
    public bool IsQuestion => Stimulus == Stimulus.Text && Order.Count == 0;

    /// <summary>Whether the child looks at hands.</summary>
    public bool ShowsClock => Stimulus is Stimulus.Clock or Stimulus.HourHand or Stimulus.MinuteHand;

    /// <summary>The task whose answers these really are, where there is one: to choose a time is to read a clock.</summary>
    public ClockTask? ReadAs { get; init; }

    /// <summary>Whether the answer is chosen from some that stand ready.</summary>
    public bool Chosen { get; init; }

    /// <summary>How the child's own screen takes the answer: figures are keyed freely, words put together, hands placed.</summary>
    public AnswerMode OnScreen => this switch
    {
        { Chosen: true } => AnswerMode.Chosen,
        { Form: AnswerForm.Words } => AnswerMode.Built,
        { Form: AnswerForm.Hands } => AnswerMode.Placed,
        _ => AnswerMode.Written,
    };

    /// <summary>How the answer comes when the task is asked aloud: figures for given words are written down, all else is said.</summary>
    public AnswerMode Aloud => this switch
    {
        { Form: AnswerForm.Hands } => AnswerMode.Placed,
        { Form: AnswerForm.Digital, Stimulus: Stimulus.Words } => AnswerMode.Written,
        _ => AnswerMode.Said,
    };

    /// <summary>How an answer is taken where nothing is said of it: what can be written is taken as it stands.</summary>
    public AnswerMode Taken => Form switch
    {
        AnswerForm.Hands => AnswerMode.Placed,
        AnswerForm.Digital => AnswerMode.Written,
        _ => AnswerMode.Said,
    };

    /// <summary>The steps touched when the answer is given in this mode: writing shows only where the child writes freely.</summary>
    public IReadOnlyList<Step> Steps(AnswerMode mode) =>
        mode == AnswerMode.Written ? Order : [.. Order.Where(step => step != Step.Writing)];
}

/// <summary>The words for a task.</summary>
/// <param name="Name">What the child does, as a teacher names it.</param>
/// <param name="Ask">What the child is asked; <c>{time}</c>, <c>{words}</c>, <c>{claim}</c> and the like stand for the item's own.</param>
public sealed record TaskTexts(string Name, string Ask)
{
    /// <summary>What is asked on paper, where hands are drawn and words are written; as anywhere, where nothing is said.</summary>
    public string OnPaper { get; init; } = Ask;
}
