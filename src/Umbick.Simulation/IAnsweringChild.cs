using Umbick.Core.Items;

namespace Umbick.Simulation;

/// <summary>Somebody who answers items, and of whom it is known how they read.</summary>
public interface IAnsweringChild
{
    /// <summary>The ids of the patterns that they really have.</summary>
    IReadOnlySet<string> Patterns { get; }

    /// <summary>
    /// What they answer, exactly as it would be typed. They may answer the next item otherwise for having answered this one.
    /// </summary>
    string Answer(Item item);
}
