namespace Umbick.Core.Practice;

/// <summary>How long the parts of a visit take, in minutes: what is told before it, and what is planned for it.</summary>
public static class VisitMinutes
{
    /// <summary>The parts in order, with how each is called.</summary>
    public static IReadOnlyList<(string Name, int Minutes)> Parts { get; } = [("cold", 2), ("show", 2), ("practise", 4), ("close", 1)];

    /// <summary>The whole, in minutes.</summary>
    public static int Whole { get; } = Parts.Sum(part => part.Minutes);
}
