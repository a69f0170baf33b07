using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What an adult has trained with over months. It is theirs: nobody else sees it, and they can delete it.</summary>
public static class OwnCourse
{
    /// <summary>Keeps one; the same again within a day changes nothing.</summary>
    public static Task Keep(SchoolConnection connection, PersonId person, TrainingRow row) => Trainings.Keep(connection, person, row);

    /// <summary>A person's own, the latest first.</summary>
    public static Task<IReadOnlyList<TrainingRow>> Load(SchoolConnection connection, PersonId person) => Trainings.Of(connection, person);

    /// <summary>Deletes one of a person's own; null all of them.</summary>
    public static Task Delete(SchoolConnection connection, PersonId person, TrainingId? id) => Trainings.Delete(connection, person, id);

    /// <summary>Shares a marking with colleagues who have marked the same and share it too; or no longer.</summary>
    public static Task Share(SchoolConnection connection, PersonId person, TrainingId id, bool shared) =>
        Trainings.Share(connection, person, id, shared);

    /// <summary>What those colleagues have marked; nothing for whoever does not share theirs.</summary>
    public static Task<IReadOnlyList<SharedMarking>> Shared(SchoolConnection connection, PersonId person, int seed) =>
        Trainings.SharedWith(connection, person, seed);
}
