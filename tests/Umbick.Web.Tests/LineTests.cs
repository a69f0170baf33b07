namespace Umbick.Web.Tests;

/// <summary>A line of code is read without scrolling: it has 140 signs at most, unless a text stands in it that cannot be parted.</summary>
public sealed class LineTests
{
    private const int Longest = 140;

    /// <summary>A text of so many signs may stand whole on its line.</summary>
    private const int LongText = 60;

    [Theory]
    [InlineData("src")]
    [InlineData("tests")]
    [InlineData("bench")]
    public void No_line_of_code_is_longer_than_a_screen_is_wide(string folder)
    {
        var root = Site.Setting("UMBICK_ROOT");
        var files = Directory.EnumerateFiles(Path.Combine(root, folder), "*.cs", SearchOption.AllDirectories).ToList();
        Assert.True(files.Count > 0);
        var tooLong = from file in files
                      from line in File.ReadLines(file).Select((text, i) => (Text: text, Number: i + 1))
                      where line.Text.Length > Longest && !HasLongText(line.Text)
                      select $"{Path.GetRelativePath(root, file)}:{line.Number} has {line.Text.Length} signs";
        Assert.Empty(tooLong);
    }

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
