using System.Text.RegularExpressions;

namespace Umbick.Web.Tests;

/// <summary>
/// Styles go one way: a class says how a thing looks, a utility on the page only places it, and tokens are the only colours and sizes.
/// </summary>
public sealed partial class StylesTests
{
    private static readonly string Web = Path.Combine(Site.Setting("UMBICK_ROOT"), "src", "Umbick.Web");

    private static readonly string[] Sheets = [.. Directory.EnumerateFiles(Path.Combine(Web, "Styles"), "*.css")];

    /// <summary>The pages, the scripts, and what draws faces: whatever may name a class.</summary>
    private static readonly string Naming = string.Join('\n', new[] { Web, Path.Combine(Web, "..", "Umbick.Drawing") }
        .SelectMany(folder => Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories))
        .Where(file => Path.GetExtension(file) is ".cshtml" or ".cs" or ".js" && !file.Contains("built", StringComparison.Ordinal))
        .Select(File.ReadAllText));

    [Fact]
    public void Every_class_of_a_sheet_is_on_some_page()
    {
        var classes = Sheets.SelectMany(sheet =>
            Class().Matches(Strings().Replace(File.ReadAllText(sheet), "")).Select(match => match.Groups[1].Value)).Distinct().ToList();
        Assert.True(classes.Count > 150);
        Assert.DoesNotContain(classes, name => !IsNamed(name));
    }

    [Fact]
    public void Only_the_tokens_name_a_colour()
    {
        var named = Sheets.Where(sheet => Path.GetFileName(sheet) != "tokens.css")
            .SelectMany(sheet => Colour().Matches(File.ReadAllText(sheet)).Select(match => $"{Path.GetFileName(sheet)}: {match.Value}"));
        Assert.Empty(named);
    }

    [Fact]
    public void A_page_s_utilities_place_things_and_give_them_no_look()
    {
        var used = Directory.EnumerateFiles(Path.Combine(Web, "Pages"), "*.cshtml", SearchOption.AllDirectories)
            .SelectMany(file => ClassAttribute().Matches(File.ReadAllText(file)).SelectMany(match => match.Groups[1].Value.Split(' ')));
        Assert.Empty(used.Where(name => Look().IsMatch(name)).Distinct());
    }

    /// <summary>Whether something names a class: whole, or by its beginning with the rest filled in.</summary>
    private static bool IsNamed(string name) =>
        Regex.IsMatch(Naming, @"(?<![\w-])" + Regex.Escape(name) + @"(?![\w-])")
        || Enumerable.Range(1, name.Length - 1)
        .Any(end => name[end - 1] == '-' && Regex.IsMatch(Naming, @"(?<![\w-])" + Regex.Escape(name[..end]) + "[@{]"));

    [GeneratedRegex(@"\.([a-z][a-z0-9-]*)")]
    private static partial Regex Class();

    [GeneratedRegex("""url\([^)]*\)|"[^"]*"|/\*.*?\*/""", RegexOptions.Singleline)]
    private static partial Regex Strings();

    [GeneratedRegex(@"#[0-9a-f]{3,8}\b|\brgb|\bhsl|\boklch")]
    private static partial Regex Colour();

    [GeneratedRegex("class=\"([^\"\n]*)\"")]
    private static partial Regex ClassAttribute();

    /// <summary>Utilities that give a look: a colour, a border, a shadow, a corner; and what has to shout to be heard.</summary>
    [GeneratedRegex(@"^(bg-|border|rounded|shadow|ring|fill-|stroke-|accent-|text-(ink|quiet|shadow|amber|white)|.*!$)")]
    private static partial Regex Look();
}
