using System.Text;
using QRCoder;

namespace Umbick.Web.Tests;

/// <summary>What a browser's camera sees: a square code on grey paper, as a film of a few pictures.</summary>
public static class CameraPicture
{
    private const int Width = 640, Height = 480, Module = 9, Pictures = 5;
    private const byte Paper = 200, Ink = 40, NoColour = 128;

    /// <summary>Writes the film, in the format that Chromium plays in the place of a camera.</summary>
    /// <returns>Its path.</returns>
    public static string Of(string code)
    {
        var path = Path.Combine(Path.GetTempPath(), $"umbick-camera-{Guid.NewGuid():N}.y4m");
        using var drawn = QRCodeGenerator.GenerateQrCode(code, QRCodeGenerator.ECCLevel.M);
        var rows = drawn.ModuleMatrix;
        var (left, top) = ((Width - (rows.Count * Module)) / 2, (Height - (rows.Count * Module)) / 2);
        var light = Enumerable.Repeat(Paper, Width * Height).ToArray();
        for (var y = 0; y < rows.Count * Module; y++)
        {
            for (var x = 0; x < rows.Count * Module; x++)
            {
                if (rows[y / Module][x / Module]) light[((top + y) * Width) + left + x] = Ink;
            }
        }
        using var film = File.Create(path);
        film.Write(Encoding.ASCII.GetBytes($"YUV4MPEG2 W{Width} H{Height} F10:1 Ip A1:1 C420jpeg\n"));
        for (var picture = 0; picture < Pictures; picture++)
        {
            film.Write("FRAME\n"u8);
            film.Write(light);
            film.Write([.. Enumerable.Repeat(NoColour, Width * Height / 2)]);
        }
        return path;
    }
}
