namespace Umbick.Core.Diagnosis;

/// <summary>Where a pattern shows: reading a clock and setting one are two skills.</summary>
public enum ShownWhere
{
    /// <summary>In reading and in setting, as far as is known.</summary>
    Both,

    /// <summary>In reading only: the child sets a clock rightly.</summary>
    Reading,

    /// <summary>In setting only: it is about where a hand is put, or the child reads a clock rightly.</summary>
    Setting,
}
