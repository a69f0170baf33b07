using System.Globalization;

namespace Umbick.Core.Teaching;

/// <summary>What a child guessed, or did, and what it really was.</summary>
/// <param name="Given">The guess, or the seconds after which they stopped; above 0.</param>
/// <param name="Real">What it really was, or was to be; above 0.</param>
public readonly record struct GuessAndReal(double Given, double Real)
{
    /// <summary>The largest number that is taken.</summary>
    public const double Most = 100_000;

    /// <summary>The guess as a share of what it was: 1 is just right, below 1 too little.</summary>
    public double Ratio => Given / Real;

    /// <summary>How far off it is, either way: 1 is just right, 2 is half or twice.</summary>
    public double Off => Math.Max(Ratio, 1 / Ratio);

    /// <summary>Whether two numbers can be a guess and what it was.</summary>
    public static bool CanBe(double given, double real) => given is > 0 and <= Most && real is > 0 and <= Most;
}

/// <summary>Two tries at a card: the second stands beside the first, always.</summary>
/// <param name="Card">The card.</param>
/// <param name="Day">The day.</param>
/// <param name="First">The first try.</param>
/// <param name="Second">The second; null where there was no time for it.</param>
public sealed record TimeTry(TimeCard Card, DateOnly Day, GuessAndReal First, GuessAndReal? Second)
{
    /// <summary>The second try where there is one, else the first.</summary>
    public GuessAndReal Last => Second ?? First;
}

/// <summary>How a child's sense of time goes on, compared with nobody.</summary>
public static class TimeCourse
{
    /// <summary>With fewer days nothing is said of the course.</summary>
    public const int FewestDays = 4;

    private const double Same = 0.1;

    /// <summary>What the tries tell, in sentences; none where there are none.</summary>
    /// <param name="tries">The tries, the earliest first.</param>
    public static IReadOnlyList<string> Says(IReadOnlyList<TimeTry> tries)
    {
        var says = new List<string>();
        var pairs = tries.Where(each => each.Second is not null).ToList();
        if (pairs.Count > 0)
        {
            var nearer = pairs.Count(each => each.Second!.Value.Off < each.First.Off);
            says.Add(pairs.Count == 1
                ? nearer == 1 ? "The second try came nearer than the first." : "The second try came no nearer than the first."
                : $"The second try came nearer {nearer} {(nearer == 1 ? "time" : "times")} of {pairs.Count}.");
        }
        if (tries.Count == 0) return says;
        if (tries.Select(each => each.Day).Distinct().Count() < FewestDays)
            return [.. says, $"With fewer than {FewestDays} days nothing is said of the course."];
        var (then, now) = (Middle(tries.Take(tries.Count / 2)), Middle(tries.Skip(tries.Count - (tries.Count / 2))));
        says.Add(string.Create(CultureInfo.InvariantCulture, $"At first {InWords(then)} off, by now {InWords(now)}: ")
            + (now < then - Same ? "nearer." : now > then + Same ? "further." : "much the same."));
        return says;
    }

    /// <summary>How far off, in words: “by a third”.</summary>
    private static string InWords(double off) => string.Create(CultureInfo.InvariantCulture, $"{100 * (off - 1):0} %");

    private static double Middle(IEnumerable<TimeTry> tries)
    {
        var all = tries.Select(each => each.Last.Off).Order().ToList();
        return all.Count % 2 == 1 ? all[all.Count / 2] : (all[(all.Count / 2) - 1] + all[all.Count / 2]) / 2;
    }
}
