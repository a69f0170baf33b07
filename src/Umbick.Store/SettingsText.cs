using System.Text.Json;

namespace Umbick.Store;

/// <summary>Settings as they stand in rows: a JSON object from a setting's id to its choice's.</summary>
internal static class SettingsText
{
    public static IReadOnlyDictionary<string, string> Read(string text) =>
        JsonSerializer.Deserialize<Dictionary<string, string>>(text) ?? [];

    public static string Write(IReadOnlyDictionary<string, string> settings) => JsonSerializer.Serialize(settings);
}
