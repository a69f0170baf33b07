
namespace Umbick.Rows;

/// <summary>Whether a code opened.</summary>
public enum CodeOutcome
{
    /// <summary>It opened its sitting, and will not again.</summary>
    Opened,

    /// <summary>It cannot be a code as it was typed: its check figure says so. It counts for nothing.</summary>
    Mistyped,

    /// <summary>There is no such code, or it was used, or its minutes are over.</summary>
    Wrong,

    /// <summary>
    /// Too many wrong ones were tried, by the school itself or by strangers; none is heard from there for a while, right or not.
    /// </summary>
    Wait,
}
