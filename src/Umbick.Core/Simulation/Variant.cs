namespace Umbick.Core.Simulation;

/// <summary>
/// What makes a child another than the engine thinks: families of variants that teachers tell of and no procedure lists. The model was
/// looked at with the first half while it was changed; the second half is kept away from that, and only reported.
/// </summary>
public enum Variant
{
    /// <summary>None: the catalogue's own rule, now and then a slip.</summary>
    Plain,

    /// <summary>Knows o'clock and half past as wholes, not the quarters.</summary>
    HalfKnown,

    /// <summary>Reads wrongly and sets rightly.</summary>
    SetsRightly,

    /// <summary>Says a time in words of their own: forty past six, six forty.</summary>
    OwnWords,

    /// <summary>The rule begins late in the hour, from 35 or 40 minutes on. Kept away.</summary>
    LateOnly,

    /// <summary>The rule holds on one side of the face alone. Kept away.</summary>
    OneSide,

    /// <summary>Tires: from the ninth question on, every third answer is a slip. Kept away.</summary>
    Tires,

    /// <summary>Now and then says the answer before once more. Kept away.</summary>
    RepeatsLast,
}
