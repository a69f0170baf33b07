namespace Umbick.Simulation;

/// <summary>
/// What makes a child another than the engine thinks: families of variants that teachers tell of and no procedure lists. The model was
/// looked at with the first two families while it was changed; the third was written then, too, and first run when the model stood.
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

    /// <summary>The rule begins late in the hour, from 35 or 40 minutes on.</summary>
    LateOnly,

    /// <summary>The rule holds on one side of the face alone.</summary>
    OneSide,

    /// <summary>Tires: from the ninth question on, every third answer is a slip.</summary>
    Tires,

    /// <summary>Now and then says the answer before once more.</summary>
    RepeatsLast,

    /// <summary>The rule holds at some hours only: up to six, or from seven on.</summary>
    SomeHours,

    /// <summary>The rule holds in figures only, or in words only.</summary>
    OneForm,

    /// <summary>Says to every fifth question that they do not know.</summary>
    DoesNotKnow,

    /// <summary>Needs two questions to warm up: the first two answers follow no rule.</summary>
    WarmsUp,
}

/// <summary>Which variants belong together.</summary>
public static class Variants
{
    /// <summary>Those that the model was first changed for.</summary>
    public static IReadOnlyList<Variant> First { get; } = [Variant.Plain, Variant.HalfKnown, Variant.SetsRightly, Variant.OwnWords];

    /// <summary>Those that were only reported then, and were seen at each run.</summary>
    public static IReadOnlyList<Variant> Second { get; } = [Variant.LateOnly, Variant.OneSide, Variant.Tires, Variant.RepeatsLast];

    /// <summary>Those that were held out until the model stood: what was changed after that was changed with them in sight.</summary>
    public static IReadOnlyList<Variant> HeldOut { get; } = [Variant.SomeHours, Variant.OneForm, Variant.DoesNotKnow, Variant.WarmsUp];
}
