using Umbick.Core.Diagnosis;

namespace Umbick.Store;

/// <summary>
/// Where replays of children's answers stood at the ends of sittings. They are a cache: thrown away at any time, made again from the
/// answers.
/// </summary>
public static class ReplayPoints
{
    /// <summary>A child's points of these names.</summary>
    public static async Task<IReadOnlyList<ReplayPoint>> Find(SchoolConnection connection, ChildId child, IEnumerable<string> names) =>
        [.. await connection.QueryAsync<ReplayPoint>("select name, state from replay_point where child = @child and name = any(@names)",
            new { child, names = names.ToArray() })];

    /// <summary>Keeps points of a child at the ends of sittings.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="child">The child.</param>
    /// <param name="points">The points, each with its sitting.</param>
    /// <param name="standing">The sittings whose points stay; those of any other go.</param>
    public static Task Keep(
        SchoolConnection connection, ChildId child, IReadOnlyList<(SittingId Sitting, ReplayPoint Point)> points,
        IEnumerable<SittingId> standing) =>
        connection.ExecuteAsync(
        """
        delete from replay_point where child = @child and sitting <> all(@standing);
        insert into replay_point (school, sitting, child, name, state)
        select @school, sitting, @child, name, state from unnest(@sittings, @names, @states) as one (sitting, name, state) order by sitting
        on conflict (school, sitting) do update set name = excluded.name, state = excluded.state
          where replay_point.name <> excluded.name
        """,
        new
        {
            school = connection.School,
            child,
            standing = standing.ToArray(),
            sittings = points.Select(point => point.Sitting).ToArray(),
            names = points.Select(point => point.Point.Name).ToArray(),
            states = points.Select(point => point.Point.State).ToArray(),
        });

    /// <summary>How many points a school has, and how many bytes they take.</summary>
    public static Task<(long Points, long Bytes)> Size(SchoolConnection connection) =>
        connection.QuerySingleAsync<(long, long)>("select count(*), coalesce(sum(length(state)), 0)::bigint from replay_point");
}
