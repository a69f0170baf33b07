using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Patterns;

/// <summary>A pattern with an answer that shows it.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Asked">What is asked.</param>
/// <param name="Answered">What is answered.</param>
/// <param name="Face">It as a clock.</param>
public sealed record Example(Pattern Pattern, string Asked, string Answered, Face Face);

/// <summary>Patterns as faces. What shows a pattern depends on the wording alone: it is looked for once.</summary>
public sealed class PatternFaces(ReadingModel model)
{
    private readonly ConcurrentDictionary<(Pattern, Wording), IReadOnlyList<Example>> _showing = [];
    private readonly ConcurrentDictionary<(Pattern, Wording), IReadOnlyList<Example>> _comingRight = [];
    private readonly ConcurrentDictionary<(Pattern, Pattern, Wording), (string Asked, Example This, Example Other)?> _apart = [];

    private const int Showing = 4;
    private const int Agreeing = 2;

    /// <summary>The answer that shows a pattern best.</summary>
    public Example Best(Pattern pattern, Wording wording) => ExamplesOf(pattern, wording)[0];

    /// <summary>Answers that show a pattern, at hours and minutes far apart, the plainest first.</summary>
    public IReadOnlyList<Example> ExamplesOf(Pattern pattern, Wording wording) =>
        _showing.GetOrAdd((pattern, wording), key => Found(key.Item1, key.Item2));

    private IReadOnlyList<Example> Found(Pattern pattern, Wording wording)
    {
        if (pattern.Rule is OtherSkillRule own)
        {
            return [.. OtherSkillItems.All.Select(item => item.OtherSkill!).Where(question => own.AnswerTo(question) is not null)
                .Take(Showing).Select(question => new Example(
                pattern, question.Text, own.AnswerTo(question)!,
                new Face(FaceSize.Middle) { Hands = HandPositions.Showing(question.Time), Label = $"{question.Time}" }))];
        }
        if (pattern.Rule is RepeatingRule)
        {
            var (before, shown, given) = (new ClockTime(3, 30), new ClockTime(7, 45), DigitalAnswer.Showing(new ClockTime(3, 30)));
            var said = $"{wording.Digital(before)}, as to the clock before";
            return [new Example(pattern, wording.Digital(shown), said,
                Face.Showing(FaceSize.Middle, shown, given, isRight: false, $"{wording.Digital(shown)}, answered {said}"))];
        }
        var held = HeldPattern.Plain(model, pattern);
        return [.. Apart(BankOf(pattern).Where(held.IsTelling).OrderBy(item => Stages.FirstWith(item.Time.Minute))
            .ThenBy(item => Math.Abs(item.Time.Hour - 7)), Showing)
            .Select(item => Drawn(pattern, item, held.AnswerTo(item), isRight: false, wording))];
    }

    /// <summary>Clocks that come right by themselves: they show nothing of the pattern, and a set begins with one.</summary>
    public IReadOnlyList<Example> ComingRight(Pattern pattern, Wording wording) =>
        _comingRight.GetOrAdd((pattern, wording), key => FoundRight(key.Item1, key.Item2));

    private IReadOnlyList<Example> FoundRight(Pattern pattern, Wording wording)
    {
        if (pattern.Rule is OtherSkillRule or RepeatingRule) return [];
        var held = HeldPattern.Plain(model, pattern);
        return [.. Apart(BankOf(pattern).Where(held.ComesRight), Agreeing)
            .Select(item => Drawn(pattern, item, item.Right, isRight: true, wording))];
    }

    /// <summary>The question that tells a pattern from one that looks like it, drawn as each of them answers it.</summary>
    public (string Asked, Example This, Example Other)? Apart(Pattern pattern, Pattern other, Wording wording) =>
        _apart.GetOrAdd((pattern, other, wording), key => FoundApart(key.Item1, key.Item2, key.Item3));

    private (string Asked, Example This, Example Other)? FoundApart(Pattern pattern, Pattern other, Wording wording)
    {
        if (pattern.Rule is OtherSkillRule or RepeatingRule || other.Rule is OtherSkillRule or RepeatingRule) return null;
        if (TellingApart.Find(model, pattern, other) is not { } telling) return null;
        var (example, two) = (Drawn(pattern, telling.Item, telling.Answer, IsRight(telling.Item, telling.Answer), wording),
            Drawn(other, telling.Item, telling.OtherAnswer, IsRight(telling.Item, telling.OtherAnswer), wording));
        return ($"{telling.Item.Task.Texts.Name}: {example.Asked}", example, two);
    }

    private static bool IsRight(Item item, Answer answer) => Scoring.IsRight(item, answer, item.Task.Aloud, Stage.EveryMinute);

    /// <summary>Where a hand is put is seen best with both in their places.</summary>
    private static IReadOnlyList<Item> BankOf(Pattern pattern) =>
        // A pair is what its two are called as long as only halves are taught.
        ItemBank.Upto(pattern.Either.Count > 0 ? Stage.HalfPast : Stage.EveryMinute,
            [pattern.Step == Step.Placing ? ClockTasks.SetFromDigital : PracticeTasks.For(pattern)]);

    /// <summary>Some of them, no two with the same hour or the same minutes as far as there are others.</summary>
    private static List<Item> Apart(IEnumerable<Item> items, int count)
    {
        var (all, chosen) = (items.ToList(), new List<Item>());
        foreach (var strict in new[] { true, false })
        {
            foreach (var item in all.Where(item =>
                !chosen.Contains(item) && (!strict
                    || chosen.TrueForAll(other => other.Time.Hour != item.Time.Hour && other.Time.Minute != item.Time.Minute))).ToList())
            {
                if (chosen.Count < count
                    && (!strict || chosen.TrueForAll(other => other.Time.Hour != item.Time.Hour && other.Time.Minute != item.Time.Minute)))
                    chosen.Add(item);
            }
        }
        return chosen;
    }

    private static Example Drawn(Pattern pattern, Item item, Answer answer, bool isRight, Wording wording)
    {
        var inWords = isRight ? "right" : answer is PlacedAnswer ? "placed like this" : answer.Short(wording);
        var asked = item.Task.Stimulus == Stimulus.Words ? wording.Words(item.Time) : wording.Digital(item.Time);
        return new Example(pattern, asked, inWords,
            Face.Showing(FaceSize.Middle, item.Time, answer, isRight, $"{wording.Digital(item.Time)}, answered {inWords}"));
    }
}
