using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Training;

/// <summary>A clock that the engine would have asked, why, and what the child says.</summary>
/// <param name="Item">The item.</param>
/// <param name="Why">Why just this one.</param>
/// <param name="Heard">The answer.</param>
/// <param name="Says">What the answers say by then, as the engine concludes: the patterns that are likely or possible.</param>
public sealed record EngineMove(Item Item, string Why, HeardAnswer Heard, IReadOnlyList<Finding> Says);

/// <summary>What the engine would have asked a made-up child, move by move.</summary>
/// <param name="Moves">The moves.</param>
/// <param name="Concluded">What it concludes from all of them.</param>
public sealed record EnginePath(IReadOnlyList<EngineMove> Moves, Conclusion Concluded)
{
    /// <summary>How many clocks a trainee has at most, and so the engine.</summary>
    public const int Usual = 10;

    /// <summary>Asks a child.</summary>
    public static EnginePath Of(ReadingModel model, TrainingPatterns patterns, MadeUpChild child, int count)
    {
        var sitting = new AdaptiveSitting(model, new Belief(model), new SittingItems(patterns.Bank, count), child.Seed);
        var items = new List<Item>();
        var moves = new List<EngineMove>();
        while (items.Count < count && sitting.Next() is { } next)
        {
            items.Add(next.Item);
            var heard = child.Answers(items)[^1];
            sitting.Add(new ItemAnswer(next.Item, Meant(next.Item.Read(heard.Raw)), next.Item.Task.Taken));
            moves.Add(new(next.Item, next.Why, heard,
                [.. sitting.Conclude().Findings.Where(finding => finding.Label is Label.Likely or Label.Possible)]));
        }
        return new(moves, sitting.Conclude());
    }

    private static Answer Meant(Answer read) => read is AmbiguousHalf half ? half.As(HalfMeaning.Before) : read;
}
