using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>How many of some items a child is expected to have right.</summary>
public static class ExpectedRight
{
    /// <summary>The sum of the chances, 0 to the number of items, by what is believed. Whoever guesses has none right.</summary>
    /// <param name="model">The model.</param>
    /// <param name="belief">What is believed of the child.</param>
    /// <param name="items">The items; one beside reading is left out.</param>
    public static double For(ReadingModel model, Belief belief, IEnumerable<Item> items)
    {
        var over = new Dictionary<SubSpace, ExpectedInformation>();
        var sum = 0.0;
        foreach (var item in items.Where(item => item.OtherSkill is null && item.Task.Order.Count > 0))
        {
            var prediction = model.Predict(item, item.Task.Taken);
            if (!over.TryGetValue(prediction.SubSpace, out var expected))
                over[prediction.SubSpace] = expected = new ExpectedInformation(belief.MarginalOver(prediction.SubSpace), 0);
            sum += expected.For(prediction).RightChance;
        }
        return sum * (1 - belief.Guessing - belief.Repeating);
    }
}
