namespace Umbick.Tests;

/// <summary>Sittings whose items are drawn by chance, by the same chance each time.</summary>
internal static class DrawnSitting
{
    /// <summary>A new id that draws as every other with this seed: its last four bytes are what items are drawn by.</summary>
    public static SittingId Id(int seed)
    {
        var id = Guid.NewGuid().ToByteArray();
        BitConverter.TryWriteBytes(id.AsSpan(12), seed);
        return new Guid(id);
    }
}
