using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>One sitting in which each item is chosen by what all answers so far have told.</summary>
/// <param name="model">The model.</param>
/// <param name="belief">What is believed before it; it is changed by every answer.</param>
/// <param name="items">The items that may be asked.</param>
/// <param name="seed">The same seed and the same answers ask the same items.</param>
public sealed class AdaptiveSitting(ReadingModel model, Belief belief, SittingItems items, int seed)
{
    private readonly ItemChooser _chooser = new(model, seed);
    private readonly List<Item> _asked = [];
    private readonly List<ObservedAnswer> _answers = [];
    private readonly List<Conclusion> _concluded = [];

    /// <summary>What is believed now.</summary>
    public Belief Belief => belief;

    /// <summary>The answers so far, held against the model.</summary>
    public IReadOnlyList<ObservedAnswer> Answers => _answers;

    /// <summary>The item that tells most now; null where everything has been asked.</summary>
    public NextItem? Next() => _chooser.Next(belief, _answers, items, _asked);

    /// <summary>Takes the answer to an item.</summary>
    public void Add(ItemAnswer given)
    {
        var observed = new ObservedAnswer(given, model.Observe(given));
        belief.Update(observed.Observations);
        _answers.Add(observed);
        _asked.Add(given.Item);
        if (_asked.Count > ModelParameters.FewestAnswers - ModelParameters.SameConclusions) _concluded.Add(Conclude());
    }

    /// <summary>What the answers say.</summary>
    public Conclusion Conclude() => Conclusion.From(model, belief, _answers, reach: Reach.At(model, items.Stage));

    /// <summary>Whether it may stop now, and why.</summary>
    public StopReason MayStop() => StopRules.After(model, belief, _answers, items, () => _concluded);
}
