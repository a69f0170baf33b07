using System.Formats.Tar;
using System.Security.Cryptography;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Umbick.Cli.School;

/// <summary>What stands beside the dump in a backup.</summary>
/// <param name="Format">Which form of file it is.</param>
/// <param name="MadeAt">The moment whose state it holds.</param>
/// <param name="Migration">The latest migration of the database.</param>
/// <param name="Schools">The names of the schools in it.</param>
/// <param name="Demonstration">Whether it is of demonstration data, which no school may start on.</param>
/// <param name="Rows">How many rows each table has.</param>
/// <param name="Sha256">The hash of the dump.</param>
internal sealed record BackupManifest(int Format, DateTime MadeAt, string Migration, IReadOnlyList<string> Schools, bool Demonstration,
    IReadOnlyDictionary<string, long> Rows, string Sha256)
{
    /// <summary>How large the database was, in bytes; null in a backup of an earlier version.</summary>
    public long? DatabaseBytes { get; init; }

    /// <summary>Whose it is: the schools by name, or how many they are.</summary>
    [JsonIgnore]
    public string Whose => Schools.Count > MostNamed ? $"{Schools.Count} schools" : string.Join(", ", Schools);

    private const int MostNamed = 8;

    /// <summary>Whether the dump is encrypted: the hash is of it as it lies there.</summary>
    public bool Encrypted { get; init; }
}

/// <summary>A backup: one file, a tar of a manifest and a dump in PostgreSQL's own form.</summary>
internal static class BackupFile
{
    public const int Format = 1;

    private const string ManifestName = "manifest.json", DumpName = "umbick.dump";

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    /// <summary>Writes a backup beside its place and moves it there whole; nobody but its owner can read it.</summary>
    public static async Task Write(string path, BackupManifest manifest, string dump)
    {
        var beside = $"{path}.part";
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows()) options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        try
        {
            await Pack(beside, options, manifest, dump);
            File.Move(beside, path, overwrite: true);
        }
        catch
        {
            // A disk that is full must not stay so for the half of a backup.
            File.Delete(beside);
            throw;
        }
    }

    private static async Task Pack(string beside, FileStreamOptions options, BackupManifest manifest, string dump)
    {
        await using var file = new FileStream(beside, options);
        await using (var tar = new TarWriter(file, TarEntryFormat.Pax, leaveOpen: true))
        {
            await tar.WriteEntryAsync(
                new PaxTarEntry(TarEntryType.RegularFile, ManifestName)
                { DataStream = new MemoryStream(JsonSerializer.SerializeToUtf8Bytes(manifest, Json)) });
            await using var read = File.OpenRead(dump);
            await tar.WriteEntryAsync(new PaxTarEntry(TarEntryType.RegularFile, DumpName) { DataStream = read });
        }
        file.Flush(flushToDisk: true);
    }

    /// <summary>Reads a backup: its manifest, and its dump into a file.</summary>
    /// <exception cref="VerbException">It is not a backup, is cut short, or was changed.</exception>
    public static async Task<BackupManifest> Read(string path, string dump)
    {
        if (!File.Exists(path)) throw new VerbException($"There is no file “{path}”.");
        try
        {
            await using var file = File.OpenRead(path);
            await using var tar = new TarReader(file);
            if (await tar.GetNextEntryAsync() is not { Name: ManifestName, DataStream: { } stream })
                throw new VerbException($"{path} is no backup of Umbick.");
            var manifest = await JsonSerializer.DeserializeAsync<BackupManifest>(stream, Json) ?? throw new JsonException();
            if (manifest.Format != Format)
                throw new VerbException($"{path} was made by a later version (format {manifest.Format}). Upgrade first.");
            if (await tar.GetNextEntryAsync() is not { Name: DumpName } entry)
                throw new VerbException($"{path} is cut short: its dump is missing.");
            await entry.ExtractToFileAsync(dump, overwrite: true);
            if (await Hash(dump) != manifest.Sha256)
                throw new VerbException($"{path} is damaged: what it holds is not what was written. Use an earlier backup.");
            return manifest;
        }
        catch (Exception broken) when (broken is InvalidDataException or EndOfStreamException or JsonException or FormatException)
        {
            throw new VerbException($"{path} is cut short, or no backup of Umbick.");
        }
    }

    public static async Task<string> Hash(string path)
    {
        await using var file = File.OpenRead(path);
        return Convert.ToHexStringLower(await SHA256.HashDataAsync(file));
    }
}
