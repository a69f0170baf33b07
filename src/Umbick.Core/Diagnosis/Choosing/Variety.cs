using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>Which items a teacher would ask next, whatever they tell: the first is a plain clock, tasks and hours change.</summary>
internal sealed class Variety
{
    private readonly ClockTask? _thrice;
    private readonly HashSet<ClockTask> _often;
    private readonly bool _twelveOften;
    private readonly bool _first;
    private readonly bool _rising;

    /// <summary>Looks at what was asked.</summary>
    /// <param name="asked">The items asked in this sitting, in order.</param>
    /// <param name="twelveIsTheQuestion">Whether what is open shows only where the hour is twelve.</param>
    public Variety(IReadOnlyList<Item> asked, bool twelveIsTheQuestion)
    {
        (_first, _rising) = (asked.Count == 0, asked.Count < ModelParameters.RisingFrom.Count);
        var last = asked.TakeLast(ModelParameters.MostRunning).Select(item => item.Task).ToList();
        _thrice = last.Count == ModelParameters.MostRunning && last.Distinct().Count() == 1 ? last[0] : null;
        var most = Math.Max(ModelParameters.MostRunning, (asked.Count + 2) / 2);
        _often = [.. asked.GroupBy(item => item.Task).Where(same => same.Count() >= most).Select(same => same.Key)];
        _twelveOften = !twelveIsTheQuestion
            && (asked.Count(item => item.Time.Hour == 12) + 1) * ModelParameters.TwelveOnceIn > Math.Max(ModelParameters.TwelveOnceIn,
            asked.Count + 1);
    }

    /// <summary>Whether it would be asked now.</summary>
    public bool Allows(Item item) =>
        item.Task != _thrice && !_often.Contains(item.Task)
        && !(item.Time.Hour == 12 && (_twelveOften || _rising))
        && !(_first && !(item.Task.Stimulus == Stimulus.Clock && item.Task.Form is AnswerForm.Digital or AnswerForm.Words));
}
