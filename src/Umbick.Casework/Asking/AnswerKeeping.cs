using Umbick.Core.Diagnosis;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Keeps an answer: one way for asking, practising and a class's sheets.</summary>
internal static class AnswerKeeping
{
    /// <summary>
    /// Takes an answer in: keeps it under the sitting's lock, and then goes on, or, where the sitting is over, renews what is believed
    /// since.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="fits">Whether the sitting is of the kind that is answered here.</param>
    /// <param name="submission">The answer.</param>
    /// <param name="by">Who typed it; null where the child did.</param>
    /// <param name="now">When it arrived.</param>
    /// <param name="goOn">What comes next in a sitting that is not over; also where the answer had been kept before and its reply was
    /// lost.</param>
    /// <returns>The outcome, and the state of the sitting afterwards where it is known without loading.</returns>
    public static async Task<AnswerTaken> Keep(
        SchoolConnection connection, ReadingModel model, SittingId sittingId, Func<Sitting, bool> fits, Submission submission, PersonId? by,
        DateTime now, Func<SittingState, Task<SittingState?>> goOn)
    {
        if (await SittingState.Lock(connection, sittingId) is not { } locked || !fits(locked.Sitting))
            return new(AnswerOutcome.NotFound, null);
        return await Keep(connection, model, locked, submission, by, now, goOn);
    }

    /// <summary>The same for a sitting that is locked already.</summary>
    public static async Task<AnswerTaken> Keep(
        SchoolConnection connection, ReadingModel model, SittingState locked, Submission submission, PersonId? by, DateTime now,
        Func<SittingState, Task<SittingState?>> goOn)
    {
        var (sitting, rows, sittingId) = (locked.Sitting, locked.Rows, locked.Sitting.Id);
        var outcome = OutcomeOf(sitting, rows, submission, by);
        if (outcome is not (AnswerOutcome.Kept or AnswerOutcome.KeptBefore))
            return new(outcome, locked with { Sitting = sitting, Rows = rows });
        if (outcome == AnswerOutcome.Kept)
        {
            var answer = submission.RowIn(sittingId, by);
            var (seq, day) = await Sittings.AddAnswer(connection, answer, submission.GivenAt(sitting.StartedAt, now), now);
            if (answer.Corrects is not null && by is not null) await Audit.Note(connection, by, AuditKinds.Corrected, now, sitting.Child);
            (sitting, rows) = (sitting with { Day = day }, rows.With(answer with { Seq = seq }));
            connection.ToRenew.Add(sitting.Child);
        }
        if (sitting.EndedAt is null) return new(outcome, await goOn(locked with { Sitting = sitting, Rows = rows }));
        if (outcome == AnswerOutcome.Kept) await SittingEnding.Renew(connection, model, sitting);
        return new(outcome, null);
    }

    /// <summary>
    /// What becomes of an answer to its place. Whatever was asked can be answered once, also when the sitting has moved on or is over, and
    /// also an item that was taken back; after that an answer has to name the one that it puts right.
    /// </summary>
    private static AnswerOutcome OutcomeOf(Sitting sitting, SittingRows rows, Submission submission, PersonId? by)
    {
        if (rows.Answers.FirstOrDefault(answer => answer.Id == submission.Id) is { } before)
            return submission.IsSame(before) ? AnswerOutcome.KeptBefore : AnswerOutcome.OtherAnswerKept;
        if (!rows.Asked.Concat(rows.Withdrawn).Any(asked => asked.Place == submission.Place)) return AnswerOutcome.NotAsked;
        var standing = rows.LatestAnswers.Where(answer => answer.Place == submission.Place).ToList();
        // To look again belongs to practice, and comes after a first answer.
        if (submission.Try > 1 && !(sitting.IsPractice && standing.Exists(answer => answer.Try == 1))) return AnswerOutcome.NotAsked;
        // Only the answer that stands is put right: by a teacher, or by a child whose teacher has gone back to it.
        var stands = standing.Find(answer => answer.Try == submission.Try)?.Id;
        var askedAgain = !sitting.IsPractice && sitting.CurrentPlace == submission.Place;
        return stands != submission.Corrects || (stands is not null && by is null && !askedAgain) ? AnswerOutcome.AnsweredBefore
            : AnswerOutcome.Kept;
    }
}
