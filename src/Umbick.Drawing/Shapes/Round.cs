namespace Umbick.Drawing;

/// <summary>Points round a middle.</summary>
internal static class Round
{
    /// <summary>The point so many degrees clockwise from the top, at a radius.</summary>
    public static (double X, double Y) At(double degrees, double radius)
    {
        var radians = degrees * Math.PI / 180;
        return (radius * Math.Sin(radians), -radius * Math.Cos(radians));
    }
}
