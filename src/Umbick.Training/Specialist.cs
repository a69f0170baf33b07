using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Training;

/// <summary>
/// A specialist by a script: keeps a list of what it could be, counts what speaks for and against each, asks the clock at which those in
/// front differ, and says it when one is ahead. They count as a person does, and weigh no chances.
/// </summary>
/// <param name="patterns">The patterns that they know.</param>
public sealed class Specialist(TrainingPatterns patterns) : ScriptedAdult
{
    /// <summary>So many of those in front are held apart.</summary>
    private const int InFront = 8;

    /// <summary>What a right answer that a reading would have spoilt takes from it: nobody is always so.</summary>
    private const double RightAnyway = 0.8;

    /// <summary>What a wrong answer takes that a reading does not give.</summary>
    private const double NotItsWay = 2;

    /// <summary>What each pattern more has to bring.</summary>
    private const double EachPattern = 0.9;

    /// <summary>How far ahead is ahead.</summary>
    private const double Ahead = 0.9;

    private static readonly IReadOnlyList<Item> First =
    [
        new(ClockTasks.ReadDigital, new ClockTime(7, 50)), new(ClockTasks.ReadWords, new ClockTime(4, 40)),
        new(ClockTasks.SetFromDigital, new ClockTime(2, 25)),
    ];

    private static readonly IReadOnlyList<Item> Known =
    [
        .. from task in TrainingPatterns.Tasks
           from time in new[] { "1:10", "2:20", "3:25", "4:35", "5:50", "6:40", "7:15", "8:45", "9:30", "10:55", "11:05", "12:25", "12:50",
               "3:00", "8:18", "5:43", "9:09", "2:30", "6:15", "1:45" }
           select new Item(task, ClockTime.TryParse(time)!.Value),
    ];

    private readonly IReadOnlyList<Reading> _readings = [.. Readings(patterns)];

    /// <summary>A way to be: a verdict, with whether benchmarks come right and clocks are set rightly.</summary>
    private sealed record Reading(Verdict Verdict, IReadOnlySet<string> Ids, bool Benchmarks, bool SetsRightly)
    {
        private readonly Dictionary<Item, IReadOnlyList<Answer>> _says = [];

        /// <summary>The answers that it may give, the likeliest first.</summary>
        public IReadOnlyList<Answer> Says(Item item) => _says.TryGetValue(item, out var says) ? says : _says[item] =
            [.. SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute,
                SetsRightly && item.Task.Form == AnswerForm.Hands ? new HashSet<string>() : Ids, Benchmarks)
                .OrderByDescending(outcome => outcome.Share).Select(outcome => item.Read(outcome.Answer))];
    }

    /// <inheritdoc/>
    public override (Conversation Conversation, Verdict Verdict) Talk(MadeUpChild child, int most = Conversation.Most)
    {
        var items = First.Take(most).ToList();
        while (true)
        {
            var conversation = new Conversation(child, items);
            var answers = items.Zip(conversation.Heard, (item, heard) => (Item: item, Said: item.Read(heard.Raw))).ToList();
            var wrong = Enumerable.Range(0, items.Count).Count(place => !conversation.IsRight(place));
            var standing = _readings.Select(reading => (Reading: reading, Score: ScoreOf(reading, answers)))
                .OrderByDescending(each => each.Score).Take(InFront * 4).ToList();
            var verdicts = standing.GroupBy(each => each.Reading.Verdict)
                .Select(group => (Verdict: group.Key, Score: group.Max(each => each.Score))).ToList();
            if (items.Count >= most || (items.Count >= Conversation.Fewest && verdicts.Count > 1
                && verdicts[0].Score - verdicts[1].Score >= Ahead))
                return (conversation, Say(verdicts[0], items.Count, wrong));
            items.Add(Known.Where(item => !items.Contains(item) && items.Count(asked => asked.Task == item.Task) < 4)
                .MaxBy(item => Parting(item, standing))!);
        }
    }

    private static Verdict Say((Verdict Verdict, double Score) best, int asked, int wrong)
    {
        if (best.Score > 0) return best.Verdict;
        return wrong == 0 || (wrong == 1 && asked > 7) ? Verdict.Nothing : wrong <= asked * 0.55 ? Verdict.Slips : Verdict.Guessing;
    }

    /// <summary>How well a reading explains what was wrong, beyond reading rightly with slips.</summary>
    private static double ScoreOf(Reading reading, List<(Item Item, Answer Said)> answers)
    {
        var score = -EachPattern * reading.Ids.Count;
        foreach (var (item, said) in answers)
        {
            var right = IsSame(item, item.Right, said);
            var its = reading.Says(item);
            var place = its.Index().Where(each => IsSame(item, each.Item, said)).Select(each => (int?)each.Index).FirstOrDefault();
            score += (right, place) switch
            {
                (true, 0) => 0,
                (true, not null) => -0.3,
                (true, null) => -RightAnyway,
                (false, 0) => 1,
                (false, not null) => 0.8,
                _ => -NotItsWay + 1,
            };
        }
        return score;
    }

    /// <summary>How many of those in front a clock holds apart, those further in front counting more.</summary>
    private static double Parting(Item item, List<(Reading Reading, double Score)> standing)
    {
        var worth = 0.0;
        for (var one = 0; one < Math.Min(InFront, standing.Count); one++)
        {
            for (var other = one + 1; other < standing.Count; other++)
            {
                if (standing[one].Reading.Verdict != standing[other].Reading.Verdict
                    && !IsSame(item, standing[one].Reading.Says(item)[0], standing[other].Reading.Says(item)[0]))
                    worth += Math.Exp(standing[one].Score + standing[other].Score - (2 * standing[0].Score));
            }
            // A clock at which those in front come right shows nothing of them.
            if (!IsSame(item, standing[one].Reading.Says(item)[0], item.Right))
                worth += 0.3 * Math.Exp(standing[one].Score - standing[0].Score);
        }
        return worth;
    }

    private static bool IsSame(Item item, Answer one, Answer other) => one.Equals(other)
        || (item.Task.Form == AnswerForm.Words && one.Meaning is { } meant && meant == other.Meaning)
        || (one is PlacedAnswer placed && other is PlacedAnswer otherwise && placed.StandsAs(otherwise));

    private static IEnumerable<Reading> Readings(TrainingPatterns patterns)
    {
        var sets = patterns.All.Select(pattern => new[] { pattern.Id }).Concat(patterns.Pairs.Select(pair =>
            new[] { pair.One.Id, pair.Other.Id }));
        foreach (var ids in sets)
        {
            foreach (var (benchmarks, setsRightly) in new[] { (false, false), (true, false), (false, true), (true, true) })
                yield return new(Verdict.Of(ids), ids.ToHashSet(), benchmarks, setsRightly);
        }
        yield return new(Verdict.Nothing, new HashSet<string>(), false, false);
    }
}
