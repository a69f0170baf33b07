using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Web.Pages.Practise;

/// <summary>What is asked for on the set maker's page: it stands in the address, so that going back shows what was there.</summary>
public sealed class SetAsked
{
    public string? Pattern { get; set; }

    /// <summary>Which of the sets that could be given now.</summary>
    public int Variant { get; set; }

    public int Length { get; set; } = SetRequest.UsualLength;

    /// <summary>The help to start with; none where it follows from the last set.</summary>
    public string? Support { get; set; }

    /// <summary>Places, from 1, whose item was changed, in order: <c>3-5-3</c>.</summary>
    public string? Swaps { get; set; }

    public const int MostSwaps = 40;

    /// <summary>The choices; null where they are none.</summary>
    public SetChoices? Choices
    {
        get
        {
            var places = (Swaps ?? "").Split('-', StringSplitOptions.RemoveEmptyEntries)
                .Select(part => int.TryParse(part, out var place) ? place : 0).ToList();
            if (Length is < SetRequest.Shortest or > SetRequest.Longest || places.Count > MostSwaps
                || places.Exists(place => place < 1 || place > Length)) return null;
            if (!string.IsNullOrEmpty(Support)
                && !(Enum.TryParse<Support>(Support, ignoreCase: true, out var level) && Enum.IsDefined(level))) return null;
            return new SetChoices
            {
                Variant = Variant,
                Length = Length,
                Start = string.IsNullOrEmpty(Support) ? null : Enum.Parse<Support>(Support, ignoreCase: true),
                Swaps = [.. places.Select(place => place - 1)],
            };
        }
    }
}
