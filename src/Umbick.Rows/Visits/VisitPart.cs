namespace Umbick.Rows;

/// <summary>The parts of a visit, in order.</summary>
public enum VisitPart
{
    /// <summary>Each child reads the room's own clock.</summary>
    Room,

    /// <summary>A cold start, before a word of help.</summary>
    Cold,

    /// <summary>The idea is shown on the big clock.</summary>
    Show,

    /// <summary>The idea is practised.</summary>
    Practise,

    /// <summary>One clock that comes right.</summary>
    Close,
}

/// <summary>The names that parts of a visit have in rows.</summary>
public static class VisitPartNames
{
    /// <summary>The name of a part.</summary>
    public static string NameOf(VisitPart part) => part == VisitPart.Show ? "model" : part.ToString().ToLowerInvariant();

    /// <summary>The part with a name.</summary>
    /// <exception cref="ArgumentException">No part has this name.</exception>
    public static VisitPart PartOf(string name) => name == "model" ? VisitPart.Show : Enum.Parse<VisitPart>(name, ignoreCase: true);
}
