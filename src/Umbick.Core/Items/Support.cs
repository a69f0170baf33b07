namespace Umbick.Core.Items;

/// <summary>How much help is drawn on a face. The names stand in files, in lower case.</summary>
public enum Support
{
    /// <summary>None.</summary>
    Bare,

    /// <summary>The space the hour hand is in is shaded.</summary>
    Some,

    /// <summary>Minute numbers as well.</summary>
    Most,

    /// <summary>The halves for past and to as well.</summary>
    Full,
}
