
namespace Umbick.Store;

/// <summary>Classes, as far as a teacher of single children needs to know them.</summary>
public static class ClassTeachings
{
    /// <summary>The classes that children come from, or of which something is known, by name.</summary>
    public static async Task<IReadOnlyList<string>> Names(SchoolConnection connection) =>
        [.. await connection.QueryAsync<string>(
            "select class_name from child where class_name <> '' union select class_name from class_teaching order by 1")];

    /// <summary>What is known of a class; null where nothing is.</summary>
    public static Task<ClassTeaching?> Find(SchoolConnection connection, string className) =>
        connection.QuerySingleOrDefaultAsync<ClassTeaching>(
        $"select class_name, wording, topic, rule_of_thumb as rule_id, (told_at at time zone {Schools.TimeZone})::date as told_on from "
            + $"class_teaching where class_name = @className", new { className });

    /// <summary>Keeps what a class says and works on.</summary>
    public static Task Keep(SchoolConnection connection, string className, string wording, string topic, string? rule, DateTime now) =>
        connection.ExecuteAsync(
        """
        insert into class_teaching (school, class_name, wording, topic, rule_of_thumb, told_at)
          values (@school, @className, @wording, @topic, @rule, @now)
        on conflict (school, class_name) do update set wording = excluded.wording, topic = excluded.topic, rule_of_thumb =
          excluded.rule_of_thumb, told_at = excluded.told_at
        """,
        new { school = connection.School, className, wording, topic, rule, now });
}
