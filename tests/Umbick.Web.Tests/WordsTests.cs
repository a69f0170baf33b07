using System.Text.RegularExpressions;

namespace Umbick.Web.Tests;

/// <summary>Every text that ships, in pages, catalogue, scripts, rows and docs: a child is the child, they, or the alias.</summary>
public sealed partial class WordsTests
{
    private static readonly string[] Folders = ["src", "docs"];
    private static readonly string[] Kinds = [".cs", ".cshtml", ".js", ".sql", ".md", ".css"];

    [Fact]
    public void Nobody_is_she_or_he()
    {
        var root = Site.Setting("UMBICK_ROOT");
        var texts = Folders.SelectMany(folder => Directory.EnumerateFiles(Path.Combine(root, folder), "*", SearchOption.AllDirectories))
            .Concat(Directory.EnumerateFiles(root, "*.md"))
            .Where(file => Kinds.Contains(Path.GetExtension(file))
            && !file.Split(Path.DirectorySeparatorChar).Any(part => part is "obj" or "bin" or "built")).ToList();
        Assert.True(texts.Count > 300, $"{texts.Count} files were read");
        Assert.Empty(from file in texts
                     from line in File.ReadLines(file).Index()
                     where SheOrHe().IsMatch(line.Item)
                     select $"{Path.GetRelativePath(root, file)}:{line.Index + 1}: {line.Item.Trim()}");
    }

    [GeneratedRegex(@"\b(she|hers?|herself|he|his|him|himself)\b", RegexOptions.IgnoreCase)]
    private static partial Regex SheOrHe();
}
