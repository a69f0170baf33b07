using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages.Patterns;

/// <summary>A pattern with an answer that shows it.</summary>
public sealed record Example(Pattern Pattern, string Asked, string Answered, Face Face);

/// <summary>The catalogue, step by step.</summary>
public sealed class IndexModel(ReadingModel model, RequestPreferences preferences) : PageModel
{
    public IReadOnlyList<IGrouping<Step, Example>> Steps { get; private set; } = [];

    public void OnGet() => Steps = [.. Catalogue.All.Select(ExampleOf).GroupBy(example => example.Pattern.Step)];

    public static string Heading(Step step) => step switch
    {
        Step.Hands => "Which hand is which",
        Step.Hour => "Reading the hour",
        Step.Minutes => "Reading the minutes",
        Step.PastOrTo => "Past and to",
        Step.Fractions => "Quarter and half",
        Step.Writing => "Writing a time",
        Step.Placing => "Setting the hands",
        Step.CountingOn => "Counting on, and minutes in an hour",
        Step.DayHalves => "Halves of the day",
        _ => "Whatever the clock shows",
    };

    private Example ExampleOf(Pattern pattern)
    {
        if (pattern.Rule is OtherSkillRule own)
        {
            var question = OtherSkillItems.All.Select(item => item.OtherSkill!).First(question => own.AnswerTo(question) is not null);
            return new Example(pattern, question.Text, own.AnswerTo(question)!, new Face(FaceSize.Middle) { Hands = HandPositions.Of(question.Time), Label = $"{question.Time}" });
        }
        if (pattern.Rule is RepeatingRule)
        {
            var (before, shown, given) = (new ClockTime(3, 30), new ClockTime(7, 45), DigitalAnswer.Of(new ClockTime(3, 30)));
            var said = $"{preferences.Wording.Digital(before)}, as to the clock before";
            return new Example(pattern, preferences.Wording.Digital(shown), said, Face.Of(FaceSize.Middle, shown, given, isRight: false, $"{preferences.Wording.Digital(shown)}, answered {said}"));
        }
        var held = HeldPattern.Plain(model, pattern);
        // Where a hand is put is seen best with both in their places.
        var item = ItemBank.Upto(Stage.EveryMinute, [pattern.Step == Step.Placing ? ClockTasks.SetFromDigital : PracticeTasks.For(pattern)])
            .Where(held.IsTelling)
            .OrderBy(item => Stages.FirstWith(item.Time.Minute))
            .ThenBy(item => Math.Abs(item.Time.Hour - 7))
            .First();
        var answer = held.AnswerTo(item);
        var inWords = answer is PlacedAnswer ? "placed like this" : answer.Short(preferences.Wording);
        return new Example(pattern, item.Task.Stimulus == Stimulus.Words ? preferences.Wording.Words(item.Time) : preferences.Wording.Digital(item.Time), inWords, Face.Of(FaceSize.Middle, item.Time, answer, isRight: false, $"{preferences.Wording.Digital(item.Time)}, answered {inWords}"));
    }
}
