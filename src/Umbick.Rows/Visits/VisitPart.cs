namespace Umbick.Rows;

/// <summary>The parts of a visit, in order. The names stand in rows, in lower case.</summary>
public enum VisitPart
{
    /// <summary>Each child reads the room's own clock.</summary>
    Room,

    /// <summary>A cold start, before a word of help.</summary>
    Cold,

    /// <summary>The idea is shown on the big clock.</summary>
    Model,

    /// <summary>The idea is practised.</summary>
    Practise,

    /// <summary>One clock that comes right.</summary>
    Close,
}
