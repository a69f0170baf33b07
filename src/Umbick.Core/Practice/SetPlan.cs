namespace Umbick.Core.Practice;

/// <summary>Which parts a set of some length has, in order: pairs with claims among them, and two bare ones at the end.</summary>
internal static class SetPlan
{
    private const int RoomForAThirdClaim = 9;

    /// <summary>The plan of a page that is done with a pencil.</summary>
    public static IReadOnlyList<SetPart> OnPaper { get; } =
        [SetPart.Secure, SetPart.Secure, SetPart.Agree, SetPart.Differ, SetPart.Judge, SetPart.Agree, SetPart.Differ, SetPart.Transfer,
            SetPart.Bare];

    /// <summary>The plans of a length, which differ only in where the claims stand: before the pairs, between or after them.</summary>
    public static IReadOnlyList<IReadOnlyList<SetPart>> ForLength(int length)
    {
        var before = length - Fading.BareAtTheEnd;
        // With five before the end two pairs and a claim are better than a pair and a start of its own: the first of a pair comes right as
        // well.
        var secure = before is 4 or > 5 ? 1 : 0;
        var rest = before - secure;
        var claims = rest % 2 == 0 ? (rest > 2 ? 2 : 0) : rest >= RoomForAThirdClaim ? 3 : 1;
        var pairs = (rest - claims) / 2;
        // A set never begins with a claim.
        var gaps = Enumerable.Range(1 - secure, pairs + secure).ToList();
        return [.. ChosenOf(gaps, claims).Select(chosen => Plan(secure, pairs, chosen))];
    }

    private static IReadOnlyList<SetPart> Plan(int secure, int pairs, IReadOnlyList<int> claimGaps)
    {
        List<SetPart> parts = secure == 1 ? [SetPart.Secure] : [];
        for (var gap = 0; gap <= pairs; gap++)
        {
            if (gap > 0) parts.AddRange([SetPart.Agree, SetPart.Differ]);
            if (claimGaps.Contains(gap)) parts.Add(SetPart.Judge);
        }
        return [.. parts, SetPart.Transfer, SetPart.Bare];
    }

    /// <summary>Every way to choose so many of some, in order.</summary>
    private static IEnumerable<IReadOnlyList<int>> ChosenOf(IReadOnlyList<int> some, int count) => count == 0 ? [[]]
        : some.Index().SelectMany(first =>
            ChosenOf([.. some.Skip(first.Index + 1)], count - 1).Select(rest => (IReadOnlyList<int>)[first.Item, .. rest]));
}
