using System.Collections.Concurrent;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// What the times taught so far can show of patterns. Two that look alike and that no such time parts need not be parted before they are
/// called; a pattern that shows at one place of the minute hand only need not be seen at two.
/// </summary>
/// <param name="model">The model.</param>
/// <param name="stage">How far times are taught.</param>
public sealed class Reach(ReadingModel model, Stage stage)
{
    private readonly ConcurrentDictionary<(Pattern Pattern, Pattern Other), bool> _parted = [];
    private readonly ConcurrentDictionary<Pattern, bool> _showApart = [];

    /// <summary>A few hours are enough: what parts two patterns parts them at any hour, or over the top.</summary>
    private readonly Lazy<IReadOnlyList<Item>> _items = new(() =>
        [.. ItemBank.ForSitting(stage, ClockTasks.Plain).Where(item => item.Time.Hour is 3 or 7 or 12)]);

    /// <summary>What can be asked at a stage: made once for a model.</summary>
    public static Reach At(ReadingModel model, Stage stage) => model.Beside<Reaches>().At(model, stage);

    /// <summary>What can be asked of whoever was asked this, where their stage is not known: the stage of the hardest time.</summary>
    public static Reach Of(ReadingModel model, IReadOnlyList<ObservedAnswer> answers) =>
        At(model, answers.Where(answer => answer.Given.Item.OtherSkill is null)
            .Select(answer => Stages.FirstWith(answer.Given.Item.Time.Minute)).DefaultIfEmpty(Stage.EveryMinute).Max());

    /// <summary>
    /// Whether some item parts a pattern from another: it would go the one's way, and hardly the other's. What is misread may be set
    /// rightly, so that setting a clock parts no two ways of reading one for sure.
    /// </summary>
    public bool Parts(Pattern pattern, Pattern other) => _parted.GetOrAdd((pattern, other), pair =>
    {
        var (one, two) = (model.Space.PlaceOf([pair.Pattern]), model.Space.PlaceOf([pair.Other]));
        return _items.Value.Any(item =>
        {
            if (SettingRule.Covers(pair.Pattern.Step) && item.Task.Form == AnswerForm.Hands) return false;
            var prediction = model.Predict(item, item.Task.Taken);
            var parts = prediction.SubSpace;
            var answer = prediction.LikeliestOf(parts.PartOf(one));
            return answer != prediction.LikeliestOf(parts.PartOf(0))
                && prediction.ChanceOf(parts.PartOf(two), prediction.Fits(prediction.Answers[answer])) < ModelParameters.FittingFrom;
        });
    });

    /// <summary>Whether a pattern shows at two places of the minute hand that are apart.</summary>
    public bool ShowsApart(Pattern pattern) => _showApart.GetOrAdd(pattern, shown =>
    {
        var minutes = _items.Value.Where(item => model.IsTelling(shown, item)).Select(item => item.Time.Minute).Distinct().ToList();
        return minutes.Exists(a => minutes.Exists(b => Evidence.AreApart(a, b)));
    });

    private sealed class Reaches
    {
        private readonly ConcurrentDictionary<Stage, Reach> _stages = [];

        public Reach At(ReadingModel model, Stage stage) => _stages.GetOrAdd(stage, at => new Reach(model, at));
    }
}
