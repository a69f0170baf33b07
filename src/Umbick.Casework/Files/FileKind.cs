namespace Umbick.Casework.Files;

/// <summary>What a CSV file holds, told by its first line.</summary>
public static class FileKind
{
    /// <summary>Whether it is a file of answers; else it is one of children.</summary>
    public static bool IsOfAnswers(string path)
    {
        using var reader = new StreamReader(path);
        var heads = (reader.ReadLine() ?? "").Split(',').Select(head => head.Trim().Trim('"', '\uFEFF').ToLowerInvariant()).ToList();
        return heads.Contains("answer") || heads.Contains("given") || heads.Contains("task") || heads.Contains("date");
    }
}
