namespace Umbick.Core.Clocks;

/// <summary>What a child means by 'half eight': how they say times, and nothing else about them.</summary>
public enum HalfMeaning
{
    /// <summary>Nobody has said.</summary>
    NotSettled,

    /// <summary>The half hour before: half past seven.</summary>
    Before,

    /// <summary>The half hour after: half past eight.</summary>
    After,
}
