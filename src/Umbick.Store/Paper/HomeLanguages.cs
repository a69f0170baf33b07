namespace Umbick.Store;

/// <summary>The languages of a school's families, as files of texts.</summary>
public static class HomeLanguages
{
    /// <summary>The files, by their tags.</summary>
    public static async Task<IReadOnlyList<string>> All(SchoolConnection connection) =>
        [.. await connection.QueryAsync<string>("select texts from home_language order by tag")];

    /// <summary>Keeps a file in the place of an earlier one with the same tag.</summary>
    public static Task Keep(SchoolConnection connection, string tag, string texts, PersonId by, DateTime now) => connection.ExecuteAsync(
        """
        insert into home_language (school, tag, texts, added_by, added_at) values (@school, @tag, @texts, @by, @now)
        on conflict (school, tag) do update set texts = @texts, added_by = @by, added_at = @now
        """,
        new { school = connection.School, tag, texts, by, now });

    /// <summary>Takes a language away.</summary>
    public static Task Remove(SchoolConnection connection, string tag) =>
        connection.ExecuteAsync("delete from home_language where tag = @tag", new { tag });
}
