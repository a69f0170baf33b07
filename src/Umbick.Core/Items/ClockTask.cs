using Umbick.Core.Patterns;

namespace Umbick.Core.Items;

/// <summary>How an answer was given.</summary>
public enum AnswerMode
{
    /// <summary>Aloud; the teacher typed what was said.</summary>
    Said,

    /// <summary>Written or keyed freely by the child, figure by figure.</summary>
    Written,

    /// <summary>Put together from ready parts.</summary>
    Built,

    /// <summary>By placing hands.</summary>
    Placed,

    /// <summary>By choosing one of several.</summary>
    Chosen,
}

/// <summary>What the child answers with.</summary>
public enum AnswerForm
{
    /// <summary>A time in figures.</summary>
    Digital,

    /// <summary>A time in words.</summary>
    Words,

    /// <summary>Two hands on a face.</summary>
    Hands,

    /// <summary>Right or wrong, and the right time where wrong.</summary>
    Verdict,
}

/// <summary>One kind of question. The ids stand in files and in the database, so they never change.</summary>
/// <param name="Id">The stable id.</param>
/// <param name="From">The first stage at which it is asked.</param>
/// <param name="ShowsClock">Whether the child is given a clock; otherwise she is given a time.</param>
/// <param name="Form">What the child answers with.</param>
/// <param name="Order">The steps that the task touches, in the order in which they compose.</param>
/// <param name="Inverse">Whether the steps run backwards: from a time asked to hands, or from words heard to a time.</param>
public sealed record ClockTask(string Id, Stage From, bool ShowsClock, AnswerForm Form, IReadOnlyList<Step> Order, bool Inverse)
{
    /// <summary>How the child's own screen takes the answer: figures are keyed freely, words put together, hands placed.</summary>
    public AnswerMode OnScreen => Form switch
    {
        AnswerForm.Words => AnswerMode.Built,
        AnswerForm.Hands => AnswerMode.Placed,
        _ => AnswerMode.Written,
    };

    /// <summary>How the answer comes when the task is asked aloud: figures for given words are written down, all else is said.</summary>
    public AnswerMode Aloud => Form == AnswerForm.Hands ? AnswerMode.Placed : ShowsClock ? AnswerMode.Said : AnswerMode.Written;

    /// <summary>The steps touched when the answer is given in this mode: writing shows only where the child writes freely.</summary>
    public IReadOnlyList<Step> Steps(AnswerMode mode) =>
        mode == AnswerMode.Written ? Order : [.. Order.Where(step => step != Step.Writing)];
}

/// <summary>The catalogue of tasks.</summary>
public static class ClockTasks
{
    /// <summary>An analog clock, answered in figures.</summary>
    public static ClockTask ReadDigital { get; } = new(
        "read-digital", Stage.OClock, true, AnswerForm.Digital, [Step.Hands, Step.Hour, Step.Minutes, Step.Writing], false);

    /// <summary>An analog clock, answered in words.</summary>
    public static ClockTask ReadWords { get; } = new(
        "read-words", Stage.OClock, true, AnswerForm.Words, [Step.Hands, Step.Hour, Step.Minutes, Step.PastOrTo], false);

    /// <summary>A time in words, answered in figures.</summary>
    public static ClockTask WordsToDigital { get; } = new(
        "words-to-digital", Stage.HalfPast, false, AnswerForm.Digital, [Step.PastOrTo, Step.Writing], true);

    /// <summary>A time in figures; the child places both hands.</summary>
    public static ClockTask SetFromDigital { get; } = new(
        "set-from-digital", Stage.OClock, false, AnswerForm.Hands, [Step.Minutes, Step.Placing, Step.Hour, Step.Hands], true);

    /// <summary>A clock and the time somebody gave for it: right, or wrong and what instead.</summary>
    public static ClockTask Judge { get; } = new(
        "judge", Stage.OClock, true, AnswerForm.Verdict, [Step.Hands, Step.Hour, Step.Minutes], false);

    /// <summary>Every task.</summary>
    public static IReadOnlyList<ClockTask> All { get; } = [ReadDigital, ReadWords, WordsToDigital, SetFromDigital, Judge];

    /// <summary>The task with this id, or null.</summary>
    public static ClockTask? Find(string? id) => All.FirstOrDefault(task => task.Id == id);
}
