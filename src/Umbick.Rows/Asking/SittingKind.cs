namespace Umbick.Rows;

/// <summary>What a sitting is for. The names stand in rows, in lower case.</summary>
public enum SittingKind
{
    /// <summary>To find out how a child reads.</summary>
    Asking,

    /// <summary>One go at a practice set.</summary>
    Practice,
}
