using Umbick.Store;
using System.Data.Common;

namespace Umbick.Casework;

/// <summary>Keeps an answer: one way for asking, practising and a class's sheets.</summary>
internal static class AnswerKeeping
{
    /// <summary>
    /// Keeps an answer at its place. Whatever was asked can be answered once, also when the sitting has moved on or is over, and also an
    /// item that was taken back; after that an answer has to name the one that it puts right.
    /// </summary>
    /// <param name="connection">The connection, on which the sitting is locked.</param>
    /// <param name="school">The school.</param>
    /// <param name="sitting">The sitting.</param>
    /// <param name="submission">The answer.</param>
    /// <param name="by">Who typed it; null where the child did.</param>
    /// <param name="now">When it arrived.</param>
    public static async Task<Submitted> Keep(DbConnection connection, Guid school, Sitting sitting, Submission submission, Guid? by, DateTime now)
    {
        if (await Sittings.FindAnswer(connection, sitting.Id, submission.Id) is { } before)
            return submission.IsSame(before) ? Submitted.KeptBefore : Submitted.OtherAnswerKept;
        if (await Sittings.ItemAt(connection, sitting.Id, submission.Place) is null) return Submitted.NotAsked;
        var standing = (await Sittings.AnswersIn(connection, [sitting.Id]))[sitting.Id].Where(answer => answer.Place == submission.Place).ToList();
        // To look again belongs to practice, and comes after a first answer.
        if (submission.Try > 1 && !(sitting.IsPractice && standing.Exists(answer => answer.Try == 1))) return Submitted.NotAsked;
        // Only the answer that stands is put right: by a teacher, or by a child whose teacher has gone back to it.
        var stands = standing.Find(answer => answer.Try == submission.Try)?.Id;
        var askedAgain = !sitting.IsPractice && sitting.CurrentPlace == submission.Place;
        if (stands != submission.Corrects || (stands is not null && by is null && !askedAgain)) return Submitted.AnsweredBefore;
        await Sittings.AddAnswer(connection, school, submission.RowIn(sitting.Id, by), submission.GivenAt(sitting.StartedAt, now), now);
        await Sittings.Restore(connection, sitting.Id, submission.Place);
        return Submitted.Kept;
    }
}
