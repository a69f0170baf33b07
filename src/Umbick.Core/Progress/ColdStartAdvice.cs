namespace Umbick.Core.Progress;

/// <summary>What the last cold starts say of how a pattern is worked on.</summary>
public enum ColdStartAdvice
{
    /// <summary>Go on as it is.</summary>
    GoOn,

    /// <summary>
    /// None or one right three times running, and no more at the last than at the first of them: another demonstration, other words, a step
    /// back.
    /// </summary>
    ChangeApproach,

    /// <summary>All right three times running: practice of this pattern can end.</summary>
    FinishPattern,
}

/// <summary>Decides from cold starts.</summary>
public static class ColdStarts
{
    /// <summary>So many in a row decide.</summary>
    public const int InARow = 3;

    /// <summary>So many show that a child is stuck.</summary>
    public const int ToBeStuck = 8;

    private const int Whole = ColdResult.Whole;
    private const int AtMost = 1;

    /// <summary>Who has so many right of the last eight is nearly there, and not stuck.</summary>
    private const int NearlyAll = 28;

    /// <summary>Whoever learns slowly rises by little in eight, and clearly in twelve: the trend is of so many.</summary>
    private const int LookedBackOn = 12;

    /// <summary>What the last ones say; one that was broken off says nothing.</summary>
    /// <param name="results">How many telling items came right, of how many were asked; the earliest first.</param>
    public static ColdStartAdvice Advise(IEnumerable<(int Right, int Telling)> results)
    {
        var last = results.Where(result => result.Telling == Whole).TakeLast(InARow).ToList();
        if (last.Count < InARow) return ColdStartAdvice.GoOn;
        return last.TrueForAll(each => each.Right <= AtMost) && last[^1].Right <= last[0].Right ? ColdStartAdvice.ChangeApproach
            : last.TrueForAll(each => each.Right == Whole) ? ColdStartAdvice.FinishPattern
            : ColdStartAdvice.GoOn;
    }

    /// <summary>Whether the last eight say that a child is stuck; those that were broken off are left out.</summary>
    /// <param name="results">How many telling items came right, of how many were asked; the earliest first.</param>
    public static bool AreStuck(IEnumerable<(int Right, int Telling)> results)
    {
        var all = results.Where(result => result.Telling == Whole).TakeLast(LookedBackOn).Select(result => result.Right).ToList();
        return all.Count >= ToBeStuck && all.TakeLast(ToBeStuck).Sum() < NearlyAll && Trend.FromOneToTheNext(all) <= 0;
    }
}
