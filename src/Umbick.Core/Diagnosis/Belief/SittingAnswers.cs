using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>One sitting's answers, in the order in which they were given.</summary>
/// <param name="Day">The day of the sitting.</param>
/// <param name="Answers">The answers that stand: one put right later stands in its corrected form.</param>
/// <param name="Practised">The steps that this sitting practised; none where it only asked.</param>
public sealed record SittingAnswers(DateOnly Day, IReadOnlyList<ItemAnswer> Answers, IReadOnlyCollection<Step> Practised)
{
    /// <summary>
    /// What these answers are known by: two that have the same id hold the same answers and words, so that a replay may go on from where it
    /// had got to. Null where nothing is to be remembered.
    /// </summary>
    public string? Id { get; init; }

    /// <summary>How far times were taught; null where that is not known: then as far as was asked.</summary>
    public Stage? Stage { get; init; }

    /// <summary>All of it that what is believed depends on, without its answers.</summary>
    public SittingName Name => new(Id, Day, Practised, Stage);

    /// <summary>What the teacher said of patterns in or after this sitting, and has not taken back.</summary>
    public IReadOnlyList<TeacherWord> Words { get; init; } = [];
}
