namespace Umbick.Core.Items;

/// <summary>How near its true place an hour hand has to be put.</summary>
public enum Nearness
{
    /// <summary>In the right space below five-minute times, near its place from there on.</summary>
    ByStage,

    /// <summary>In the right space between two numerals.</summary>
    Space,

    /// <summary>Within a fifth of the space of its true place.</summary>
    Place,
}
