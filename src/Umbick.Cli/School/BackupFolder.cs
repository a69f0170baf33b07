using System.Globalization;

namespace Umbick.Cli.School;

/// <summary>
/// A folder of backups. A marker in it says that it is one: where the folder is another machine's and is not mounted, the marker is
/// missing, and nothing is written to the empty place.
/// </summary>
internal sealed class BackupFolder
{
    private const string Marker = ".umbick-backups", Ending = ".backup";

    private BackupFolder(string path) => Path = path;

    /// <summary>Where it lies.</summary>
    public string Path { get; }

    /// <summary>The folder at a path; null where the path is to be a file.</summary>
    /// <param name="path">What was named.</param>
    /// <param name="isNew">Whether a folder may be begun.</param>
    /// <exception cref="VerbException">There is no folder, or it is not a folder of backups.</exception>
    public static BackupFolder? At(string path, bool isNew)
    {
        var full = System.IO.Path.GetFullPath(path);
        // A folder that is not there must not become a file of its name.
        if (!Directory.Exists(full) && full.EndsWith(Ending, StringComparison.Ordinal) && !isNew) return null;
        var marker = System.IO.Path.Combine(full, Marker);
        if (isNew)
        {
            if (!OperatingSystem.IsWindows())
                Directory.CreateDirectory(full, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
            if (!File.Exists(marker))
                File.WriteAllText(marker,
                    "Umbick keeps its backups here. Where this file is missing, the folder is not the one that was meant.\n");
        }
        if (!Directory.Exists(full))
            throw new VerbException(
                $"There is no folder “{full}”. If it is another machine’s, look whether it is mounted. (A single file’s name ends in "
                    + $"{Ending}.)");
        if (!File.Exists(marker))
            throw new VerbException(
                $"“{full}” is no folder of backups: it has no file {Marker}. If it is another machine’s, look whether it is mounted. The "
                    + $"first backup begins a folder with --new-folder.");
        return new BackupFolder(full);
    }

    /// <summary>The file that a name means: itself, or the latest backup of a folder.</summary>
    /// <exception cref="VerbException">There is none.</exception>
    public static string FileAt(string path)
    {
        if (!Directory.Exists(path)) return path;
        return Backups(path) is [.., var latest] ? latest
            : throw new VerbException($"There is no backup in “{System.IO.Path.GetFullPath(path)}”.");
    }

    /// <summary>The file of a backup that is made at a moment.</summary>
    public string FileOf(DateTime moment) =>
        System.IO.Path.Combine(Path, string.Create(CultureInfo.InvariantCulture, $"umbick-{moment:yyyy-MM-dd'T'HHmmss}.backup"));

    /// <summary>Keeps the latest backups.</summary>
    /// <returns>The names of those that were removed.</returns>
    public string[] RemoveOld(int most)
    {
        var old = Backups(Path).SkipLast(most).ToList();
        foreach (var file in old)
        {
            File.Delete(file);
            Console.WriteLine($"Removed {file}: the latest {most} are kept.");
        }
        return [.. old.Select(file => System.IO.Path.GetFileName(file))];
    }

    private static IReadOnlyList<string> Backups(string folder) =>
        [.. Directory.EnumerateFiles(folder, $"umbick-*{Ending}").Order(StringComparer.Ordinal)];
}
