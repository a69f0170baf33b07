using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Training;

/// <summary>The patterns that made-up children have: those that show in the plain tasks, and are no other pattern there.</summary>
public sealed class TrainingPatterns
{
    private readonly IReadOnlyList<(Pattern One, Pattern Other)> _pairs;

    /// <summary>Looks for them.</summary>
    /// <param name="model">The model.</param>
    public TrainingPatterns(ReadingModel model)
    {
        var study = new Study(model);
        (Bank, Shown) = (study.Bank, study.Shown);
        All = [.. Catalogue.All.Where(pattern => Steps.OfReading.Contains(pattern.Step) && Shows(pattern, Variant.Plain, false))];
        Alike = [.. All.Where(pattern => All.Any(other => pattern.Alike.Contains(other.Id) || other.Alike.Contains(pattern.Id)))];
        _pairs = [.. from one in All from other in All where one.Step < other.Step select (one, other)];
    }

    /// <summary>How a made-up child may have a pattern.</summary>
    public static IReadOnlyList<Variant> Variants { get; } = [Variant.Plain, Variant.HalfKnown, Variant.SetsRightly, Variant.OwnWords];

    /// <summary>
    /// The tasks that a made-up child can be asked: those that there is a second reading of. A choice is none of them, for what there is to
    /// choose from would come from the engine.
    /// </summary>
    public static IReadOnlyList<ClockTask> Tasks { get; } = [.. ClockTasks.Plain, ClockTasks.HourOnly, ClockTasks.MinutesOnly,
        ClockTasks.Describe, ClockTasks.Story, ClockTasks.PlaceHourHand, ClockTasks.PlaceMinuteHand, ClockTasks.SetMinutes];

    /// <summary>The items that the engine would ask from.</summary>
    public IReadOnlyList<Item> Bank { get; }

    /// <summary>All of them, in the order of the steps.</summary>
    public IReadOnlyList<Pattern> All { get; }

    /// <summary>Those that are easily taken for another.</summary>
    public IReadOnlyList<Pattern> Alike { get; }

    /// <summary>Sets of two, each of another step.</summary>
    public IReadOnlyList<(Pattern One, Pattern Other)> Pairs => _pairs;

    private ShownPatterns Shown { get; }

    /// <summary>Two of another step each.</summary>
    public IReadOnlyList<Pattern> Two(Random random)
    {
        var (one, other) = _pairs[random.Next(_pairs.Count)];
        return [one, other];
    }

    /// <summary>Whether a pattern shows in a variant.</summary>
    internal bool Shows(Pattern pattern, Variant variant, bool benchmarks) =>
        Shown.ShowsPattern(pattern.Id, new Traits(variant, benchmarks, true));
}
