namespace Umbick.Cli.School;

/// <summary>A file for nobody else's eyes, gone afterwards.</summary>
internal sealed class Scratch : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-");

    public string File => Path.Combine(_folder.FullName, "dump");

    public void Dispose() => _folder.Delete(recursive: true);
}
