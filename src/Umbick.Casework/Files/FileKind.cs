namespace Umbick.Casework.Files;

/// <summary>What a CSV file holds, told by its first line.</summary>
public static class FileKind
{
    /// <summary>
    /// Whether it is a file of answers; else it is one of children. It is read from its beginning, and stands there again.
    /// </summary>
    public static bool IsOfAnswers(Stream file)
    {
        using var reader = new StreamReader(file, leaveOpen: true);
        var heads = (reader.ReadLine() ?? "").Split(',').Select(head => head.Trim().Trim('"', '\uFEFF').ToLowerInvariant()).ToList();
        file.Position = 0;
        return heads.Contains("answer") || heads.Contains("given") || heads.Contains("task") || heads.Contains("date");
    }
}
