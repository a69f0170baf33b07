using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>What every procedure would answer to one item.</summary>
public sealed class Prediction
{
    private readonly List<Answer> _answers = [];
    private readonly ushort[] _distributionOf;
    private float[]? _entropies;

    /// <summary>What procedures answer where the answer is free.</summary>
    /// <param name="space">The space of procedures.</param>
    /// <param name="item">The item.</param>
    /// <param name="mode">How the answer is taken.</param>
    /// <param name="known">Every answer that any prediction holds: most are the same from item to item.</param>
    /// <param name="shapes">What predictions have in common.</param>
    internal Prediction(ProcedureSpace space, Item item, AnswerMode mode, ConcurrentDictionary<Answer, Answer> known, SharedShapes shapes)
    {
        Item = item;
        SubSpace = space.SpaceOf(item.Task.Steps(mode));
        var answers = new Dictionary<Answer, int>();
        RightId = IdOf(AsPredicted(item.Right), answers);
        var distributions = new DistributionTable();
        var ids = new Dictionary<PartialReading, int>();
        var places = Composition.Compose(space, SubSpace, item, readings =>
        {
            distributions.Begin();
            for (var i = 0; i < readings.Count; i++) distributions.Add(IdOf(readings.All[i], ids, answers), readings.Shares[i]);
            return distributions.PlaceOf();
        });
        _distributionOf = shapes.Share([.. places.Select(place => (ushort)place)]);
        Distributions = shapes.Share(distributions.All);
        for (var id = 0; id < _answers.Count; id++) _answers[id] = known.GetOrAdd(_answers[id], _answers[id]);
        _answers.TrimExcess();
        Noise = new AnswerNoise(item, _answers);
    }

    private Prediction(Item item, Prediction free, IReadOnlyList<Answer> choices, Func<Distribution, IEnumerable<(int, double)>> chosen)
    {
        Item = item with { Choices = choices };
        SubSpace = free.SubSpace;
        var answers = new Dictionary<Answer, int>();
        foreach (var choice in choices) IdOf(free.AsPredicted(choice), answers);
        RightId = IdOf(free.AsPredicted(item.Right), answers);
        Distributions = [.. free.Distributions.Select(distribution => DistributionTable.Made(chosen(distribution)))];
        _distributionOf = free._distributionOf;
        Noise = new AnswerNoise(Item, _answers);
    }

    /// <summary>The item.</summary>
    public Item Item { get; }

    /// <summary>The steps it touches, and the procedures over them.</summary>
    public SubSpace SubSpace { get; }

    /// <summary>The distinct answers that some procedure gives.</summary>
    public IReadOnlyList<Answer> Answers => _answers;

    /// <summary>The place of the right answer in <see cref="Answers"/>.</summary>
    public int RightId { get; }

    /// <summary>What comes out when no way is followed.</summary>
    internal AnswerNoise Noise { get; }

    internal Distribution[] Distributions { get; }

    /// <summary>Which of <see cref="Distributions"/> each part of a procedure has.</summary>
    internal ReadOnlySpan<ushort> DistributionOf => _distributionOf;

    /// <summary>How uncertain the answer is, in nats, where the way followed has one of <see cref="Distributions"/>.</summary>
    internal float[] Entropies =>
        _entropies ??= [.. Distributions.Select(distribution => (float)Noise.EntropyOf(distribution.Ids, distribution.Shares))];

    /// <summary>The answer a part of a procedure gives most often, as a place in <see cref="Answers"/>.</summary>
    public int LikeliestOf(int part) => Distributions[_distributionOf[part]].Likeliest;

    /// <summary>The chance, 0 to 1, that a part of a procedure gives an answer.</summary>
    /// <param name="part">The part of the procedure in <see cref="SubSpace"/>.</param>
    /// <param name="fits">What <see cref="Fits"/> says of the answer.</param>
    public double ChanceOf(int part, double[] fits) => Distributions[_distributionOf[part]].ChanceOf(fits);

    /// <summary>The answers a part of a procedure gives, with their shares.</summary>
    public IEnumerable<(Answer Answer, double Share)> AnswersOf(int part)
    {
        var distribution = Distributions[_distributionOf[part]];
        return distribution.Ids.Select((id, i) => (_answers[id], distribution.Shares[i]));
    }

    /// <summary>How well an answer fits each of <see cref="Answers"/>: 1 the same, 0 not at all, between where many are meant.</summary>
    public double[] Fits(Answer answer)
    {
        var fits = new double[_answers.Count];
        var same = answer is PlacedAnswer placed && !answer.Equals(_answers[RightId]) ? NearestPlaced(placed) : _answers.IndexOf(answer);
        for (var id = 0; id < fits.Length; id++)
        {
            if (_answers[id] is SomeOtherAnswer other) fits[id] = other.ChanceOf(Item, answer);
        }
        if (answer is WordsAnswer { Meaning: { } meant }) FitByMeaning(meant, fits);
        if (same >= 0) fits[same] = 1;
        return fits;
    }

    /// <summary>
    /// Words are right by the time that they mean. Wrong ones count less where a rule would have said the same time in other words: with
    /// past and to the words themselves are what is told apart.
    /// </summary>
    private void FitByMeaning(ClockTime meant, double[] fits)
    {
        var fit = meant == _answers[RightId].Meaning ? 1 : ModelParameters.OtherWordsFit;
        for (var id = 0; id < fits.Length; id++)
        {
            if (_answers[id] is WordsAnswer words && words.Meaning == meant) fits[id] = fit;
        }
    }

    /// <summary>
    /// The same where the answer is chosen from some: what they would have answered where it is among them, else any of them evenly.
    /// </summary>
    internal Prediction Choosing(IReadOnlyList<Answer> choices) => new(Item, this, choices, distribution =>
    {
        var shares = choices.Select(choice => Share(distribution, _answers.IndexOf(AsPredicted(choice)))).ToArray();
        var rest = Math.Max(0, 1 - shares.Sum()) / choices.Count;
        return shares.Select((share, i) => (i, share + rest));
    });

    /// <summary>The answer in the shape in which answers to this item are predicted.</summary>
    public Answer AsPredicted(Answer answer) => answer switch
    {
        PlacedAnswer placed => Canonical(placed),
        HourPlaceAnswer hour => new DigitalAnswer(hour.Hour, null, 0),
        DigitalAnswer { Minutes: not null, Hour: not null } digital when !SubSpace.Steps.Contains(Step.Writing) =>
            digital with { Figures = 2 },
        _ => answer,
    };

    private static double Share(Distribution distribution, int id)
    {
        var at = Array.IndexOf(distribution.Ids, id);
        return at < 0 ? 0 : distribution.Shares[at];
    }

    private Answer AnswerOf(PartialReading reading)
    {
        if (reading.OtherAt is { } step) return new SomeOtherAnswer(step, reading.Hour, reading.Minutes);
        return Item.Task.Form switch
        {
            AnswerForm.Hands when Item.Right is PlacedAnswer right =>
                Canonical(new PlacedAnswer(right.Hour is null ? null : Placed(reading).Hour,
                    right.Minute is null ? null : Placed(reading).Minute)),
            AnswerForm.Words => new WordsAnswer(reading.Spoken ?? SpokenTime.From(reading.Time)),
            AnswerForm.Hour => new DigitalAnswer(reading.Hour.Value, null, 0),
            AnswerForm.Minutes => new DigitalAnswer(null, reading.Minutes.Value, 2),
            AnswerForm.Places => PlacesAnswer.Showing(reading.HourPointer, reading.MinutePointer),
            _ => reading.Figures ?? new DigitalAnswer(reading.Hour.Value, reading.Minutes.Value, 2),
        };
    }

    /// <summary>Copying a clock touches only where the hour hand is put: the hour itself is seen.</summary>
    private HandPositions Placed(PartialReading reading) => Item.Task == ClockTasks.CopyClock
        ? HandPositions.Wrapped(reading.Time.Hour + reading.HourHandOffset, reading.Placed.Minute)
        : reading.Placed;

    /// <summary>
    /// Hands that are near enough to be scored right are the right answer, whatever put them there: they tell of nothing.
    /// </summary>
    private PlacedAnswer Canonical(PlacedAnswer placed)
    {
        var near = Scoring.IsRight(Item, placed, AnswerMode.Placed, Stage.EveryMinute) ? (PlacedAnswer)Item.Right : placed;
        return new(Round(near.Hour), Round(near.Minute));
    }

    private static double? Round(double? place) => place is { } at ? Math.Round(at, 2) : null;

    private int IdOf(in PartialReading reading, Dictionary<PartialReading, int> known, Dictionary<Answer, int> answers)
    {
        if (!known.TryGetValue(reading, out var id)) known[reading] = id = IdOf(AnswerOf(reading), answers);
        return id;
    }

    private int IdOf(Answer answer, Dictionary<Answer, int> known)
    {
        if (known.TryGetValue(answer, out var id)) return id;
        _answers.Add(answer);
        return known[answer] = _answers.Count - 1;
    }

    private int NearestPlaced(PlacedAnswer hands)
    {
        var (nearest, least) = (-1, double.MaxValue);
        for (var id = 0; id < _answers.Count; id++)
        {
            if (id == RightId || _answers[id] is not PlacedAnswer predicted) continue;
            var hours = hands.Hour is { } a && predicted.Hour is { } b ? HandPositions.HoursApart(a, b) / ModelParameters.HourHandReach : 0;
            var minutes = hands.Minute is { } c && predicted.Minute is { } d
                ? HandPositions.MinutesApart(c, d) / ModelParameters.MinuteHandReach : 0;
            if (hours > 1 || minutes > 1 || hours + minutes >= least) continue;
            (nearest, least) = (id, hours + minutes);
        }
        return nearest;
    }
}
