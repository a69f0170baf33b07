namespace Umbick.Rows;

/// <summary>How a sitting is held.</summary>
public enum DeliveryMode
{
    /// <summary>The teacher's screen shows the clock, and the teacher types what is said.</summary>
    Conversation,

    /// <summary>The teacher sets a clock of their own, and types what is said.</summary>
    OwnClock,

    /// <summary>The child answers alone, on a screen.</summary>
    OnChildsScreen,
}

/// <summary>Delivery modes as they stand in rows: these names never change.</summary>
internal static class DeliveryNames
{
    public static string NameOf(DeliveryMode mode) => mode switch
    {
        DeliveryMode.Conversation => "conversation",
        DeliveryMode.OwnClock => "own-clock",
        _ => "screen",
    };

    public static DeliveryMode Read(string name) => name switch
    {
        "conversation" => DeliveryMode.Conversation,
        "own-clock" => DeliveryMode.OwnClock,
        _ => DeliveryMode.OnChildsScreen,
    };
}
