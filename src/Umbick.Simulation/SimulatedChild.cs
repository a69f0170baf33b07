using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Simulation;

/// <summary>A child made of patterns, for demonstration data and for trying the model out.</summary>
/// <param name="model">The model whose rules they follow.</param>
/// <param name="patterns">Their patterns, at most one a step.</param>
/// <param name="consistency">How often they follow them, 0 to 1; otherwise they are mostly right.</param>
/// <param name="random">Chance, passed in so that the same seed makes the same child.</param>
public sealed class SimulatedChild(ReadingModel model, IEnumerable<Pattern> patterns, double consistency, Random random)
{
    private const double RightWhenNotFollowing = 0.7;
    private static readonly int[] Slips = [-60, -5, 5, 60];
    private readonly List<Pattern> _patterns = [.. patterns];

    /// <summary>Forgets a pattern: from now on they take its step rightly.</summary>
    public void Unlearn(Pattern pattern) => _patterns.Remove(pattern);

    /// <summary>What they answer, exactly as it would be typed.</summary>
    public string Answer(Item item, AnswerMode mode)
    {
        if (item.Task == ClockTasks.Judge) return Judge(item);
        var prediction = model.Predict(item, mode);
        if (random.NextDouble() >= consistency) return Written(random.NextDouble() < RightWhenNotFollowing ? item.Right : Slip(item));
        var fate = random.NextDouble();
        foreach (var (answer, share) in prediction.AnswersOf(prediction.SubSpace.PartOf(model.Space.PlaceOf(_patterns))))
        {
            fate -= share;
            if (fate < 0) return Written(answer);
        }
        return Written(item.Right);
    }

    private string Judge(Item item)
    {
        var answered = Answer(new Item(ClockTasks.ReadDigital, item.Time), AnswerMode.Said);
        return AnswerParser.Parse(answered).Meaning == item.Claim?.Meaning ? "ok" : answered;
    }

    private Answer Slip(Item item)
    {
        var slipped = item with { Time = item.Time.Plus(Slips[random.Next(Slips.Length)]) };
        return slipped.Right;
    }

    private static string Written(Answer answer) => answer.Short(Wording.Usual);
}
