using Umbick.Core.Clocks;
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

    /// <summary>How far the seeds of a stage's next three forms lie from those before: no stage has another's.</summary>
    private const int SeedsApart = 100;

    private static readonly string[] Names = ["A", "B", "C"];

    /// <summary>
    /// Check forms A, B and C of a stage and of the tasks that are in use are always the same, so that one child's two checks can be set
    /// side by side.
    /// </summary>
    public static int SeedOf(Stage stage) => 100 + (int)stage;

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

    /// <summary>
    /// The form of a class that was screened before: A, B, C, and then three new ones, so that a class is never asked the same twice and
    /// two classes of one stage are asked the same the first time.
    /// </summary>
    /// <param name="stage">What has been taught.</param>
    /// <param name="earlier">How often the class was screened at this stage, 0 or more.</param>
    /// <param name="isInUse">Which tasks the class has met.</param>
    public FixedForm ForClass(Stage stage, int earlier, Func<ClockTask, bool> isInUse) =>
        MakeForClass(stage, SeedOf(stage) + (SeedsApart * (earlier / Names.Length)), isInUse)[earlier % Names.Length];

    /// <summary>
    /// Makes the three forms of a class, of eight items on one page: two easy ones, three in figures, two to draw and one in words, spread
    /// round the face. Of what fits its place each item is the one that tells most.
    /// </summary>
    /// <param name="stage">What has been taught.</param>
    /// <param name="seed">The same seed makes the same forms.</param>
    /// <param name="isInUse">Which tasks the class has met.</param>
    public IReadOnlyList<FixedForm> MakeForClass(Stage stage, int seed, Func<ClockTask, bool> isInUse)
    {
        var random = new Random(seed);
        var words = isInUse(ClockTasks.ReadWords) ? ClockTasks.ReadWords : ClockTasks.ReadDigital;
        // What there is least of is chosen first.
        (ClockTask Task, bool IsEasy)[] places = [(words, false), (ClockTasks.SetFromDigital, false), (ClockTasks.SetFromDigital, false),
            (ClockTasks.ReadDigital, false), (ClockTasks.ReadDigital, false), (ClockTasks.ReadDigital, false),
            (ClockTasks.ReadDigital, true), (ClockTasks.ReadDigital, true)];
        var all = ItemBank.ForSitting(stage, [.. places.Select(place => place.Task).Distinct()]).OrderBy(_ => random.Next())
            .Select(item => new Candidate(item, AnswersTo(item))).ToList();
        var open = all.ToList();
        var forms = Names.Select(name => new Draft(name, model.Patterns.Count)).ToList();
        foreach (var (task, isEasy) in places)
        {
            foreach (var form in forms)
            {
                var best = Best(open, form) ?? Best([.. all.Where(candidate => !form.Items.Contains(candidate.Item))], form);
                if (best is null) continue;
                open.Remove(best);
                form.Add(best);
            }

            Candidate? Best(IReadOnlyList<Candidate> from, Draft form)
            {
                var fitting = from.Where(candidate => candidate.Item.Task == task
                    && (Stages.FirstWith(candidate.Item.Time.Minute) <= Stage.HalfPast) == isEasy).ToList();
                if (fitting.Count == 0) fitting = [.. from.Where(candidate => candidate.Item.Task == task)];
                return fitting.GroupBy(candidate => form.Near(candidate.Item)).MinBy(alike => alike.Key)?.MaxBy(form.Worth);
            }
        }
        return [.. forms.Select(form => new FixedForm(form.Name, stage, seed,
            [.. form.Items.OrderBy(item => Stages.FirstWith(item.Time.Minute) > Stage.HalfPast).ThenBy(item => item.Task.From)
                .ThenBy(item => item.Task.Form == AnswerForm.Hands)]))];
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
        private const int NearMinutes = 7;
        private const double PartedWorth = 0.15;
        private const double SameHourCost = 0.2;
        private const double SameMinuteCost = 0.2;

        private readonly int[] _told = new int[patterns];
        private readonly int[,] _parted = new int[patterns, patterns];

        public string Name { get; } = name;

        /// <summary>How many items have a hand near the same place of the face.</summary>
        public int Near(Item item) => Items.Sum(other =>
            (HandPositions.MinutesApart(other.Time.Minute, item.Time.Minute) <= NearMinutes ? 1 : 0)
                + (other.Time.Hour == item.Time.Hour ? 1 : 0));

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
