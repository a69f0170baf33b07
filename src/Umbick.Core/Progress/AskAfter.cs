namespace Umbick.Core.Progress;

/// <summary>Something to ask after where a child does not come on. Only who asked and when is noted, never what came of it.</summary>
/// <param name="Id">Its id, which stands in the database and never changes.</param>
/// <param name="Words">What it is.</param>
public sealed record AskAfter(string Id, string Words)
{
    /// <summary>All of it.</summary>
    public static IReadOnlyList<AskAfter> All { get; } =
        [new("eyesight", "eyesight"), new("hearing", "hearing"), new("language", "language"), new("counting", "counting in fives")];

    /// <summary>The one with this id, or null.</summary>
    public static AskAfter? Find(string? id) => All.FirstOrDefault(one => one.Id == id);
}
