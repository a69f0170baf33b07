using System.Text.RegularExpressions;

namespace Umbick.Web.Tests;

/// <summary>What the docs name is there: types, methods, files, verbs and settings.</summary>
public sealed partial class DocsTests
{
    private static readonly string Root = Site.Setting("UMBICK_ROOT");

    private static readonly string[] Folders = ["src", "tests", "bench", "launcher", "docs", ".ci"];

    private static readonly string[] OfCode = [".cs", ".cshtml", ".js", ".mjs", ".sh", ".sql", ".css", ".json", ".csproj"];

    /// <summary>Names that the docs say are not to be used, and files that are made where Umbick runs.</summary>
    private static readonly HashSet<string> NotThere =
        ["Utils", "Helpers", "Manager", "manifest.json", ".umbick/logs", ".umbick/school.keys.pfx"];

    private static readonly List<string> Files =
    [
        .. Folders.Select(folder => Path.Combine(Root, folder)).Where(Directory.Exists)
            .SelectMany(folder => Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories))
            .Concat(Directory.EnumerateFiles(Root)).Select(file => Path.GetRelativePath(Root, file).Replace('\\', '/'))
            .Where(file => !file.Split('/').Intersect(["obj", "bin", "built", "node_modules"]).Any()),
    ];

    private static readonly Dictionary<string, string> Code = Files
        .Where(file => file == "umbick" || OfCode.Contains(Path.GetExtension(file)))
        .ToDictionary(file => file, file => Comment().Replace(File.ReadAllText(Path.Combine(Root, file)), ""));

    private static readonly HashSet<string> Names = [.. Code.Values.SelectMany(text => Name().Matches(text).Select(name => name.Value))];

    public static TheoryData<string> Docs => [.. Files.Where(file => file.EndsWith(".md", StringComparison.Ordinal))];

    [Theory]
    [MemberData(nameof(Docs))]
    public void What_a_document_names_is_there(string file)
    {
        var text = File.ReadAllText(Path.Combine(Root, file));
        var missing = Quoted().Matches(text).Select(quoted => quoted.Groups[1].Value.Trim()).Where(quoted => !IsThere(quoted))
            .Concat(InFile().Matches(text).SelectMany(MissingIn));
        Assert.Empty(missing);
    }

    [Fact]
    public void The_picture_of_the_rooms_is_that_of_the_references() =>
        Assert.Equal(RoomsPicture.Draw(Root), File.ReadAllText(Path.Combine(Root, RoomsPicture.Path)));

    [Theory]
    [InlineData("CaseSummary.Summary" + "OfNothing")]
    [InlineData("Core/Progress/NoSuchFile.cs")]
    [InlineData("./umbick dance")]
    [InlineData("UMBICK_" + "NOTHING")]
    public void What_is_not_there_is_found_out(string quoted) => Assert.False(IsThere(quoted));

    private static bool IsThere(string quoted)
    {
        if (NotThere.Contains(quoted)) return true;
        if (TypeOrMember().Match(quoted) is { Success: true } name)
            return name.Groups["name"].Captures.All(part => Names.Contains(part.Value));
        if (Verb().Match(quoted) is { Success: true } verb)
            return Regex.IsMatch(Code["umbick"], $@"^\s+([a-z |-]*\| )?{verb.Groups[1].Value}( \||\))", RegexOptions.Multiline);
        if (quoted.StartsWith("UMBICK_", StringComparison.Ordinal)) return Names.Contains(quoted.Split('=', ' ')[0]);
        if (FilePath().IsMatch(quoted)) return IsPath(quoted.TrimEnd('/').TrimStart('.', '/'));
        return true;
    }

    private static bool IsPath(string path) => path.Contains('…', StringComparison.Ordinal)
        || Files.Exists(file => PathIn(path).IsMatch(file));

    /// <summary>
    /// A path as it is told: from any folder down, a project without the product's name, a file with its ending or without.
    /// </summary>
    private static Regex PathIn(string path) => new($@"(^|[/.]){Regex.Escape(path)}($|[/.])");

    /// <summary>Names that are said to stand in a file, and do not.</summary>
    private static IEnumerable<string> MissingIn(Match quoted)
    {
        var path = quoted.Groups["file"].Value;
        var texts = Code.Where(file => $"/{file.Key}".EndsWith($"/{path}", StringComparison.Ordinal)
            || file.Key.EndsWith($".{path}", StringComparison.Ordinal)).Select(file => file.Value).ToList();
        return quoted.Groups["name"].Captures.Select(name => name.Value)
            .Where(name => !texts.Exists(text => Regex.IsMatch(text, $@"\b{Regex.Escape(name.Split('.')[^1])}\b")))
            .Select(name => $"{name} in {path}");
    }

    [GeneratedRegex(@"^\s*(///?|#|--|\*).*$", RegexOptions.Multiline)]
    private static partial Regex Comment();

    [GeneratedRegex(@"[A-Za-z_]\w*")]
    private static partial Regex Name();

    [GeneratedRegex("`([^`\n]+)`")]
    private static partial Regex Quoted();

    [GeneratedRegex(@"^(?<name>[A-Z]\w+)(\.(?<name>[A-Z]\w+))?(<.*>|\(.*\))?$")]
    private static partial Regex TypeOrMember();

    [GeneratedRegex(@"^\./umbick ([a-z-]+)")]
    private static partial Regex Verb();

    [GeneratedRegex(@"^[\w.…-]+(/[\w.…-]*)+$|^[\w-]+\.(cs|cshtml|js|sh|md|sql|json|mjs|css)$")]
    private static partial Regex FilePath();

    [GeneratedRegex(@"`(?<file>[\w./]+\.(cs|js))`(, `(?<name>[A-Za-z]\w*(\.(?!cs|js)\w+)?)`)+")]
    private static partial Regex InFile();
}
