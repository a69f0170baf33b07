using System.Reflection;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Umbick.Web.Tests;

/// <summary>A page, as it is reached.</summary>
public sealed partial record Door(string Route, Type Model)
{
    /// <summary>Every page, read off the site itself, so that a new one is walked too.</summary>
    public static IReadOnlyList<Door> All { get; } = [.. Routes().OrderBy(door => door.Route, StringComparer.Ordinal)];

    /// <summary>The policy that it states; null where anybody may see it.</summary>
    public string? Policy => Model.GetCustomAttribute<AuthorizeAttribute>()?.Policy;

    /// <summary>The names of its handlers for a verb; the one without a name is empty.</summary>
    public IEnumerable<string> Handlers(string verb) =>
        Model.GetMethods(BindingFlags.Public | BindingFlags.Instance)
        .Where(method => method.Name.StartsWith(verb, StringComparison.Ordinal) && method.GetCustomAttribute<NonHandlerAttribute>() is null)
        .Select(method => method.Name[verb.Length..]).Select(name => name.EndsWith("Async", StringComparison.Ordinal) ? name[..^5] : name)
        .Append("").Distinct();

    /// <summary>Its address with ids that exist, or with ids that nobody has.</summary>
    public string Filled(Dictionary<string, Guid> ids) =>
        RouteValue().Replace(Route, value => value.Value.Contains("int", StringComparison.Ordinal)
        ? "404"
        : value.Value.Contains("guid", StringComparison.Ordinal)
        ? (ids.TryGetValue(value.Value.Contains("sitting", StringComparison.Ordinal) ? "ask" : Route.Split('/')[1], out var id) ? id
        : Guid.Empty).ToString()
        : value.Value.Contains("kind", StringComparison.Ordinal) ? "lead" : "next-hour");

    private static IEnumerable<Door> Routes()
    {
        var pages = Path.Combine(Site.Setting("UMBICK_ROOT"), "src", "Umbick.Web", "Pages");
        foreach (var file in Directory.EnumerateFiles(pages, "*.cshtml", SearchOption.AllDirectories))
        {
            if (PageLines().Match(File.ReadAllText(file)) is not { Success: true } match) continue;
            var folder = Path.GetRelativePath(pages, Path.GetDirectoryName(file)!);
            var space = folder == "." ? "Umbick.Web.Pages" : $"Umbick.Web.Pages.{folder.Replace(Path.DirectorySeparatorChar, '.')}";
            yield return new Door(match.Groups["route"].Success ? match.Groups["route"].Value : "/",
                typeof(Web.Demo).Assembly.GetType($"{space}.{match.Groups["model"].Value}")!);
        }
    }

    [GeneratedRegex("""^@page( "(?<route>[^"]+)")?\s+(@using [^\n]+\n)*@model ([\w.]+\.)?(?<model>\w+)""", RegexOptions.Multiline)]
    private static partial Regex PageLines();

    [GeneratedRegex(@"\{[^}]+\}")]
    private static partial Regex RouteValue();
}
