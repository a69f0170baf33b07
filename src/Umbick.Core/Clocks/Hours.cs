namespace Umbick.Core.Clocks;

/// <summary>Hours go round: after 12 comes 1.</summary>
public static class Hours
{
    /// <summary>The name, 1 to 12, of any count of hours, also one below nought or over twelve.</summary>
    public static int Named(int hours) => ((((hours - 1) % 12) + 12) % 12) + 1;

    /// <summary>The hour after this one, as it is said.</summary>
    public static int After(int hour) => Named(hour + 1);

    /// <summary>The hour before this one, as it is said.</summary>
    public static int Before(int hour) => Named(hour - 1);
}
