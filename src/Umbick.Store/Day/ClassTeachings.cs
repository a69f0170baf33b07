using Umbick.Core.Teaching;

namespace Umbick.Store;

/// <summary>What a class says and works on now.</summary>
/// <param name="ClassName">The class.</param>
/// <param name="Wording">The words that it uses.</param>
/// <param name="Topic">What it works on.</param>
/// <param name="RuleId">The id of a rule of thumb that it uses; null where none is known.</param>
/// <param name="ToldOn">The day on which that was told, where the school is.</param>
public sealed record ClassTeaching(string ClassName, string Wording, string Topic, string? RuleId, DateOnly ToldOn)
{
    /// <summary>The rule of thumb that it uses; null where none is known.</summary>
    public RuleOfThumb? Rule => RuleOfThumb.Find(RuleId);
}

/// <summary>Classes, as far as a teacher of single children needs to know them.</summary>
public static class ClassTeachings
{
    /// <summary>The most signs that a text has.</summary>
    public const int Longest = 300;

    /// <summary>The most signs that a class's name has.</summary>
    public const int LongestName = 60;

    /// <summary>The classes that children come from, or of which something is known, by name.</summary>
    public static async Task<IReadOnlyList<string>> Names(SchoolConnection connection) =>
        [.. await connection.QueryAsync<string>("select class_name from child where class_name <> '' union select class_name from class_teaching order by 1")];

    /// <summary>What is known of a class; null where nothing is.</summary>
    public static Task<ClassTeaching?> Find(SchoolConnection connection, string className) => connection.QuerySingleOrDefaultAsync<ClassTeaching>(
        $"select class_name, wording, topic, rule_of_thumb as rule_id, (told_at at time zone {Schools.TimeZone})::date as told_on from class_teaching where class_name = @className", new { className });

    /// <summary>Keeps what a class says and works on.</summary>
    public static Task Keep(SchoolConnection connection, string className, string wording, string topic, string? rule, DateTime now) => connection.ExecuteAsync(
        """
        insert into class_teaching (school, class_name, wording, topic, rule_of_thumb, told_at) values (@school, @className, @wording, @topic, @rule, @now)
        on conflict (school, class_name) do update set wording = excluded.wording, topic = excluded.topic, rule_of_thumb = excluded.rule_of_thumb, told_at = excluded.told_at
        """,
        new { school = connection.School, className, wording, topic, rule, now });
}
