using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Casework;

namespace Umbick.Web.Pages;

/// <summary>
/// What every page sends with an answer, as it arrives: text. What cannot be understood of it is left out where the answer can do without;
/// an answer is not lost for a stopwatch.
/// </summary>
public sealed class AnswerSent
{
    public string? Answer { get; set; }

    public string? Place { get; set; }

    public string? Try { get; set; }

    public string? Corrects { get; set; }

    public string? Seconds { get; set; }

    public string? Begun { get; set; }

    public string? Waited { get; set; }

    public string? Later { get; set; }

    /// <summary>How the hands were: <c>geared</c> where the page had them go together.</summary>
    public string? Hands { get; set; }

    /// <summary>The text that was told to be unreadable, and is sent all the same.</summary>
    public string? Confirmed { get; set; }

    /// <summary>The answer's id; null where it came without one that can be.</summary>
    public AnswerId? Id => AnswerId.TryParse(Answer, null, out var id) && id.IsGiven ? id : null;

    /// <summary>The place of the item; 0 where it came without one that can be.</summary>
    public int At => int.TryParse(Place, NumberStyles.None, CultureInfo.InvariantCulture, out var place) ? place : 0;

    /// <summary>How an item is answered on a screen: whether hands went together is known to the page that showed them.</summary>
    public AnswerMode OnScreen(Item item) => Hands == "geared" && AnswerBoxes.CanGear(item) ? AnswerMode.Geared : item.Task.OnScreen;

    /// <summary>The answer as it is kept.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="raw">The answer exactly as given.</param>
    /// <param name="mode">How it was given.</param>
    /// <param name="timed">Whether answers are timed here.</param>
    public Submission Submission(AnswerId id, string raw, AnswerMode mode, bool timed) =>
        new(id, At, raw, mode, timed ? Number(Seconds) : null)
        {
            BegunSeconds = timed ? Number(Begun) : null,
            Try = Try == "2" ? 2 : 1,
            Corrects = AnswerId.TryParse(Corrects, null, out var corrected) ? corrected : null,
            Later = Later == "true",
            Waited = Number(Waited) is { } milliseconds and >= 0 and < 1e10f ? TimeSpan.FromMilliseconds(milliseconds) : TimeSpan.Zero,
        };

    /// <summary>A text as it can be kept, without the spaces round it.</summary>
    public static string Text(string? raw) => GivenText.Kept(raw).Trim();

    private static float? Number(string? text) => float.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
        ? number : null;
}
