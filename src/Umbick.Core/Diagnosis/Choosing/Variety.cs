using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Which items a teacher would ask next, whatever they tell: the first is a plain clock, the first five rise, nothing is set as the second,
/// tasks and hours change.
/// </summary>
internal sealed class Variety
{
    private readonly ClockTask? _thrice;
    private readonly HashSet<ClockTask> _often;
    private readonly bool _twelveOften;
    private readonly bool _withoutClockOften;
    private readonly int _place;
    private readonly Stage _least;
    private readonly Stage _most;

    /// <summary>Looks at what was asked.</summary>
    /// <param name="bank">The items that may be asked.</param>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    /// <param name="allRight">Whether all of them came right.</param>
    /// <param name="twelveIsTheQuestion">Whether what is open shows only where the hour is twelve.</param>
    public Variety(IReadOnlyList<Item> bank, IReadOnlyList<Item> asked, bool allRight, bool twelveIsTheQuestion)
    {
        _place = asked.Count;
        var last = asked.TakeLast(ModelParameters.MostRunning).Select(item => item.Task).ToList();
        _thrice = last.Count == ModelParameters.MostRunning && last.Distinct().Count() == 1 ? last[0] : null;
        var most = Math.Max(ModelParameters.MostRunning, (asked.Count + 2) / 2);
        _often = [.. asked.GroupBy(item => item.Task).Where(same => same.Count() >= most).Select(same => same.Key)];
        _twelveOften = !twelveIsTheQuestion
            && (asked.Count(item => item.Time.Hour == 12) + 1) * ModelParameters.TwelveOnceIn > Math.Max(ModelParameters.TwelveOnceIn,
            asked.Count + 1);
        _withoutClockOften = asked.Count(item => !HasClock(item)) >= ModelParameters.MostWithoutClock && bank.Any(HasClock);
        (_least, _most) = Rising(bank, allRight);
    }

    /// <summary>Whether it would be asked now.</summary>
    public bool Allows(Item item) =>
        item.Task != _thrice && !_often.Contains(item.Task)
        && !(item.Time.Hour == 12 && (_twelveOften || _place < ModelParameters.RisingFrom.Count))
        && !(_withoutClockOften && !HasClock(item))
        && Stages.FirstWith(item.Time.Minute) is var level && level >= _least && level <= _most
        && !(_place == 0 && !(item.Task.Stimulus == Stimulus.Clock && item.Task.Form is AnswerForm.Digital or AnswerForm.Words))
        && !(_place == 1 && item.Task.Form == AnswerForm.Hands);

    private static bool HasClock(Item item) => item.Task.ShowsClock || item.Task.Form == AnswerForm.Hands;

    /// <summary>
    /// Between which stages a time of the first items lies: up to a fifth of what is taught, two fifths, and so on; and where all came
    /// right no easier than the item two before.
    /// </summary>
    private (Stage Least, Stage Most) Rising(IReadOnlyList<Item> bank, bool allRight)
    {
        if (_place >= ModelParameters.RisingOver) return (Stage.OClock, Stage.EveryMinute);
        var levels = bank.Select(item => Stages.FirstWith(item.Time.Minute)).Distinct().Order().ToList();
        var last = levels.Count - 1;
        var most = levels[((last * (_place + 1)) + ModelParameters.RisingOver - 1) / ModelParameters.RisingOver];
        return (allRight && _place >= 2 ? levels[last * (_place - 1) / ModelParameters.RisingOver] : levels[0], most);
    }
}
