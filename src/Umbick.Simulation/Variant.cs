namespace Umbick.Simulation;

/// <summary>
/// What makes a child another than the engine thinks: families of variants that teachers tell of and no procedure lists. The model was
/// looked at with the first two families while it was changed; the third was written then, too, and first run when the model stood. The
/// fourth was written before the model's second round, and is told variant by variant.
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

    /// <summary>The rule holds only while the two hands lie close together.</summary>
    CloseHands,

    /// <summary>Writes badly: commas, full stops, words run together or spelled by their sound.</summary>
    BadlyWritten,

    /// <summary>Learns in the middle of the sitting: from the seventh question on all is read rightly.</summary>
    Learns,

    /// <summary>The rule holds at every second question.</summary>
    EverySecond,

    /// <summary>Says every fourth answer only nearly: about 7.</summary>
    SaysNearly,

    /// <summary>Does not answer where the minutes are no fives.</summary>
    LeavesMinutesOut,

    /// <summary>Reads rightly and sets wrongly.</summary>
    ReadsRightly,

    /// <summary>Says half past seven as half eight.</summary>
    HalfBefore,

    /// <summary>Knows o'clock and half past, and guesses the rest.</summary>
    GuessesTheRest,

    /// <summary>Guesses every clock.</summary>
    GuessesAll,
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

    /// <summary>Those that were written before the model's second round was run, each told of by itself.</summary>
    public static IReadOnlyList<Variant> Told { get; } =
    [
        Variant.CloseHands, Variant.BadlyWritten, Variant.Learns, Variant.EverySecond, Variant.SaysNearly, Variant.LeavesMinutesOut,
        Variant.ReadsRightly, Variant.HalfBefore,
    ];
}
