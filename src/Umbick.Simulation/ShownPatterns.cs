using System.Collections.Concurrent;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Simulation;

/// <summary>What patterns show in the items that may be asked, by the second reading of the catalogue.</summary>
public sealed class ShownPatterns
{
    private static readonly IReadOnlySet<string> Nobody = new HashSet<string>();

    private readonly IReadOnlyList<Item> _looked;
    private readonly string[] _right;
    private readonly ConcurrentDictionary<(string Pattern, bool Benchmarks), string[][]> _answers = new();
    private readonly ConcurrentDictionary<(string Pattern, Traits Traits), bool> _shows = new();

    /// <summary>Looks at every fifth item of those that may be asked.</summary>
    public ShownPatterns(IReadOnlyList<Item> bank)
    {
        _looked = [.. bank.Where((_, i) => i % 5 == 0)];
        _right = [.. _looked.Select(item => Outcomes(item, Nobody, false)[0])];
    }

    /// <summary>Whether a pattern, in this variant, shows in one item of twelve or more and is no other pattern of the catalogue.</summary>
    public bool ShowsPattern(string pattern, Traits traits) => _shows.GetOrAdd((pattern, traits), asked =>
    {
        // Who says every time with 'past', or as figures, has no 'to' to mix up with it.
        if (asked.Traits.Variant == Variant.OwnWords && Catalogue.Find(asked.Pattern)!.Step == Step.PastOrTo) return false;
        var its = Answers(asked.Pattern, asked.Traits.Benchmarks);
        string[] own = [.. _looked.Select((item, i) => asked.Traits.Follows(item, 0) ? its[i][0] : _right[i])];
        var shown = own.Where((answer, i) => answer != _right[i]).Count();
        // Who reads the coming hour only late in the hour reads the nearest: that is the other pattern, and not a variant of this one.
        return shown * 12 >= _looked.Count && !Catalogue.All.Any(other =>
            other.Id != asked.Pattern && Steps.OfReading.Contains(other.Step)
                && Differ(own, Answers(other.Id, asked.Traits.Benchmarks)) * 4 < shown);
    });

    /// <summary>What a pattern may answer to each item, the likeliest first.</summary>
    private string[][] Answers(string pattern, bool benchmarks) =>
        _answers.GetOrAdd((pattern, benchmarks),
            asked => [.. _looked.Select(item => Outcomes(item, new HashSet<string> { asked.Pattern }, asked.Benchmarks))]);

    private static int Differ(string[] these, string[][] those) => these.Where((text, i) => !those[i].Contains(text)).Count();

    private static string[] Outcomes(Item item, IReadOnlySet<string> patterns, bool benchmarks) =>
        [.. SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, patterns, benchmarks)
            .OrderByDescending(outcome => outcome.Share).Select(outcome => outcome.Answer)];
}
