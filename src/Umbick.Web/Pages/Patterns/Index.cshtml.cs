using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Web.Pages.Patterns;

/// <summary>The catalogue, step by step.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(PatternFaces faces, RequestPreferences preferences) : PageModel
{
    public IReadOnlyList<IGrouping<Step, Example>> Steps { get; private set; } = [];

    public void OnGet() => Steps = [.. Faces.GroupBy(example => example.Pattern.Step)];

    /// <summary>Each pattern with the plainest of its clocks that no pattern before it has on this page, as far as there is one.</summary>
    private IEnumerable<Example> Faces
    {
        get
        {
            var seen = new HashSet<string>();
            foreach (var pattern in Catalogue.All)
            {
                var all = faces.ExamplesOf(pattern, preferences.Wording);
                var shown = all.FirstOrDefault(example => !seen.Contains(example.Asked)) ?? all[0];
                seen.Add(shown.Asked);
                yield return shown;
            }
        }
    }

    public static string Heading(Step step) => step switch
    {
        Step.Hands => "Which hand is which",
        Step.Hour => "Reading the hour",
        Step.Minutes => "Reading the minutes",
        Step.PastOrTo => "Past and to",
        Step.Fractions => "Quarter and half",
        Step.Writing => "Writing a time",
        Step.Placing => "Setting the hands",
        Step.CountingOn => "Counting on, and minutes in an hour",
        Step.DayHalves => "Halves of the day",
        _ => "Whatever the clock shows",
    };
}
