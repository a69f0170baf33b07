using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>
/// A pattern as one child has it: what they read as a whole, and whether they set a clock as they read it, goes with it. What a set is
/// made for, and what says where the pattern and the right reading part.
/// </summary>
public sealed class HeldPattern
{
    private readonly ReadingModel _model;

    /// <summary>The procedure of each child who has it, the first child's in front.</summary>
    private readonly int[] _procedures;

    private HeldPattern(ReadingModel model, Pattern pattern, params int[] procedures) => (_model, Pattern, _procedures) =
        (model, pattern, procedures);

    /// <summary>The pattern.</summary>
    public Pattern Pattern { get; }

    /// <summary>The task at which it shows most plainly: to set a clock, where one of them reads one rightly.</summary>
    public ClockTask MainTask =>
        _procedures.Any(procedure => _model.Space.ChoiceOf(procedure, Step.Setting) == ProcedureSpace.ChoiceOf(SetAs.Alone))
            ? ClockTasks.SetFromDigital : PracticeTasks.For(Pattern);

    /// <summary>The pattern by its plain rule, as far as nothing is known of a child; a pair by the first of the two.</summary>
    public static HeldPattern Plain(ReadingModel model, Pattern pattern) => new(model, pattern, model.Space.PlaceOf([pattern]));

    /// <summary>The pattern in the variant that is believed most of a child.</summary>
    public static HeldPattern From(ReadingModel model, Pattern pattern, Belief belief)
    {
        var state = pattern.Either.Count > 0 ? model.Space.StateWith(pattern) : model.Space.ChoiceOf(belief.Best(pattern), pattern.Step);
        var setting = belief.WhereShown(pattern) switch
        {
            ShownWhere.Reading => SetAs.Rightly,
            ShownWhere.Setting when SettingRule.Covers(pattern.Step) => SetAs.Alone,
            _ => SetAs.Read,
        };
        return new HeldPattern(model, pattern,
            model.Space.With(model.Space.With(0, pattern.Step, state), Step.Setting, ProcedureSpace.ChoiceOf(setting)));
    }

    /// <summary>
    /// The pattern as several children have it together: what tells of each of them tells, and what comes right with each of them comes
    /// right.
    /// </summary>
    /// <param name="each">The same pattern as each has it; one at least. What would be answered goes by the first.</param>
    public static HeldPattern Together(IReadOnlyList<HeldPattern> each) =>
        new(each[0]._model, each[0].Pattern, [.. each.SelectMany(held => held._procedures).Distinct()]);

    /// <summary>What a child with this pattern alone would answer most often. A clock that is to be put right shows it already.</summary>
    public Answer AnswerTo(Item item)
    {
        if (item.Task == ClockTasks.RepairClock && item.Claim is { } shown) return shown;
        var prediction = PredictionOf(item);
        return prediction.Answers[prediction.LikeliestOf(prediction.SubSpace.PartOf(_procedures[0]))];
    }

    /// <summary>Whether a child with this pattern alone may answer like this.</summary>
    public bool MayAnswer(Item item, Answer answer)
    {
        var prediction = PredictionOf(item);
        return prediction.ChanceOf(prediction.SubSpace.PartOf(_procedures[0]), prediction.Fits(answer)) >= ModelParameters.FittingFrom;
    }

    /// <summary>Whether a child with this pattern alone would answer wrongly.</summary>
    public bool IsTelling(Item item) => _procedures.All(procedure => !IsAnsweredRightly(item, procedure));

    /// <summary>
    /// Whether such a child comes to the right answer itself: a hand that is put near enough to be scored right does not show where it
    /// belongs.
    /// </summary>
    public bool ComesRight(Item item) =>
        _procedures.All(procedure => IsAnsweredRightly(item, procedure) && !IsPutNearby(item, procedure));

    private bool IsPutNearby(Item item, int procedure) =>
        _model.Space.At(Pattern.Step)[_model.Space.ChoiceOf(procedure, Pattern.Step)].Rule is PlacingRule placing
            && item.Task.Order.Contains(Step.Placing) && !placing.IsExactAt(item.Time.Minute);

    private bool IsAnsweredRightly(Item item, int procedure)
    {
        if (item.Task == ClockTasks.RepairClock) return item.ClaimIsRight;
        var prediction = PredictionOf(item);
        return prediction.LikeliestOf(prediction.SubSpace.PartOf(procedure)) == prediction.RightId;
    }

    /// <summary>How an answer is taken: figures are written where writing is what goes wrong, else they are said.</summary>
    private Prediction PredictionOf(Item item) => _model.Predict(item, Pattern.Step == Step.Writing ? item.Task.Taken : item.Task.Aloud);
}
