using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>One reading of a clock that lies in an answer.</summary>
/// <param name="Item">The item that was really answered.</param>
/// <param name="Answer">What was answered to it.</param>
/// <param name="Mode">How.</param>
/// <param name="Weight">How far it counts, 0 to 1: the last pair of a match is forced.</param>
public sealed record ImpliedReading(Item Item, Answer Answer, AnswerMode Mode, double Weight = 1)
{
    /// <summary>
    /// The readings that lie in an answer. A clock may be answered in words or in figures whatever was asked; saying 'right' to a claim is
    /// giving the claimed time; joined pairs are a reading each; of hands that go together only the long one tells.
    /// </summary>
    public static IReadOnlyList<ImpliedReading> In(Item item, Answer answer, AnswerMode mode) => item.Task.Id switch
    {
        TaskIds.Judge when answer is SaidRight && item.Claim is not null => [From(item.Time, item.Claim, AnswerMode.Said)],
        TaskIds.Judge => [From(item.Time, answer, AnswerMode.Said)],
        TaskIds.ReadDigital or TaskIds.ReadWords => [From(item.Time, answer is SaidRight ? item.Right : answer, mode)],
        TaskIds.ChooseTime => [From(item.Time, answer, AnswerMode.Chosen, item.Choices)],
        TaskIds.ChooseNames => answer is SeveralAnswer several
            ? [.. several.Chosen.Select(each => From(item.Time, each, AnswerMode.Chosen, item.Choices))] : [],
        TaskIds.Match => answer is PairsAnswer pairs ? InPairs(pairs) : [],
        TaskIds.FullTurn => answer.Meaning is { } then
            ? [From(item.Time, DigitalAnswer.Showing(then.Plus(-item.Move)), AnswerMode.Said) with
            { Weight = ModelParameters.AfterTurnWeight }] : [],
        TaskIds.RepairClock => Repaired(item, answer),
        TaskIds.InferMinuteHand =>
            [new ImpliedReading(item, answer switch { HandAndTimeAnswer both => both.Time, SaidRight => item.Right, _ => answer }, mode)],
        _ when mode == AnswerMode.Geared => answer is PlacedAnswer { Minute: { } minute }
            ? [new ImpliedReading(new Item(ClockTasks.PlaceMinuteHand, item.Time), new PlacedAnswer(null, minute), AnswerMode.Placed)]
            : [],
        _ => [new ImpliedReading(item, answer is SaidRight ? item.Right : answer, mode)],
    };

    private static ImpliedReading From(ClockTime time, Answer answer, AnswerMode mode, IReadOnlyList<Answer>? choices = null)
    {
        var task = answer is WordsAnswer ? ClockTasks.ReadWords : ClockTasks.ReadDigital;
        var same = choices?.Where(choice => choice is WordsAnswer == answer is WordsAnswer).ToList() ?? [];
        return new ImpliedReading(new Item(task, time) { Choices = same }, answer, mode);
    }

    private static IReadOnlyList<ImpliedReading> InPairs(PairsAnswer pairs) =>
        [.. pairs.Pairs.SkipLast(1)
            .Select(pair => From(pair.Clock, pair.Time, AnswerMode.Said) with { Weight = ModelParameters.MatchWeight })];

    private static IReadOnlyList<ImpliedReading> Repaired(Item item, Answer answer) => answer switch
    {
        PlacedAnswer { Hour: not null, Minute: null } =>
            [new ImpliedReading(new Item(ClockTasks.PlaceHourHand, item.Time), answer, AnswerMode.Placed)],
        PlacedAnswer { Hour: null, Minute: not null } =>
            [new ImpliedReading(new Item(ClockTasks.PlaceMinuteHand, item.Time), answer, AnswerMode.Placed)],
        _ => [],
    };
}
