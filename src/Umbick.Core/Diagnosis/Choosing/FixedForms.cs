using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>A fixed form: items for paper, or for a check point.</summary>
/// <param name="Name">A, B or C.</param>
/// <param name="Stage">The stage it is for.</param>
/// <param name="Seed">The seed it was made from; it is printed, and makes the same form again.</param>
/// <param name="Items">The items, in the order in which they are asked.</param>
public sealed record FixedForm(string Name, Stage Stage, int Seed, IReadOnlyList<Item> Items);

/// <summary>How many items of a form tell a pattern.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Telling">How many of the items a child with only this pattern would answer wrongly.</param>
public sealed record Coverage(Pattern Pattern, int Telling);

/// <summary>
/// Makes parallel forms A, B and C for a stage: each task and time stands in one of them only, as long as there are enough, and each item
/// was the one that, after those before it, was expected to tell most about a child of whom nothing is known.
/// </summary>
public sealed class FixedForms(ReadingModel model)
{
    /// <summary>The lengths a form may have.</summary>
    public static IReadOnlyList<int> Lengths { get; } = [8, 12, 16];

    private static readonly string[] Names = ["A", "B", "C"];

    /// <summary>Makes the three forms.</summary>
    /// <param name="stage">The stage.</param>
    /// <param name="length">8, 12 or 16 items.</param>
    /// <param name="seed">The same seed makes the same forms.</param>
    /// <param name="tasks">The tasks to choose from; those that can be asked anywhere where nothing is said.</param>
    /// <exception cref="ArgumentOutOfRangeException">The length is none of those a form may have.</exception>
    public IReadOnlyList<FixedForm> Make(Stage stage, int length, int seed, IReadOnlyList<ClockTask>? tasks = null)
    {
        if (!Lengths.Contains(length)) throw new ArgumentOutOfRangeException(nameof(length), length, "A form has 8, 12 or 16 items.");
        var random = new Random(seed);
        var all = ItemBank.ForSitting(stage, tasks ?? ClockTasks.Plain).OrderBy(_ => random.Next())
            .Select(item => new Candidate(item, AnswersTo(item))).ToList();
        var open = all.ToList();
        var forms = Names.Select(name => new Draft(name, model.Patterns.Count)).ToList();
        for (var place = 0; place < length; place++)
        {
            foreach (var form in forms)
            {
                // Where few tasks are in use a stage has too few times for three forms: then one may stand in two of them.
                var best = open.MaxBy(form.Worth) ?? all.Where(candidate => !form.Items.Contains(candidate.Item)).MaxBy(form.Worth);
                if (best is null) break;
                open.Remove(best);
                form.Add(best);
            }
        }
        return [.. forms.Select(form =>
            new FixedForm(form.Name, stage, seed,
                [.. form.Items.OrderBy(item => Stages.FirstWith(item.Time.Minute)).ThenBy(item => item.Task.From)]))];
    }

    /// <summary>Which patterns a form can tell, and how often.</summary>
    public IReadOnlyList<Coverage> CoverageOf(IReadOnlyList<Item> items) =>
        [.. model.Patterns.Select(pattern => new Coverage(pattern, items.Count(item => model.IsTelling(pattern, item))))];

    /// <summary>What each pattern alone would answer to an item: 0 where that is right, else a number for each wrong answer.</summary>
    private int[] AnswersTo(Item item)
    {
        var prediction = model.Predict(item, item.Task.Taken);
        return [.. model.Patterns.Select(pattern =>
        {
            var answer = prediction.LikeliestOf(prediction.SubSpace.PartOf(model.Space.PlaceOf([pattern])));
            return answer == prediction.RightId ? 0 : answer + 1;
        })];
    }

    private sealed record Candidate(Item Item, int[] Answers);

    /// <summary>A form while it is being made.</summary>
    private sealed class Draft(string name, int patterns)
    {
        private const double PartedWorth = 0.15;
        private const double SameHourCost = 0.2;
        private const double SameMinuteCost = 0.2;

        private readonly int[] _told = new int[patterns];
        private readonly int[,] _parted = new int[patterns, patterns];

        public string Name { get; } = name;

        public List<Item> Items { get; } = [];

        /// <summary>
        /// What an item adds: for each pattern that it tells, the less the oftener the form tells it already; and for each pair of patterns
        /// whose answers it parts, the less the oftener the form has parted them.
        /// </summary>
        public double Worth(Candidate candidate)
        {
            var worth = 0.0;
            for (var i = 0; i < patterns; i++)
            {
                if (candidate.Answers[i] != 0) worth += 1.0 / (1 + (_told[i] * _told[i]));
                for (var j = 0; j < i; j++)
                {
                    if (candidate.Answers[i] != candidate.Answers[j]) worth += PartedWorth / (1 + (3 * _parted[i, j]));
                }
            }
            return worth - Items.Sum(other =>
                (other.Time.Hour == candidate.Item.Time.Hour ? SameHourCost : 0)
                    + (other.Time.Minute == candidate.Item.Time.Minute ? SameMinuteCost : 0));
        }

        public void Add(Candidate candidate)
        {
            Items.Add(candidate.Item);
            for (var i = 0; i < patterns; i++)
            {
                if (candidate.Answers[i] != 0) _told[i]++;
                for (var j = 0; j < i; j++)
                {
                    if (candidate.Answers[i] != candidate.Answers[j]) _parted[i, j]++;
                }
            }
        }
    }
}
