using QRCoder;

namespace Umbick.Drawing;

/// <summary>A code that a camera reads. It holds the code alone: no address and no name.</summary>
internal static class QrShape
{
    /// <summary>Makes it.</summary>
    /// <param name="text">The code.</param>
    /// <param name="x">Its left side.</param>
    /// <param name="y">Its top.</param>
    /// <param name="side">How wide it is, with the white round it.</param>
    public static Group From(string text, double x, double y, double side)
    {
        using var code = QRCodeGenerator.GenerateQrCode(text, QRCodeGenerator.ECCLevel.M);
        var rows = code.ModuleMatrix;
        List<Shape> modules = [];
        for (var row = 0; row < rows.Count; row++)
        {
            // One box for each run, so that no hair shows between.
            for (var column = 0; column < rows[row].Count;)
            {
                var end = column;
                while (end < rows[row].Count && rows[row][end]) end++;
                if (end > column) modules.Add(new Box("module", column, row, end - column, 1));
                column = end + 1;
            }
        }
        return new Group(x, y, side / rows.Count, modules);
    }
}
