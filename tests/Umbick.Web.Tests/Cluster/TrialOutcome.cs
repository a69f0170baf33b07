namespace Umbick.Web.Tests.Cluster;

/// <summary>An answer as it was typed, and when, in milliseconds.</summary>
public sealed record TypedAnswer(Guid Id, string Raw, Guid Sitting, int Place, long At);

/// <summary>An answer that was acknowledged, and when.</summary>
public sealed record HeardAnswer(Guid Id, long At);

/// <summary>Something that was taken away, from when until when.</summary>
public sealed record TrialFault(string Name, long Began, long Ended);

/// <summary>What became of a trial.</summary>
public sealed record TrialOutcome(
    IReadOnlyList<TypedAnswer> Typed, IReadOnlyList<HeardAnswer> Heard, IReadOnlyList<(long At, long Milliseconds, bool IsWell)> Pages,
    IReadOnlyList<TrialFault> Faults)
{
    /// <summary>
    /// A line a fault: for how long nothing was acknowledged to anybody, how long the answer took that took longest, and the pages of a
    /// teacher meanwhile.
    /// </summary>
    public IEnumerable<string> Table()
    {
        yield return "| fault | answers | nothing kept for | longest answer | pages | longest page | pages that failed |";
        yield return "|---|---|---|---|---|---|---|";
        var heard = Heard.ToDictionary(answer => answer.Id, answer => answer.At);
        foreach (var fault in Faults)
        {
            var typed = Typed.Where(answer => answer.At >= fault.Began && answer.At <= fault.Ended).ToList();
            var kept = Heard.Select(answer => answer.At).Where(at => at >= fault.Began && at <= fault.Ended).Prepend(fault.Began).Order()
                .ToList();
            var gap = kept.Zip(kept.Skip(1).Append(fault.Ended), (one, next) => next - one).Max();
            var longest = typed.Select(answer => heard[answer.Id] - answer.At).DefaultIfEmpty().Max();
            var pages = Pages.Where(page => page.At >= fault.Began && page.At <= fault.Ended).ToList();
            yield return $"| {fault.Name} | {typed.Count} | {gap / 1000.0:0.0} s | {longest / 1000.0:0.0} s | {pages.Count} | "
                + $"{pages.Select(page => page.Milliseconds).DefaultIfEmpty().Max() / 1000.0:0.0} s | "
                + $"{pages.Count(page => !page.IsWell)} |";
        }
    }
}
