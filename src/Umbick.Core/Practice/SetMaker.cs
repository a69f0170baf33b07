using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>
/// Makes a practice set for a pattern: a secure start, contrast pairs, the pattern's own answer to judge, the idea turned
/// round, and two bare ones at the end. No task and time comes twice; hours are spread; the wrap over 12 is in it where it matters.
/// </summary>
/// <param name="model">The model whose patterns say where an item parts them from the right reading.</param>
/// <param name="wording">How the reasons say times.</param>
/// <param name="inUse">Which tasks the child has met; a set asks nothing else beside the task at which its pattern shows.</param>
public sealed class SetMaker(ReadingModel model, Wording? wording = null, Func<ClockTask, bool>? inUse = null)
{
    /// <summary>Tasks for a secure start, the first in use that the pattern does not touch.</summary>
    private static readonly ClockTask[] Others = [ClockTasks.WordsToDigital, ClockTasks.ReadWords, ClockTasks.ReadDigital, ClockTasks.HourOnly];

    private readonly Wording _wording = wording ?? Wording.Usual;
    private readonly Func<ClockTask, bool> _inUse = inUse ?? (_ => true);

    /// <summary>The usual number of items: two pairs, a judge, a transfer, a secure start and two bare ones.</summary>
    public const int UsualLength = 9;

    /// <summary>The fewest items a set can have.</summary>
    public const int Shortest = 7;

    /// <summary>The most items a set can have.</summary>
    public const int Longest = 16;

    /// <summary>The last items, which never carry help.</summary>
    public const int BareAtTheEnd = 2;

    /// <summary>A stage with fewer telling times than this has too few to make a set of.</summary>
    private const int FewestTelling = 11;

    /// <summary>Makes a set.</summary>
    /// <param name="pattern">The pattern it is for.</param>
    /// <param name="stage">The child's stage; raised to the first at which the pattern shows.</param>
    /// <param name="start">The help on the first faces.</param>
    /// <param name="seed">The same seed makes the same set.</param>
    /// <param name="length">How many items, 7 to 16.</param>
    /// <exception cref="ArgumentOutOfRangeException">The length is outside its range.</exception>
    public PracticeSet Make(Pattern pattern, Stage stage, Support start, int seed, int length = UsualLength)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(length, Shortest);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(length, Longest);
        stage = FirstShowing(pattern, stage);
        var task = PatternItems.TaskFor(pattern);
        var picker = new ItemPicker(seed);
        var pool = ItemBank.Upto(stage, [task]);
        var telling = pool.Where(item => PatternItems.IsTelling(model, pattern, item)).ToList();
        var agreeing = pool.Except(telling).ToList();
        // A pattern that spoils nearly every time of its task leaves another task untouched: that comes right.
        var untouched = Others.FirstOrDefault(other => _inUse(other) && !other.Order.Contains(pattern.Step), ClockTasks.HourOnly);
        if (agreeing.Count < length) agreeing.AddRange(ItemBank.Upto(stage > Stage.HalfPast ? stage : Stage.HalfPast, [untouched]));
        var secure = agreeing.Where(item => Stages.FirstWith(item.Time.Minute) <= Easiest(agreeing)).ToList();

        var items = new List<(Item Item, SetPart Part)>();
        var pairs = Math.Max(1, (length - 5) / 2);
        var secureOnes = length - (2 * pairs) - 4;
        for (var i = 0; i < secureOnes; i++) items.Add((picker.PickFirstOf(secure, agreeing), SetPart.Secure));
        for (var i = 0; i < pairs; i++)
        {
            items.Add((picker.Pick(agreeing), SetPart.Agree));
            items.Add((picker.Pick(telling), SetPart.Differ));
            if (i == 0) items.Add((Judged(pattern, picker, telling), SetPart.Judge));
        }
        items.Add((picker.Pick(Turned(pattern, telling)), SetPart.Transfer));
        items.Add((picker.Pick(telling), SetPart.Bare));
        items.Add((picker.PickFirstOf(OverTheTop(pattern, telling), telling), SetPart.Bare));
        return new PracticeSet(pattern, [.. items.Select((item, place) => new SetItem(
            item.Item, item.Part, Fading.Within(start, place, length), Why(pattern, item.Item, item.Part)))]);
    }

    private Stage FirstShowing(Pattern pattern, Stage stage) => Stages.OfReading
        .Where(candidate => candidate >= stage)
        .FirstOrDefault(candidate => ItemBank.Upto(candidate, [PatternItems.TaskFor(pattern)])
            .Count(item => PatternItems.IsTelling(model, pattern, item)) >= FewestTelling, Stage.EveryMinute);

    private static Stage Easiest(IEnumerable<Item> items) => items.Min(item => Stages.FirstWith(item.Time.Minute));

    private Item Judged(Pattern pattern, ItemPicker picker, List<Item> telling)
    {
        // Where hands were put, or how words were heard, cannot be judged on a true clock: there the child does one more instead.
        if (pattern.Step is Step.Placing or Step.Fractions || !_inUse(ClockTasks.Judge)) return picker.Pick(telling);
        var item = picker.Pick(telling);
        return new Item(ClockTasks.Judge, item.Time, PatternItems.AnswerOf(model, pattern, item));
    }

    private List<Item> Turned(Pattern pattern, List<Item> telling)
    {
        var turned = pattern.Step switch
        {
            Step.PastOrTo => ClockTasks.WordsToDigital,
            Step.Placing or Step.Writing => ClockTasks.ReadDigital,
            Step.Fractions => ClockTasks.SetFromWords,
            _ => ClockTasks.SetFromDigital,
        };
        return _inUse(turned) ? [.. telling.Select(item => new Item(turned, item.Time))] : telling;
    }

    private static List<Item> OverTheTop(Pattern pattern, List<Item> telling)
    {
        return pattern.Step is Step.Hour or Step.PastOrTo ? [.. telling.Where(item => item.Time.Hour == 12)] : [];
    }

    private string Why(Pattern pattern, Item item, SetPart part)
    {
        var answer = item.Task == PatternItems.TaskFor(pattern)
            ? PatternItems.AnswerOf(model, pattern, item)
            : item.Claim ?? item.Right;
        var its = answer is PlacedAnswer ? "hands in another place" : answer.Short(_wording);
        return part switch
        {
            SetPart.Secure => "A secure start: this has been coming right.",
            SetPart.Agree => $"{_wording.Digital(item.Time)}: here the pattern comes right too.",
            SetPart.Differ => $"{_wording.Digital(item.Time)}: here they part; the pattern gives {its}.",
            SetPart.Judge when item.Task == ClockTasks.Judge => $"The pattern's own answer, {its}, for the child to judge.",
            SetPart.Judge => $"{_wording.Digital(item.Time)}: once more where they part.",
            SetPart.Transfer when item.Task == PatternItems.TaskFor(pattern) => $"{_wording.Digital(item.Time)}: once more where they part.",
            SetPart.Transfer => "The same idea the other way round.",
            _ => item.Time.Hour == 12 && pattern.Step == Step.Hour
                ? "Bare, and over the top from 12 to 1."
                : "Bare: does it hold without help?",
        };
    }
}
