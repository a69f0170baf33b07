
namespace Umbick.Rows;

/// <summary>Whether a try is heard.</summary>
public enum DoorOutcome
{
    /// <summary>It is heard.</summary>
    Open,

    /// <summary>Too many were wrong lately; none is heard for a while, right or not.</summary>
    Wait,

    /// <summary>Too many were wrong within a day; none is heard until it is over, or until the person in charge lets them in.</summary>
    Stopped,
}
