
namespace Umbick.Store;

/// <summary>Cycles of work.</summary>
public static class Cycles
{
    private const string Select = "select id, child, began_on, ends_on, goal::int as goal, entry_reason, ended_on, exit_reason from cycle";

    /// <summary>Those of some children, the earliest first.</summary>
    internal const string OfChildren = $"{Select} where child = any(@children) order by began_on, id";

    /// <summary>Begins a cycle, unless one of the child's goes on; the same again under its id changes nothing.</summary>
    /// <returns>Whether it was begun now.</returns>
    public static async Task<bool> Begin(SchoolConnection connection, CycleRow cycle, PersonId by, DateTime now) =>
        await connection.ExecuteAsync(
        """
        insert into cycle (school, id, child, began_on, ends_on, goal, entry_reason, begun_by, begun_at)
        values (@school, @Id, @Child, @BeganOn, @EndsOn, @Goal, @EntryReason, @by, @now) on conflict do nothing
        """,
        new { school = connection.School, cycle.Id, cycle.Child, cycle.BeganOn, cycle.EndsOn, cycle.Goal, cycle.EntryReason, by, now }) > 0;

    /// <summary>Ends a child's cycle.</summary>
    /// <returns>Whether it went on until now.</returns>
    public static async Task<bool> End(SchoolConnection connection, ChildId child, CycleId id, DateOnly day, string reason, PersonId by) =>
        await connection.ExecuteAsync(
        "update cycle set ended_on = @day, exit_reason = @reason, ended_by = @by where id = @id and child = @child and ended_on is null",
        new { id, child, day, reason, by }) > 0;
}
