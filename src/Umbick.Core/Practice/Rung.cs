namespace Umbick.Core.Practice;

/// <summary>How much it took until an answer came right, the least first: the rungs of a ladder that a teacher climbs one by one.</summary>
public enum Rung
{
    /// <summary>Time, and nothing else.</summary>
    Waited,

    /// <summary>To be asked to look again.</summary>
    LookAgain,

    /// <summary>A word that points at the hand, or the step.</summary>
    HandNamed,

    /// <summary>Two answers to choose from.</summary>
    TwoChoices,

    /// <summary>To be told.</summary>
    Told,
}

/// <summary>Rungs as they stand in rows, and what follows from them.</summary>
public static class Rungs
{
    private static readonly (Rung Rung, string Id)[] Ids =
        [(Rung.Waited, "waited"), (Rung.LookAgain, "look-again"), (Rung.HandNamed, "hand-named"), (Rung.TwoChoices, "two-choices"),
            (Rung.Told, "told")];

    /// <summary>Its name in rows, which never changes.</summary>
    public static string Id(this Rung rung) => Ids.First(id => id.Rung == rung).Id;

    /// <summary>The rung with this id, or null.</summary>
    public static Rung? Find(string? id) => Ids.Where(each => each.Id == id).Select(each => (Rung?)each.Rung).FirstOrDefault();

    /// <summary>
    /// The rung that the next visit starts with: one lower than what half of the telling answers took, or less. Null where none is needed,
    /// or nothing has been asked yet.
    /// </summary>
    /// <param name="took">What each telling answer of the last visit took; null where it came right by itself.</param>
    public static Rung? Next(IEnumerable<Rung?> took)
    {
        var heights = took.Select(rung => rung is { } at ? (int)at + 1 : 0).Order().ToList();
        if (heights.Count == 0) return null;
        var next = heights[heights.Count / 2] - 1;
        return next > 0 ? (Rung)(next - 1) : null;
    }
}
