namespace Umbick.Store;

/// <summary>What adults have trained with. Every statement names whose it is: nobody sees another's.</summary>
public static class Trainings
{
    /// <summary>Keeps one; the same again, from a page that was sent twice or loaded anew within a day, changes nothing.</summary>
    public static Task Keep(SchoolConnection connection, PersonId person, TrainingRow row) => connection.ExecuteAsync(
        """
        insert into training (school, id, person, kind, level, seed, moves, verdict, told, went_well, at)
        select @school, @Id, @person, @Kind, @Level, @Seed, @Moves, @Verdict, @Told, @WentWell, @At
        where not exists (select from training where person = @person and (kind, level, seed, moves, verdict)
          = (@Kind, @Level, @Seed, @Moves, @Verdict) and at > @At - interval '1 day')
        on conflict do nothing
        """,
        new
        {
            school = connection.School,
            row.Id,
            person,
            row.Kind,
            row.Level,
            row.Seed,
            row.Moves,
            row.Verdict,
            row.Told,
            row.WentWell,
            row.At
        });

    /// <summary>A person's own, the latest first.</summary>
    public static async Task<IReadOnlyList<TrainingRow>> Of(SchoolConnection connection, PersonId person) =>
        [.. await connection.QueryAsync<TrainingRow>(
            "select id, kind, level, seed, moves, verdict, told, went_well, at, shared from training where person = @person "
                + "order by at desc, id", new { person })];

    /// <summary>Deletes one of a person's own; null all of them.</summary>
    public static Task Delete(SchoolConnection connection, PersonId person, TrainingId? id) => connection.ExecuteAsync(
        "delete from training where person = @person and (@id::uuid is null or id = @id)", new { person, id = id?.Value });

    /// <summary>Shares one of a person's own markings, or shares it no longer.</summary>
    public static Task Share(SchoolConnection connection, PersonId person, TrainingId id, bool shared) => connection.ExecuteAsync(
        "update training set shared = @shared where person = @person and id = @id and kind = 'marking'", new { person, id, shared });

    /// <summary>What colleagues share who have marked the same: only for whoever shares theirs too.</summary>
    public static async Task<IReadOnlyList<SharedMarking>> SharedWith(SchoolConnection connection, PersonId person, int seed) =>
        [.. await connection.QueryAsync<SharedMarking>(
            """
            select distinct on (other.person) person.display_name as name, other.moves as marks
            from training other join person on person.school = other.school and person.id = other.person
            where other.kind = 'marking' and other.seed = @seed and other.shared and other.person <> @person and person.left_at is null
              and exists (select from training own where own.person = @person and own.kind = 'marking' and own.seed = @seed and own.shared)
            order by other.person, other.at
            """, new { person, seed })];
}
