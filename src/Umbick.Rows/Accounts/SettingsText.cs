using System.Text.Json;

namespace Umbick.Rows;

/// <summary>Settings as they stand in rows: a JSON object from a setting's id to its choice's.</summary>
internal static class SettingsText
{
    /// <summary>The settings of a row; none where the row cannot be understood, for then the usual choices hold.</summary>
    public static IReadOnlyDictionary<string, string> Read(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<Dictionary<string, string>>(text) ?? [];
        }
        catch (JsonException)
        {
            return new Dictionary<string, string>();
        }
    }

    public static string Write(IReadOnlyDictionary<string, string> settings) => JsonSerializer.Serialize(settings);
}
