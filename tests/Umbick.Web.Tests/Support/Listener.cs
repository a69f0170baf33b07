using System.Text.Json;
using OpenQA.Selenium;

namespace Umbick.Web.Tests;

/// <summary>
/// Somebody who does not see: they type, and know of the page what a screen reader knows, the accessibility tree and what is said.
/// </summary>
public sealed class Listener(Browser browser)
{
    private const string SaidNow = "return document.getElementById('said')?.textContent ?? ''";

    /// <summary>Everything that was heard and typed, in order.</summary>
    public List<string> Heard { get; } = [];

    /// <summary>Types, and goes nowhere else.</summary>
    public void Type(string keys, string told)
    {
        Heard.Add($"  types {told}");
        browser.Type(keys);
    }

    /// <summary>Waits until something with these words in its name has the focus, and hears it.</summary>
    public string AwaitFocus(string words)
    {
        var heard = browser.UntilTold(() => Focused() is { } now && now.Contains(words, StringComparison.Ordinal) ? now : null);
        Heard.Add(heard);
        return heard;
    }

    /// <summary>Goes on with Tab until something with these words has the focus, and counts the keys.</summary>
    public int TabTo(string words)
    {
        for (var tabs = 1; tabs < 60; tabs++)
        {
            browser.Type(Keys.Tab);
            if (Focused() is not { } now || !now.Contains(words, StringComparison.Ordinal)) continue;
            Heard.Add($"  {tabs} times Tab: {now}");
            return tabs;
        }
        throw new InvalidOperationException($"Nothing is called {words}.");
    }

    /// <summary>Waits until something is said with these words in it.</summary>
    public string AwaitSaid(string words)
    {
        var said = browser.UntilTold(() => browser.Script<string>(SaidNow) is { } now
            && now.Contains(words, StringComparison.Ordinal) ? now : null);
        Heard.Add($"said: {said}");
        return said;
    }

    /// <summary>The names of everything of a role that is on the page.</summary>
    public IReadOnlyList<string> Named(string role) =>
        [.. Nodes().Where(node => Text(node, "role") == role).Select(node => Text(node, "name"))];

    /// <summary>What has the focus: its role, its name, what describes it.</summary>
    private string? Focused()
    {
        foreach (var node in Nodes().Where(IsFocused))
        {
            var parts = new[] { Text(node, "role"), Text(node, "name"), Text(node, "description") };
            if (parts[0] != "RootWebArea") return string.Join(", ", parts.Where(part => part.Length > 0));
        }
        return null;
    }

    private IEnumerable<JsonElement> Nodes()
    {
        using var tree = JsonDocument.Parse(browser.AccessibilityTree());
        return [.. tree.RootElement.GetProperty("nodes").EnumerateArray().Select(node => node.Clone())];
    }

    private static bool IsFocused(JsonElement node) => node.TryGetProperty("properties", out var properties)
        && properties.EnumerateArray().Any(property => property.GetProperty("name").GetString() == "focused"
            && property.GetProperty("value").GetProperty("value").GetBoolean());

    private static string Text(JsonElement node, string part) =>
        node.TryGetProperty(part, out var found) && found.TryGetProperty("value", out var value) ? $"{value}".Trim() : "";
}
