namespace Umbick.Core.Practice;

/// <summary>Which parts a set of some length has, in order: pairs with claims between them, and two bare ones at the end.</summary>
internal static class SetPlan
{
    private const int RoomForAThirdClaim = 9;

    public static IReadOnlyList<SetPart> ForLength(int length)
    {
        var before = length - Fading.BareAtTheEnd;
        // With five before the end two pairs and a claim are better than a pair and a start of its own: the first of a pair comes right as
        // well.
        var secure = before is 4 or > 5 ? 1 : 0;
        var rest = before - secure;
        var claims = rest % 2 == 0 ? (rest > 2 ? 2 : 0) : rest >= RoomForAThirdClaim ? 3 : 1;
        var pairs = (rest - claims) / 2;
        List<SetPart> parts = secure == 1 ? [SetPart.Secure] : [];
        for (var pair = 0; pair < Math.Max(pairs, claims); pair++)
        {
            if (pair < pairs) parts.AddRange([SetPart.Agree, SetPart.Differ]);
            if (pair < claims) parts.Add(SetPart.Judge);
        }
        return [.. parts, SetPart.Transfer, SetPart.Bare];
    }
}
