using Umbick.Core.Items;

namespace Umbick.Store;

/// <summary>The names that a school's teachers give to ways that nobody has listed: one for each child and step.</summary>
public static class NamedWays
{
    /// <summary>The longest name, in characters.</summary>
    public const int Longest = 80;

    private sealed record Row(string Step, string Name);

    /// <summary>What the ways of a child are called, by step.</summary>
    public static async Task<IReadOnlyDictionary<Step, string>> Load(SchoolConnection connection, ChildId child)
    {
        var rows = await connection.QueryAsync<Row>("select step, name from named_way where child = @child", new { child });
        var names = rows.ToDictionary(row => row.Step, row => row.Name);
        return Steps.OfReading.Where(step => names.ContainsKey(step.NameInFiles())).ToDictionary(step => step,
            step => names[step.NameInFiles()]);
    }

    /// <summary>Gives a child's way at a step a name, in place of the one that it had; an empty one takes the name away.</summary>
    public static Task Name(SchoolConnection connection, ChildId child, Step step, string name, PersonId by, DateTime now) =>
        name.Length == 0
        ? connection.ExecuteAsync("delete from named_way where child = @child and step = @step", new { child, step = step.NameInFiles() })
        : connection.ExecuteAsync(
            """
            insert into named_way (school, child, step, name, named_by, named_at) values (@school, @child, @step, @name, @by, @now)
            on conflict (school, child, step) do update set name = @name, named_by = @by, named_at = @now
            """,
            new { school = connection.School, child, step = step.NameInFiles(), name, by, now });
}
