using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>One question: a task on one time, or a question that is no reading of a clock.</summary>
/// <param name="Task">The task.</param>
/// <param name="Time">The time it is about.</param>
/// <param name="Claim">What somebody gave for the clock, where it is to be judged; the hands that cannot be, where they are to be put
/// right.</param>
public sealed record Item(ClockTask Task, ClockTime Time, Answer? Claim = null)
{
    /// <summary>What there is to choose from; empty where the answer is free.</summary>
    public IReadOnlyList<Answer> Choices { get; init; } = [];

    /// <summary>The clocks to be joined with times.</summary>
    public IReadOnlyList<ClockTime> Clocks { get; init; } = [];

    /// <summary>How far the minute hand is said to move on, in minutes.</summary>
    public int Move { get; init; }

    /// <summary>The question, where it is no reading of a clock.</summary>
    public OtherSkillItem? OtherSkill { get; init; }

    /// <summary>Whether it tests what it says only when it is asked aloud.</summary>
    public bool IsOnlyAloud => OtherSkill?.OnlyAloud == true;

    /// <summary>Whether it could be understood; else it stands for a row that is kept and shown, and says nothing.</summary>
    public bool IsReadable => OtherSkill?.Kind != QuestionKind.Unreadable;

    /// <summary>What stands for an item that is kept and cannot be understood.</summary>
    /// <param name="kept">What is kept of it.</param>
    public static Item Unreadable(string kept) =>
        From(new OtherSkillItem(ClockTasks.Unreadable, kept, "This question cannot be read.", "", QuestionKind.Unreadable));

    /// <summary>An item for a question that is no reading of a clock.</summary>
    public static Item From(OtherSkillItem question) => new(question.Task, question.Time) { OtherSkill = question };

    /// <summary>Whether it is about a time in words: asked for, given, or claimed.</summary>
    public bool IsInWords => Task.Form == AnswerForm.Words || Task.Stimulus == Items.Stimulus.Words || Claim is WordsAnswer;

    /// <summary>What the child is given, as it stands in files: a time as <c>h:mm</c>, words, or the question's own name.</summary>
    public string Given => GivenIn(Wording.Usual);

    /// <summary>What the child is given, where times are said and written like this.</summary>
    public string GivenIn(Wording wording) => this switch
    {
        { OtherSkill: { } question } => question.Given,
        { Task.Stimulus: Items.Stimulus.Words } => wording.Words(Time),
        _ => wording.Digital(Time),
    };

    /// <summary>The right answer, in the form that the task asks for.</summary>
    public Answer Right => this switch
    {
        { OtherSkill: { } question } => new TextAnswer(question.Right),
        { Task.Id: TaskIds.FullTurn } => DigitalAnswer.Showing(Time.Plus(Move)),
        { Task.Id: TaskIds.Match } => new PairsAnswer([.. Clocks.Select(clock => (clock, (Answer)DigitalAnswer.Showing(clock)))]),
        { Task.Form: AnswerForm.Several } => new SeveralAnswer([.. Choices.Where(choice => choice.Meaning == Time)]),
        { Task.Form: AnswerForm.Words } or { Claim: WordsAnswer } => new WordsAnswer(SpokenTime.From(Time)),
        { Task.Form: AnswerForm.Hands } => Hands(),
        { Task.Form: AnswerForm.Hour } => new HourPlaceAnswer(Time.Hour, HourPlaces.PlaceOf(Time.Minute)),
        { Task.Form: AnswerForm.Minutes } => new DigitalAnswer(null, Time.Minute, 2),
        { Task.Form: AnswerForm.Places } => PlacesAnswer.Showing(Time),
        _ => DigitalAnswer.Showing(Time),
    };

    /// <summary>What the child is asked, in the school's own wording.</summary>
    public string Ask(Wording wording) => Filled(Task.Texts.Ask, wording);

    /// <summary>What the child is asked on paper.</summary>
    public string AskOnPaper(Wording wording) => Filled(Task.Texts.OnPaper, wording);

    private string Filled(string text, Wording wording) => wording.Fill(text)
        // An o'clock has neither past nor to.
        .Replace("{in words}", Time.Minute == 0 ? "in words" : wording.Fill("with {past} or {to}"), StringComparison.Ordinal)
        .Replace("{time}", wording.Digital(Time), StringComparison.Ordinal)
        .Replace("{words}", wording.Words(Time), StringComparison.Ordinal)
        .Replace("{minutes}", $"{Time.Minute}", StringComparison.Ordinal)
        .Replace("{claim}", Claim?.Short(wording) ?? "", StringComparison.Ordinal)
        .Replace("{move}", Move == 60 ? "once round" : $"{Move} minutes", StringComparison.Ordinal)
        .Replace("{hour place}", HourPlaces.InWords(Time), StringComparison.Ordinal)
        .Replace("{minute place}", HandsInWords.Long(Time.Minute), StringComparison.Ordinal)
        .Replace("{question}", wording.Fill(OtherSkill?.Text ?? ""), StringComparison.Ordinal);

    /// <summary>Whether the claim is the time the clock shows, written as it should be.</summary>
    public bool ClaimIsRight => Claim?.Meaning == Time && Claim is not DigitalAnswer { Figures: < 2 };

    /// <summary>Reads an answer to this item. It never throws; what cannot be read is kept as <see cref="Unread"/>.</summary>
    /// <param name="raw">The answer exactly as given.</param>
    /// <param name="by">Who typed it.</param>
    public Answer Read(string? raw, Typist by = Typist.Teacher) => Read(raw, AnswerParser.Parse(raw, by), by);

    private Answer Read(string? raw, Answer plain, Typist by) => Task.Form switch
    {
        _ when !IsReadable => new Unread(raw ?? ""),
        // To be asked whether a claim is right is the one question that is answered with yes, whoever answers.
        AnswerForm.Verdict when GivenText.Plain(raw) is "yes" or "ok" or "right" => new SaidRight(),
        _ when plain is NoAnswer or DontKnow or SaidRight or SaidWrong => plain,
        _ when OtherSkill is not null => new TextAnswer(raw!.Trim()),
        AnswerForm.Hands when by == Typist.Teacher && Right is PlacedAnswer { Hands: not null }
            && PlacedAnswer.FromPlaces(raw) is { } placed => placed,
        AnswerForm.Hour => HourPlaceAnswer.Parse(raw!),
        AnswerForm.Minutes => plain is DigitalAnswer { Hour: { } minutes, Minutes: null } ? new DigitalAnswer(null, minutes, 2) : plain,
        AnswerForm.Places => PlacesAnswer.Parse(raw!),
        _ when Task == ClockTasks.InferMinuteHand => HandAndTimeAnswer.Parse(raw!),
        AnswerForm.Several when Clocks.Count > 0 => PairsAnswer.Parse(raw!),
        AnswerForm.Several => SeveralAnswer.Parse(raw!),
        _ => plain,
    };

    /// <summary>What an answer means here: to say that a claim is right is to give the time of the claim.</summary>
    public Answer? Meant(Answer? answer) => answer is SaidRight && Claim is { } claim ? claim : answer;

    /// <summary>Two items are the same when they ask the same of the same time.</summary>
    public bool Equals(Item? other) =>
        other is not null && Task == other.Task && Time == other.Time && Equals(Claim, other.Claim)
            && OtherSkill?.Given == other.OtherSkill?.Given;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Task.Id, Time, Claim, OtherSkill?.Given);

    private PlacedAnswer Hands()
    {
        var hands = HandPositions.Showing(Time);
        var minuteOnly = Task == ClockTasks.PlaceMinuteHand || Task == ClockTasks.SetMinutes;
        return new PlacedAnswer(minuteOnly ? null : hands.Hour, Task == ClockTasks.PlaceHourHand ? null : hands.Minute);
    }
}
