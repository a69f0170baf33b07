using System.Globalization;
using System.Text.Json;
using Umbick.Core.Diagnosis;

namespace Umbick.Web.Pages.Children;

/// <summary>
/// What was on the page when a decision was taken, as it was kept with it; nothing where that is of a form that is not known.
/// </summary>
public static class ShownThen
{
    /// <summary>It as a phrase.</summary>
    public static string From(DecisionRow decision)
    {
        using var shown = JsonDocument.Parse(decision.ShownText);
        if (shown.RootElement.TryGetProperty("grounds", out var grounds) && grounds.ValueKind == JsonValueKind.Array)
            return $"shown then: {string.Join(", ", grounds.EnumerateArray().Select(Cold))}";
        return shown.RootElement.TryGetProperty("belief", out var belief) && belief.TryGetDouble(out var share)
            ? $"believed then: "
            + $"{BeliefInWords.PerCent(share)}{(shown.RootElement.TryGetProperty("label", out var label) && Enum.TryParse<Label>(label.GetString(), out var known) ? $", {known.ToString().ToLowerInvariant()}" : "")}"
            : "";
    }

    private static string Cold(JsonElement cold) =>
        $"{Figure(cold, "right")} of "
            + $"{Figure(cold, "telling")}{(cold.TryGetProperty("day", out var day) && DateOnly.TryParse(day.GetString(), CultureInfo.InvariantCulture, out var on) ? $" on {on:d MMM}" : "")}";

    private static int Figure(JsonElement cold, string name) =>
        cold.TryGetProperty(name, out var figure) && figure.TryGetInt32(out var value) ? value : 0;
}
