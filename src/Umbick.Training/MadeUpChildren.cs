using System.Collections.Concurrent;
using Umbick.Core.Diagnosis;

namespace Umbick.Training;

/// <summary>
/// The children of a level who can be found out: an oracle is sure of the truth after ten good clocks, so that there is one right verdict.
/// </summary>
public sealed class MadeUpChildren(ReadingModel model)
{
    /// <summary>How sure an oracle has to be of the truth, 0 to 1.</summary>
    public const double Sure = 0.9;

    private readonly ConcurrentDictionary<(TrainingLevel Level, int Place), int> _seeds = [];

    /// <summary>The patterns that they may have.</summary>
    public TrainingPatterns Patterns => field ??= new(model);

    /// <summary>Who weighs.</summary>
    public TrainingOracle Oracle => field ??= new(Patterns);

    /// <summary>The number of a child of a level.</summary>
    /// <param name="level">The level.</param>
    /// <param name="place">Which of them: the same place has the same child.</param>
    public int SeedAt(TrainingLevel level, int place) => _seeds.GetOrAdd((level, place % MadeUpChild.Round), at =>
    {
        for (var seed = at.Place + 1; ; seed += MadeUpChild.Round)
        {
            if (IsUsable(MadeUpChild.Make(at.Level, seed, Patterns))) return seed;
        }
    });

    /// <summary>The child of a number; null where an oracle would not be sure of them.</summary>
    public MadeUpChild? Find(TrainingLevel level, int seed) =>
        seed > 0 && SeedAt(level, (seed - 1) % MadeUpChild.Round) == seed ? MadeUpChild.Make(level, seed, Patterns) : null;

    /// <summary>Whether an oracle is sure of the truth after the ten clocks that the engine would ask.</summary>
    public bool IsUsable(MadeUpChild child)
    {
        var path = EnginePath.Of(model, Patterns, child, EnginePath.Usual);
        var weighed = Oracle.Weigh([.. path.Moves.Select(move => move.Item)], [.. path.Moves.Select(move => move.Heard.Raw)]);
        return weighed.Of(child.Truth, weighed.Count) >= Sure;
    }
}
