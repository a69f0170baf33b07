using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>
/// How likely some answers are from a <see cref="VariedChild"/>, by just the rules, slips and consistency that it is made of.
/// </summary>
/// <param name="answers">What was asked, and what was answered as it was typed.</param>
public sealed class AwayLikelihood(IReadOnlyList<(Item Item, Answer Answer)> answers)
{
    private static readonly ConcurrentDictionary<(string Task, string Raw), Answer> Parsed = [];

    private readonly double[] _slips = [.. answers.Select(answer => Slipped(answer, hasRule: true, byMeaning: false))];
    private readonly double[] _slipsByMeaning = [.. answers.Select(answer => Slipped(answer, hasRule: true, byMeaning: true))];
    private readonly double[] _right = [.. answers.Select(answer => Said(answer.Item, answer.Item.Time, answer.Answer, false))];
    private readonly double[] _rightByMeaning = [.. answers.Select(answer => Said(answer.Item, answer.Item.Time, answer.Answer, true))];

    /// <summary>What a child with some patterns answers who follows their way.</summary>
    /// <param name="As">For each answer, the chance that the way gives just it.</param>
    /// <param name="ByMeaning">The same, where a time in words may be said in other words.</param>
    public readonly record struct Way(double[] As, double[] ByMeaning);

    /// <summary>The chances of the answers by some patterns.</summary>
    /// <param name="patterns">The patterns, each of another step.</param>
    /// <param name="benchmarks">Whether they know o'clock, half and quarters as wholes.</param>
    public Way WayOf(IReadOnlySet<string> patterns, bool benchmarks) => new(
        [.. answers.Select(answer => Ruled(answer, patterns, benchmarks, byMeaning: false))],
        [.. answers.Select(answer => Ruled(answer, patterns, benchmarks, byMeaning: true))]);

    /// <summary>The chance of the first answers, the first two, and so on, from a child who has patterns.</summary>
    /// <param name="way">What they answer who follow their way.</param>
    /// <param name="traits">How the child has the patterns.</param>
    /// <param name="consistencies">How often they may follow their way: each is as likely.</param>
    /// <returns>One more than there are answers: the chance of none of them is 1.</returns>
    public double[] Of(Way way, Traits traits, IReadOnlyList<double> consistencies)
    {
        var own = traits.Variant == Variant.OwnWords;
        return Over(consistencies, (consistency, place) =>
        {
            var follows = traits.Follows(answers[place].Item, place) ? (own ? way.ByMeaning : way.As)[place]
                : (own ? _rightByMeaning : _right)[place];
            return Chance(traits, consistency, place, follows, (own ? _slipsByMeaning : _slips)[place]);
        });
    }

    /// <summary>The chances of the same from a child without a pattern, who reads rightly so often and is off elsewhere.</summary>
    /// <param name="consistencies">How often they may be right by their way: each is as likely.</param>
    public double[] OfRight(IReadOnlyList<double> consistencies)
    {
        double[] slips = [.. answers.Select(answer => Slipped(answer, hasRule: false, byMeaning: false))];
        return Over(consistencies, (consistency, place) => (consistency * _right[place]) + ((1 - consistency) * slips[place]));
    }

    /// <summary>The chances of the same from a child who guesses.</summary>
    /// <param name="knows">Whether a time is known and not guessed.</param>
    public double[] OfGuessing(Func<ClockTime, bool> knows) =>
        Over([VariedChild.MostConsistent], (consistency, place) => knows(answers[place].Item.Time)
            ? (consistency * _right[place]) + ((1 - consistency) * _slips[place])
            : Enumerable.Range(0, ClockTime.MinutesRound / 5).Sum(five =>
                Said(answers[place].Item, new ClockTime(12, 0).Plus(5 * five), answers[place].Answer, false)) * 5 / ClockTime.MinutesRound);

    private double[] Over(IReadOnlyList<double> consistencies, Func<double, int, double> chance)
    {
        var all = new double[answers.Count + 1];
        foreach (var consistency in consistencies)
        {
            var product = 1.0 / consistencies.Count;
            all[0] += product;
            for (var i = 0; i < answers.Count; i++) all[i + 1] += product *= chance(consistency, i);
        }
        return all;
    }

    private double Chance(Traits traits, double consistency, int place, double follows, double slipped)
    {
        if (answers[place].Answer is DontKnow) return traits.Variant == Variant.DoesNotKnow && place % 5 == 4 ? 1 : 1e-6;
        if (traits.Variant == Variant.DoesNotKnow && place % 5 == 4) return 1e-6;
        var kept = traits.ConsistencyAt(consistency, place);
        var chance = (kept * follows) + ((1 - kept) * slipped);
        if (traits.Variant != Variant.RepeatsLast || place == 0) return chance;
        return ((1 - VariedChild.RepeatsLast) * chance)
            + (answers[place].Answer.Equals(answers[place - 1].Answer) ? VariedChild.RepeatsLast : 0);
    }

    private static double Ruled((Item Item, Answer Answer) each, IReadOnlySet<string> patterns, bool benchmarks, bool byMeaning) =>
        SecondReading.Answers(each.Item.Task.Id, each.Item.Time.Hour, each.Item.Time.Minute, patterns, benchmarks)
            .Where(outcome => Same(
                each.Item, Parsed.GetOrAdd((each.Item.Task.Id, outcome.Answer), _ => each.Item.Read(outcome.Answer)), each.Answer,
                byMeaning))
            .Sum(outcome => outcome.Share);

    private static double Slipped((Item Item, Answer Answer) each, bool hasRule, bool byMeaning)
    {
        var slips = Traits.OffTheRule(hasRule);
        // One hand stands alike at many times, and so does what is said of it; two hands stand so once in twelve hours.
        var times = ClockTasks.Plain.Contains(each.Item.Task) ? 1
            : ClockTime.All().Count(time => Said(each.Item, time, each.Answer, byMeaning) > 0);
        var anywhere = times * (1 - slips.Sum(slip => slip.Share)) / ClockTime.MinutesRound;
        return slips.Sum(slip => slip.Share * Said(each.Item, each.Item.Time.Plus(slip.Off), each.Answer, byMeaning)) + anywhere;
    }

    private static double Said(Item item, ClockTime time, Answer answer, bool byMeaning) =>
        Same(item, (item with { Time = time }).Right, answer, byMeaning) ? 1 : 0;

    private static bool Same(Item item, Answer predicted, Answer given, bool byMeaning) =>
        predicted.Equals(given)
        || (byMeaning && item.Task.Form == AnswerForm.Words && predicted.Meaning is { } meant && meant == given.Meaning)
        || (predicted is PlacedAnswer placed && given is PlacedAnswer other && placed.StandsAs(other));
}
