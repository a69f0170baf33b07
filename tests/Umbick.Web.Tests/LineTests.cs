using System.Text.RegularExpressions;

namespace Umbick.Web.Tests;

/// <summary>A line is read without scrolling.</summary>
public sealed partial class LineTests
{
    private const int Longest = 140;
    private const int LongestOfProse = 120;

    private static readonly string Root = Site.Setting("UMBICK_ROOT");

    /// <summary>A text of so many signs may stand whole on its line.</summary>
    private const int LongText = 60;

    [Theory]
    [InlineData("src")]
    [InlineData("tests")]
    [InlineData("bench")]
    public void No_line_of_code_is_longer_than_a_screen_is_wide(string folder)
    {
        var files = FilesOf(folder, "*.cs");
        Assert.True(files.Count > 0);
        Assert.Empty(files.SelectMany(file => TooLong(file, line => line.Length > Longest && !HasLongText(line))));
    }

    /// <summary>The scripts of pages are held by their formatter; a migration that has run stays as it ran.</summary>
    [Theory]
    [InlineData("src", "*.cshtml")]
    [InlineData("src", "*.css")]
    [InlineData("launcher", "*.sh")]
    public void No_line_of_a_page_a_style_or_the_launcher_is_longer_either(string folder, string kind)
    {
        var files = FilesOf(folder, kind);
        Assert.True(files.Count > 0);
        Assert.Empty(files.SelectMany(file => TooLong(file, line => line.Length > Longest)));
    }

    [Fact]
    public void Prose_wraps()
    {
        List<string> files = [.. FilesOf("docs", "*.md"), .. Directory.EnumerateFiles(Root, "*.md")];
        Assert.True(files.Count > 10);
        Assert.Empty(files.SelectMany(file => TooLong(file, line => line.Length > LongestOfProse && !Unwrapped().IsMatch(line))));
    }

    private static List<string> FilesOf(string folder, string kind) =>
        [.. Directory.EnumerateFiles(Path.Combine(Root, folder), kind, SearchOption.AllDirectories)
            .Where(file => !file.Split('/').Intersect(["obj", "bin", "built"]).Any())];

    private static IEnumerable<string> TooLong(string file, Predicate<string> isTooLong) => File.ReadLines(file)
        .Select((line, i) => (Text: line, Number: i + 1)).Where(line => isTooLong(line.Text))
        .Select(line => $"{Path.GetRelativePath(Root, file)}:{line.Number} has {line.Text.Length} signs");

    /// <summary>A row of a table, and a link alone, stand on one line.</summary>
    [GeneratedRegex(@"^\s*\||^!?\[.*\)$")]
    private static partial Regex Unwrapped();

    [Theory]
    [InlineData("var short = \"a few words\"; var other = \"a few more\";", false)]
    [InlineData("browser.ClickOn($\"label:has([name=placeOf][value='on']) and what else there is to find on it\");", true)]
    public void A_text_that_cannot_be_parted_is_known(string line, bool isLong) => Assert.Equal(isLong, HasLongText(line));

    private static bool HasLongText(string line)
    {
        var first = line.IndexOf('"', StringComparison.Ordinal);
        return first >= 0 && line.LastIndexOf('"') - first > LongText;
    }
}
