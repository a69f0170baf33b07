namespace Umbick.Rows;

/// <summary>What was asked in a sitting, and what was answered.</summary>
/// <param name="Asked">The items that stand, in order.</param>
/// <param name="Withdrawn">The items that were taken back, in order.</param>
/// <param name="Answers">Every answer, also one that was put right, in the order in which they were kept.</param>
public sealed record SittingRows(IReadOnlyList<AskedItem> Asked, IReadOnlyList<AskedItem> Withdrawn, IReadOnlyList<AnswerRow> Answers)
{
    /// <summary>The answers that stand: the latest to each place and try.</summary>
    public IReadOnlyList<AnswerRow> LatestAnswers { get; } =
        [.. Answers.GroupBy(answer => (answer.Place, answer.Try)).Select(same => same.Last())];

    /// <summary>The highest place that was ever asked; 0 where none was.</summary>
    public int LastPlace => Asked.Concat(Withdrawn).Select(asked => asked.Place).DefaultIfEmpty().Max();

    /// <summary>Whether the item at a place has an answer.</summary>
    public bool IsAnswered(int place) => LatestAnswers.Any(answer => answer.Place == place);

    /// <summary>The same with one item more.</summary>
    public SittingRows WithAsked(AskedItem item) => new([.. Asked, item], Withdrawn, Answers);

    /// <summary>The same with an item taken back.</summary>
    public SittingRows Without(int place) => new(
        [.. Asked.Where(asked => asked.Place != place)],
        [.. Withdrawn.Concat(Asked.Where(asked => asked.Place == place)).OrderBy(asked => asked.Place)], Answers);

    /// <summary>The same with one answer more; where its item had been taken back, that stands again.</summary>
    public SittingRows With(AnswerRow answer) => new(
        [.. Asked.Concat(Withdrawn.Where(asked => asked.Place == answer.Place)).OrderBy(asked => asked.Place)],
        [.. Withdrawn.Where(asked => asked.Place != answer.Place)],
        [.. Answers, answer]);
}
